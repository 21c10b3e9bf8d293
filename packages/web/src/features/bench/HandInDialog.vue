<script setup lang="ts">
/** Handing in, and what was measured, in words, as soon as the server has measured it. */
import { sayMeasurement } from '@rudlo/core/assess'
import { trackLevel } from '@rudlo/core/mix'
import type { CheckPlace } from '@rudlo/core/evidence'
import { overruled } from '@rudlo/core/brief'
import { saidTasks, Sayer } from '@rudlo/sentences'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { OwnVersion } from '@rudlo/contract/handins'
import { now } from '../../browser/clock'
import { whenText } from '../../words/dates'
import { lateText } from '../../words/late'
import { useLive } from '../../api/live-store'
import { useWork } from '../../document/work-store'
import TermText from '../../ui/marks/TermText.vue'
import CheckList from '../../desk/guide/CheckList.vue'
import { useGuide } from '../../desk/guide/guide-store'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import { usePass } from '../../desk/pass/pass-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import TextField from '../../ui/fields/TextField.vue'
import PasswordField from '../../ui/fields/PasswordField.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { t } from '../../words/t'

const open = defineModel<boolean>({ required: true })
/** Shows this version instead of asking to hand in the next. */
const props = defineProps<{ look: boolean }>()

const ASK_MS = 700
/** So many times as seldom while the line is open. */
const SELDOM = 10

const bench = useBench()
const desk = useDesk()
const work = useWork()
const pass = usePass()
const guide = useGuide()
const handed = ref<string | null>(null)
const said = ref('')
/** Whether two students hand in together at this machine. */
const paired = ref(false)
const partner = ref({ signIn: '', password: '' })
const busy = ref(false)
const problem = ref('')

const shown = computed<OwnVersion | null>(() => {
  const id = handed.value ?? (props.look ? desk.newest?.id : null)
  return work.versions.find((v) => v.id === id) ?? null
})
/** Tasks whose checks have answered, and not all of them are met. */
const unmet = computed(() =>
  bench.assignment!.brief.tasks.filter((task) => {
    const verdict = guide.judged.get(task.id)?.verdict
    return verdict && verdict !== 'met'
  }),
)
const next = computed(() => (desk.newest?.number ?? 0) + 1)
const assessed = computed(() => {
  const { assessment, document } = shown.value ?? {}
  return assessment && document
    ? saidTasks(
        new Sayer({ song: desk.song!, mix: document.mix }),
        overruled(assessment, shown.value?.review?.overrules ?? {}).tasks,
      )
    : []
})
/** Tasks that were judged, with their names. */
const judged = computed(() =>
  assessed.value
    .filter((task) => task.checks.length)
    .map((task) => ({
      ...task,
      title: bench.assignment!.brief.tasks.find((b) => b.id === task.task)?.title,
    })),
)
/** Hours by which the first version comes late; 0 where it does not. */
const late = computed(() => {
  const { dueAt } = bench.assignment!
  return open.value && dueAt && !desk.newest ? (now().getTime() - Date.parse(dueAt)) / 3_600_000 : 0
})
/** Whether it is as it was given, or as it was handed in last: then it is asked about once. */
const unchanged = computed(() => {
  const before = desk.newest?.document.mix ?? bench.assignment!.startingMix
  return open.value && !shown.value && JSON.stringify(before) === JSON.stringify(work.mix)
})
const sentences = computed(() => {
  const { measurement, document } = shown.value ?? {}
  return measurement && document
    ? new Sayer({ song: desk.song!, mix: document.mix }).all(sayMeasurement(document.mix, measurement))
    : null
})

async function handIn(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const writing = work
      .mix!.tracks.map((track) => track.id)
      .filter((id) => pass.wayOf(trackLevel(id)) !== 'follow')
    const both = paired.value && partner.value.signIn.trim() ? { ...partner.value } : null
    handed.value = (await work.handIn(said.value, writing, both)).id
    partner.value = { signIn: '', password: '' }
    paired.value = false
    said.value = ''
    pass.reset()
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    busy.value = false
  }
}

/** Takes the version away again, as long as nobody has looked at it. */
async function withdraw(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    await work.withdraw(shown.value!.id)
    open.value = false
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    busy.value = false
  }
}

function showPlace(place: CheckPlace): void {
  open.value = false
  guide.show(place)
}

