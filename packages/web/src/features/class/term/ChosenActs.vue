<script setup lang="ts">
/** What can be done for several students at once: one remark for all of them, more time, or a place together in the next
 * lesson. */
import { computed, ref } from 'vue'
import { server, told } from '../../../api/client'
import AppButton from '../../../ui/buttons/AppButton.vue'
import MomentField from '../../../ui/fields/MomentField.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import TextArea from '../../../ui/fields/TextArea.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useTerm } from './term-store'

type Act = 'remark' | 'time' | 'group'

const props = defineProps<{
  /** For which assignment; chosen in the dialog where it is missing. */
  assignment?: string
}>()

const store = useTerm()
const doing = ref<Act | null>(null)
const which = ref('')
const text = ref('')
const dueAt = ref<string | null>(null)
const busy = ref(false)
const problem = ref('')

const assignments = computed(() => store.term!.assignments.map((a) => ({ value: a.id, text: a.title })))
/** The newest versions of the chosen students. */
const handIns = computed(() =>
  store
    .term!.cells.filter((c) => c.assignment === which.value && store.chosen.includes(c.student))
    .flatMap((c) => (c.handIn ? [c.handIn] : [])),
)

const canSend = computed(
  () =>
    doing.value === 'time' || (!!text.value.trim() && (doing.value === 'group' || handIns.value.length > 0)),
)

function begin(what: Act): void {
  doing.value = what
  problem.value = ''
  text.value = ''
  // the last that was given is meant most often
  which.value = props.assignment ?? store.term!.assignments.at(-1)!.id
  dueAt.value = store.term!.assignments.find((a) => a.id === which.value)?.dueAt ?? null
}

async function send(): Promise<void> {
  busy.value = true
  problem.value = ''
  await attempt(
    async () => {
      store.notice = await ACTS[doing.value!]()
      doing.value = null
      store.chosen = []
      await store.open(store.term!.group.id)
    },
    (sentence) => (problem.value = sentence),
  )
  busy.value = false
}

/** Does it. @returns what was done, in one sentence */
const ACTS: Record<Act, () => Promise<string>> = {
  remark: async () => {
    const { count } = await told(
      server.remarks.$post({
        json: { handIns: handIns.value, lane: null, from: 0, to: 0, text: text.value.trim() },
      }),
    )
    return t('chosen.remark.done', { n: count })
  },
  time: async () => {
    const { count } = await told(
      server.assignments[':assignment'].extension.$post({
        param: { assignment: which.value },
        json: { students: store.chosen, dueAt: dueAt.value },
      }),
    )
    return dueAt.value
      ? t('chosen.time.done', { n: count, when: whenText(dueAt.value) })
      : t('chosen.time.none', { n: count })
  },
  group: async () => {
    await told(
      server.groups[':group']['small-groups'].$post({
        param: { group: store.term!.group.id },
        json: { title: text.value.trim(), students: [...store.chosen] },
      }),
    )
    return t('chosen.group.done')
  },
}
</script>

<template>
  <div class="chosen" role="group" :aria-label="t('chosen.label')">
    <b role="status">{{ t('chosen.n', { n: store.chosen.length }) }}</b>
    <AppButton small icon="remark" data-test="remark-chosen" @click="begin('remark')">{{
      t('chosen.remark')
    }}</AppButton>
    <AppButton small icon="clock" data-test="extend-chosen" @click="begin('time')">{{
      t('chosen.time')
    }}</AppButton>
    <AppButton small icon="people" data-test="group-chosen" @click="begin('group')">{{
      t('chosen.group')
    }}</AppButton>
    <AppButton tone="quiet" small @click="store.chosen = []">{{ t('chosen.none') }}</AppButton>
    <AppDialog
      :model-value="doing !== null"
      :title="doing ? t(`chosen.${doing}`) : ''"
      @update:model-value="doing = null"
    >
      <p class="soft">{{ store.chosen.map(store.nameOf).join(', ') }}</p>
      <SelectField
        v-if="!assignment && doing !== 'group'"
        v-model="which"
        :label="t('chosen.assignment')"
        :choices="assignments"
        :compact="false"
      />
      <template v-if="doing === 'remark'">
        <TextArea v-model="text" :label="t('chosen.remark.text')" data-test="chosen-text" />
        <p class="soft">{{ t('chosen.remark.about', { n: handIns.length }) }}</p>
      </template>
      <template v-else-if="doing === 'group'">
        <TextField v-model="text" :label="t('chosen.group.title')" data-test="chosen-title" />
        <p class="soft">{{ t('chosen.group.about') }}</p>
      </template>
      <MomentField v-else v-model="dueAt" :label="t('chosen.time.until')" />
      <FormProblem :text="problem" />
      <template #acts>
        <AppButton tone="main" :busy="busy" :disabled="!canSend" data-test="chosen-send" @click="send">{{
          doing ? t(`chosen.${doing}.send`) : ''
        }}</AppButton>
      </template>
    </AppDialog>
  </div>
</template>

<style scoped>
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-2) var(--space-3);
  border-radius: var(--radius-s);
  background: var(--wash);
}
</style>
