<script setup lang="ts">
/** Tries: whole alternatives of the work, kept by name; heard, compared, gone on from, handed in. */
import { computed, ref } from 'vue'
import type { TryView } from '@rudlo/contract/works'
import { whenText } from '../../words/dates'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'

const emit = defineEmits<{ handIn: [] }>()

const desk = useDesk()
const work = useWork()
const name = ref('')
const keeping = ref(false)
const problem = ref('')

const start = computed(() => ({ mix: desk.given!.startingMix, notes: work.notes }))

/** What is heard instead of the work. */
const heardName = computed(() => {
  if (work.heard === 'start') return 'the starting mix'
  const version = work.versions.find((v) => v.id === work.heard)
  if (version) return `version ${version.number}`
  const kept = work.tries.find((t) => t.id === work.heard)
  return kept ? `“${kept.name}”` : 'the suggestion'
})

async function keep(): Promise<void> {
  const wanted = name.value.trim() || `Try ${work.tries.length + 1}`
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

const goOn = (t: TryView) => work.replace(t.document, `Went on from the try “${t.name}”`)
const goOnFromStart = () => work.replace(start.value, 'Went on from the starting mix')

function handIn(t: TryView): void {
  goOn(t)
  emit('handIn')
}
</script>

<template>
  <v-menu :close-on-content-click="false" max-height="520">
    <template #activator="{ props: menu }">
      <AppButton small v-bind="menu" data-test="tries">
        {{ work.tries.length === 1 ? '1 try' : `${work.tries.length || ''} tries`.trim()
        }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="sheet list" role="group" aria-label="Tries">
      <p class="soft">
        A try is the whole work as it is now, kept with a name: to compare, and to come back to.
      </p>
      <form class="keep" @submit.prevent="keep">
        <input
          v-model="name"
          placeholder="Name for how it is now"
          aria-label="Name for how it is now"
          maxlength="120"
          @keydown="keepKeys"
        />
        <AppButton small :disabled="keeping" data-test="keep-try">keep it</AppButton>
      </form>
      <p v-if="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <span><b>Starting mix</b><br /><span class="soft">how the assignment begins</span></span>
        <span class="acts">
          <AppButton small
           
            :aria-pressed="work.heard === 'start'"
            @click="work.hear(work.heard === 'start' ? null : 'start', start)"
          >
            hear it
          </AppButton>
          <AppButton small @click="goOnFromStart">go on from it</AppButton>
        </span>
      </div>
      <div v-for="t in work.tries" :key="t.id" class="row">
        <span><b>{{ t.name }}</b><br /><span class="soft">kept {{ whenText(t.createdAt) }}</span></span>
        <span class="acts">
          <AppButton small
           
            :aria-pressed="work.heard === t.id"
            tip="Hear it at the same place, without a gap"
            :data-test="`hear-${t.name}`"
            @click="work.hear(work.heard === t.id ? null : t.id, t.document)"
          >
            hear it
          </AppButton>
          <AppButton small
           
            :aria-pressed="desk.compared === t.id"
            tip="Show its lines faintly"
            @click="desk.compared = desk.compared === t.id ? null : t.id"
          >
            compare
          </AppButton>
          <AppButton small :data-test="`go-on-${t.name}`" @click="goOn(t)">go on from it</AppButton>
          <AppButton small @click="handIn(t)">hand it in</AppButton>
        </span>
      </div>
    </div>
  </v-menu>
  <AppButton small v-if="work.heard" class="heard" data-test="heard" @click="work.hear(null, null)">
    You hear {{ heardName }}: back to yours
  </AppButton>
</template>

<style scoped>
.list {
  display: grid;
  gap: 8px;
  width: 470px;
  max-width: 92vw;
  margin-top: 4px;
  padding: 12px 16px;
  overflow-y: auto;
  font-size: 14px;
}

.keep {
  display: flex;
  gap: 8px;
}

.keep input {
  flex: 1;
  height: 36px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

.row {
  display: grid;
  gap: 4px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.heard {
  background: var(--warm);
  color: var(--sheet);
}
</style>