const live = useLive()
let timer: ReturnType<typeof setInterval> | undefined
watch([open, shown], () => {
  clearInterval(timer)
  if (!open.value || !shown.value || shown.value.measurement) return
  // while the line is open, it tells when it is measured: then it is hardly ever asked
  let ticks = 0
  timer = setInterval(() => {
    if (!live.connected || ++ticks % SELDOM === 0) void work.refreshVersions().catch(() => null)
  }, ASK_MS)
})
watch(open, (isOpen) => {
  if (isOpen) {
    handed.value = null
    problem.value = ''
  }
})
onBeforeUnmount(() => clearInterval(timer))
</script>

<template>
  <AppDialog
    v-model="open"
    :title="
      shown ? t('hand-in.with-teacher', { number: shown.number }) : t('hand-in.title', { number: next })
    "
  >
    <template v-if="!shown">
      <p v-if="unchanged" data-test="unchanged"><b>{{ t('hand-in.unchanged') }}</b></p>
      <p v-if="late > 0" class="late" role="note" data-test="late">
        {{ t('hand-in.late', { late: lateText(late) }) }}
      </p>
      <p>{{ t('hand-in.text', { number: next + 1 }) }}</p>
      <p v-if="unmet.length" data-test="unmet">
        {{ t('hand-in.unmet', { tasks: unmet.map((task) => task.title).join(', ') }) }}
      </p>
      <TextField
        v-model="said"
        :label="t('hand-in.goal')"
        maxlength="400"
        data-test="said"
        @keydown="keepKeys"
      />
      <FoldSection v-model="paired" :title="t('hand-in.partner')" data-test="pair">
        <div class="pair">
          <p class="soft">{{ t('hand-in.partner.about') }}</p>
          <TextField
            v-model="partner.signIn"
            compact
            :label="t('hand-in.partner.name')"
            autocomplete="off"
            autocapitalize="off"
            @keydown="keepKeys"
          />
          <PasswordField
            v-model="partner.password"
            :label="t('hand-in.partner.password')"
            kind="current-password"
            @keydown="keepKeys"
          />
        </div>
      </FoldSection>
      <p v-if="pass.active" data-test="still-writes">{{ t('hand-in.hand-writes') }}</p>
      <FormProblem :text="problem" />
    </template>
    <template v-else>
      <p class="soft">{{ t('hand-in.at', { when: whenText(shown.handedInAt) }) }}</p>
      <template v-if="sentences">
        <section v-for="task in judged" :key="task.task" class="task" data-test="assessed">
          <h3><VerdictSign :verdict="task.verdict" /> {{ task.title }}</h3>
          <CheckList :checks="task.checks" @show="(place) => showPlace(place)" />
        </section>
        <h3>{{ t('hand-in.measured') }}</h3>
        <ul data-test="measured">
          <li v-for="s in sentences" :key="s"><TermText :text="s" /></li>
        </ul>
      </template>
      <p v-else class="measuring" role="status">
        <v-progress-circular indeterminate size="22" width="3" /> {{ t('hand-in.measuring') }}
      </p>
      <FormProblem :text="problem" />
    </template>
    <template #acts>
      <template v-if="!shown">
        <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
        <AppButton tone="main" :busy="busy" data-test="confirm-hand-in" @click="handIn">{{
          t(unchanged ? 'hand-in.anyway' : 'hand-in.title.short')
        }}</AppButton>
      </template>
      <template v-else>
        <AppButton
          v-if="shown.state !== 'given back' && shown.id === desk.newest?.id"
          tone="quiet"
          :busy="busy"
          data-test="withdraw"
          @click="withdraw"
          >{{ t('hand-in.withdraw') }}</AppButton
        >
        <AppButton tone="main" data-test="close-hand-in" @click="open = false">{{
          t('hand-in.back')
        }}</AppButton>
      </template>
    </template>
  </AppDialog>
</template>

<style scoped>
h3 {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--text-3);
}

.task {
  display: grid;
  gap: var(--space-1);
}

.late {
  color: var(--warm);
  font-weight: 600;
}

.pair {
  display: grid;
  gap: var(--space-2);
}

ul {
  display: grid;
  gap: var(--space-2);
  margin: 0;
  padding-left: 20px;
}

.measuring {
  display: flex;
  gap: var(--space-3);
  align-items: center;
}
</style>
