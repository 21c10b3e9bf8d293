<script setup lang="ts">
/** Tries: whole alternatives of the work, kept by name; heard, compared, gone on from, handed in. */
import { computed, ref } from 'vue'
import type { TryView } from '@rudlo/contract/works'
import { whenText } from '../../words/dates'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'

const emit = defineEmits<{ handIn: [] }>()

const desk = useDesk()
const work = useWork()
const name = ref('')
const keeping = ref(false)
const problem = ref('')

const start = computed(() => ({ mix: desk.given!.startingMix, notes: work.notes }))
const model = computed(() => desk.model && { mix: desk.model, notes: work.notes })

/** What is heard instead of the work. */
const heardName = computed(() => {
  if (work.heard === 'start') return t('tries.start.lower')
  if (work.heard === 'model') return t('tries.model.lower')
  const version = work.versions.find((v) => v.id === work.heard)
  if (version) return t('tries.version', { number: version.number })
  const kept = work.tries.find((one) => one.id === work.heard)
  return kept ? `“${kept.name}”` : t('tries.suggestion')
})

async function keep(): Promise<void> {
  const wanted = name.value.trim() || t('tries.usual-name', { number: work.tries.length + 1 })
  keeping.value = true
  problem.value = ''
  try {
    await work.keepTry(wanted)
    name.value = ''
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    keeping.value = false
  }
}

const goOn = (kept: TryView) => work.replace(kept.document, t('tries.did.continued', { name: kept.name }))
const goOnFromStart = () => work.replace(start.value, t('tries.did.continued-start'))

function handIn(kept: TryView): void {
  goOn(kept)
  emit('handIn')
}
</script>

<template>
  <AppMenu stays :label="t('tries.title')">
    <template #opener="{ opener }">
      <AppButton small v-bind="opener" data-test="tries">
        {{ t('tries.count', { n: work.tries.length }) }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="list">
      <p class="soft">{{ t('tries.about') }}</p>
      <form class="keep" @submit.prevent="keep">
        <TextField v-model="name" compact :label="t('tries.name')" maxlength="120" @keydown="keepKeys" />
        <AppButton type="submit" tone="main" :busy="keeping" data-test="keep-try">{{
          t('tries.save')
        }}</AppButton>
      </form>
      <FormProblem :text="problem" />
      <div class="row">
        <span><b>{{ t('tries.start') }}</b><br /><span class="soft">{{ t('tries.start.about') }}</span></span>
        <span class="acts">
          <AppButton
            small
            :aria-pressed="work.heard === 'start'"
            @click="work.hear(work.heard === 'start' ? null : 'start', start)"
            >{{ t('tries.hear') }}</AppButton
          >
          <AppButton small @click="goOnFromStart">{{ t('tries.continue') }}</AppButton>
        </span>
      </div>
      <div v-if="model" class="row">
        <span><b>{{ t('tries.model') }}</b><br /><span class="soft">{{ t('tries.model.about') }}</span></span>
        <AppButton
          small
          :aria-pressed="work.heard === 'model'"
          :tip="t('tries.hear.tip')"
          data-test="hear-model"
          @click="work.hear(work.heard === 'model' ? null : 'model', model)"
          >{{ t('tries.hear') }}</AppButton
        >
      </div>
      <div v-for="kept in work.tries" :key="kept.id" class="row">
        <span
          ><b>{{ kept.name }}</b><br /><span class="soft">{{
            t('tries.saved', { when: whenText(kept.createdAt) })
          }}</span></span
        >
        <span class="acts">
          <AppButton
            small
            :aria-pressed="work.heard === kept.id"
            :tip="t('tries.hear.tip')"
            :data-test="`hear-${kept.name}`"
            @click="work.hear(work.heard === kept.id ? null : kept.id, kept.document)"
            >{{ t('tries.hear') }}</AppButton
          >
          <AppButton
            small
            :aria-pressed="desk.compared === kept.id"
            :tip="t('tries.compare.tip')"
            @click="desk.compared = desk.compared === kept.id ? null : kept.id"
            >{{ t('tries.compare') }}</AppButton
          >
          <AppButton small :data-test="`go-on-${kept.name}`" @click="goOn(kept)">{{
            t('tries.continue')
          }}</AppButton>
          <AppButton small @click="handIn(kept)">{{ t('tries.hand-in') }}</AppButton>
        </span>
      </div>
    </div>
  </AppMenu>
  <AppButton v-if="work.heard" small class="heard" data-test="heard" @click="work.hear(null, null)">
    {{ t('tries.back', { name: heardName }) }}
  </AppButton>
</template>

<style scoped>
.list {
  display: grid;
  gap: var(--space-2);
  width: 470px;
}

.keep {
  display: flex;
  gap: var(--space-2);
  align-items: start;
}

.row {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  justify-content: space-between;
  padding-top: var(--space-2);
  border-top: 1px solid var(--rule);
}

.acts {
  display: flex;
  gap: var(--space-1);
}

.heard {
  border-color: var(--warm);
  color: var(--warm);
}
</style>
