<script setup lang="ts">
/** When it opens and is due, how often it can be handed in, when the model may be heard, and what holds for one student. */
import type { ExceptionView, SettingsView } from '@rudlo/contract/assignments'
import { MODEL_HEARD, type ModelHeard } from '@rudlo/contract/assignments'
import { ref, shallowRef, watch } from 'vue'
import { server, told } from '../../api/client'
import AppButton from '../../ui/buttons/AppButton.vue'
import MomentField from '../../ui/fields/MomentField.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { attempt } from '../../ui/forms/attempt'
import FoldSection from '../../ui/page/FoldSection.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'
import OtherGroups from './OtherGroups.vue'

const store = useBrief()
const exceptions = shallowRef<readonly ExceptionView[]>([])
const note = ref('')
const heard = MODEL_HEARD.map((value) => ({ value, text: t(`brief.model-heard.${value}`) }))

const load = async () => {
  exceptions.value = await told(
    server.assignments[':assignment'].exceptions.$get({ param: { assignment: store.assignment!.id } }),
  ).catch(() => [])
}
watch(() => store.assignment?.id, load, { immediate: true })

const set = (by: Partial<SettingsView>) => (store.settings = { ...store.settings!, ...by })

function act(what: () => Promise<void>): Promise<boolean> {
  note.value = ''
  return attempt(what, (sentence) => (note.value = sentence))
}

const except = (student: ExceptionView, by: { dueAt?: string | null; brief?: object | null }) =>
  act(async () => {
    await told(
      server.assignments[':assignment'].exceptions[':person'].$put({
        param: { assignment: store.assignment!.id, person: student.id },
        json: { dueAt: student.dueAt, brief: student.brief, ...by },
      }),
    )
    await load()
  })

const remeasure = () =>
  act(async () => {
    const count = await store.remeasure()
    note.value = count ? t('brief.recheck.done', { n: count }) : t('brief.recheck.none')
  })
</script>

<template>
  <div v-if="store.settings" class="parts">
    <PageSection :title="t('brief.part.publish')">
      <div class="row">
        <MomentField
          usual="08:00"
          :label="t('brief.opens')"
          :model-value="store.settings.opensAt"
          :fault="store.fault('opensAt')"
          data-test="opens"
          @update:model-value="(opensAt) => set({ opensAt })"
        />
        <MomentField
          :label="t('brief.due')"
          :model-value="store.settings.dueAt"
          :fault="store.fault('dueAt')"
          data-test="due"
          @update:model-value="(dueAt) => set({ dueAt })"
        />
      </div>
      <div class="row">
        <NumberField
          class="limit"
          :compact="false"
          :label="t('brief.limit')"
          :hint="t('brief.limit.hint')"
          :min="1"
          :max="100"
          empties
          :model-value="store.settings.handInLimit"
          :fault="store.fault('handInLimit')"
          data-test="limit"
          @update:model-value="(handInLimit) => set({ handInLimit })"
          @keydown.stop
        />
        <SelectField
          class="heard"
          :compact="false"
          :label="t('brief.model-heard')"
          :choices="heard"
          :model-value="store.settings.modelHeard"
          @update:model-value="(modelHeard: ModelHeard) => set({ modelHeard })"
          @keydown.stop
        />
      </div>
      <OtherGroups />
    </PageSection>
    <PageSection v-if="exceptions.length" :title="t('brief.single')" :about="t('brief.single.about')">
      <FoldSection
        v-for="s in exceptions"
        :key="s.id"
        :title="s.name"
        :note="s.brief || s.dueAt ? '•' : undefined"
        data-test="exception"
      >
        <div class="row">
          <MomentField
            :label="t('brief.single.due', { name: s.name })"
            :model-value="s.dueAt"
            @update:model-value="(dueAt) => except(s, { dueAt })"
          />
          <AppButton v-if="s.brief" @click="except(s, { brief: null })">{{
            t('brief.single.back')
          }}</AppButton>
          <AppButton v-else :tip="t('brief.single.own.tip')" @click="except(s, { brief: store.brief })">{{
            t('brief.single.own', { name: s.name })
          }}</AppButton>
        </div>
      </FoldSection>
    </PageSection>
    <PageSection :title="t('brief.recheck')" :about="t('brief.recheck.about')">
      <template #acts>
        <AppButton data-test="remeasure" @click="remeasure">{{ t('brief.recheck') }}</AppButton>
      </template>
      <p v-if="note" role="status">{{ note }}</p>
    </PageSection>
  </div>
</template>

<style scoped>
.parts {
  display: grid;
  gap: var(--space-3);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: start;
}

.row > :deep(.moment-field) {
  flex: 1 1 300px;
}

.limit {
  flex: 0 1 250px;
}

.heard {
  flex: 1 1 240px;
}
</style>
