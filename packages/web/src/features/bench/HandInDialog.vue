<script setup lang="ts">
/** Handing in, and what was measured, in words, as soon as the server has measured it. */
import { sayMeasurement } from '@rudlo/core/assess'
import { trackLevel } from '@rudlo/core/mix'
import type { CheckPlace } from '@rudlo/core/evidence'
import { overruled } from '@rudlo/core/brief'
import { saidTasks, Sayer } from '@rudlo/words'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { OwnVersion } from '@rudlo/contract/handins'
import { whenText } from '../../words/dates'
import { useLive } from '../../api/live-store'
import { useWork } from '../../document/work-store'
import CheckList from '../../desk/guide/CheckList.vue'
import { useGuide } from '../../desk/guide/guide-store'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import { usePass } from '../../desk/pass/pass-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
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
  bench.assignment!.brief.tasks.filter((t) => {
    const verdict = guide.judged.get(t.id)?.verdict
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
    const writing = work.mix!.tracks.map((t) => t.id).filter((id) => pass.wayOf(trackLevel(id)) !== 'follow')
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
  <v-dialog v-model="open" :aria-label="t('hand-in.title.short')">
    <div class="sheet dialog">
      <template v-if="!shown">
        <h2>{{ t('hand-in.title', { number: next }) }}</h2>
        <p>
          {{ t('hand-in.text', { number: next + 1 }) }}
        </p>
        <p v-if="unmet.length" data-test="unmet">
          {{ t('hand-in.unmet', { tasks: unmet.map((t) => t.title).join(', ') }) }}
        </p>
        <label class="said"
          >{{ t('hand-in.goal') }}
          <input v-model="said" maxlength="400" data-test="said" @keydown="keepKeys" />
        </label>
        <details class="pair" :open="paired" @toggle="paired = ($event.target as HTMLDetailsElement).open">
          <summary data-test="pair">{{ t('hand-in.partner') }}</summary>
          <p class="soft">{{ t('hand-in.partner.about') }}</p>
          <div class="two">
            <input
              v-model="partner.signIn"
              :placeholder="t('hand-in.partner.name')"
              :aria-label="t('hand-in.partner.name')"
              autocomplete="off"
              autocapitalize="off"
              @keydown="keepKeys"
            />
            <input
              v-model="partner.password"
              type="password"
              :placeholder="t('hand-in.partner.password')"
              :aria-label="t('hand-in.partner.password')"
              autocomplete="off"
              @keydown="keepKeys"
            />
          </div>
        </details>
        <p v-if="pass.active" data-test="still-writes">
          {{ t('hand-in.hand-writes') }}
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="row">
          <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
          <AppButton tone="main" :busy="busy" data-test="confirm-hand-in" @click="handIn"
            >{{ t('hand-in.title.short') }}</AppButton>
        </div>
      </template>
      <template v-else>
        <h2>{{ t('hand-in.with-teacher', { number: shown.number }) }}</h2>
        <p class="soft">{{ t('hand-in.at', { when: whenText(shown.handedInAt) }) }}</p>
        <template v-if="sentences">
          <template v-if="assessed.some((t) => t.checks.length)">
            <section v-for="t in assessed" :key="t.task" class="task" data-test="assessed">
              <h3>
                <VerdictSign :verdict="t.verdict" />
                {{ bench.assignment!.brief.tasks.find((b) => b.id === t.task)?.title }}
              </h3>
              <CheckList :checks="t.checks" @show="(place) => showPlace(place)" />
            </section>
          </template>
          <h3>{{ t('hand-in.measured') }}</h3>
          <ul data-test="measured">
            <li v-for="s in sentences" :key="s">{{ s }}</li>
          </ul>
        </template>
        <p v-else class="measuring" role="status">
          <v-progress-circular indeterminate size="22" width="3" /> {{ t('hand-in.measuring') }}
        </p>
        <div class="row">
          <AppButton tone="main" data-test="close-hand-in" @click="open = false"
            >{{ t('hand-in.back') }}</AppButton>
        </div>
      </template>
    </div>
  </v-dialog>
</template>

<style scoped>
.dialog {
  display: grid;
  gap: 14px;
  max-height: 88vh;
  padding: 26px;
  overflow-y: auto;
}

h3 {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 17px;
}

.task {
  display: grid;
  gap: 4px;
}

.pair summary {
  min-height: 30px;
  cursor: pointer;
}

.two {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}

.two input {
  flex: 1;
  min-width: 0;
}

.said {
  display: grid;
  gap: 4px;
}

.said input,
.two input {
  height: 38px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 20px;
}

.row {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}

.measuring {
  display: flex;
  gap: 12px;
  align-items: center;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
