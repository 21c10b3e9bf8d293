<script setup lang="ts">
/** The open task: what it asks, what its checks say when they may, and its hints. */
import { computed } from 'vue'
import { hintLine } from '@rudlo/core/brief'
import { valueOf } from '@rudlo/core/evidence'
import { resolve } from '@rudlo/core/mix'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import type { StudentTask as BriefTask } from '@rudlo/core/brief'
import { barsOf } from '../transport/loop-text'
import { useWork } from '../../document/work-store'
import CheckList from './CheckList.vue'
import { useGuide } from './guide-store'
import RichText from './RichText.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ task: BriefTask }>()

const desk = useDesk()
const player = usePlayer()
const work = useWork()
const guide = useGuide()

const judged = computed(() => guide.judged.get(props.task.id))
const hints = computed(() => guide.hintsOf(props.task.id))
const HINTS = [t('guide.hint.1'), t('guide.hint.2'), t('guide.hint.3')] as const

/** Why nothing is said yet. */
const waiting = computed(() => {
  if (!props.task.checks.length || judged.value?.checks.length) return ''
  return {
    drawing: t('guide.answers.drawing'),
    played: t('guide.answers.played'),
    asked: t('guide.answers.asked'),
    'handed in': '',
  }[guide.answers]
})

/** The form of the move that the task asks for, faintly on its lane. */
function showForm(): void {
  const { mix } = work
  if (!mix) return
  for (const check of props.task.checks) {
    const lane = check.values['lane']
    const from = check.values['from']
    const found = typeof lane === 'string' ? resolve(mix, lane) : null
    if (!found || typeof lane !== 'string' || typeof from !== 'number') continue
    const form = hintLine(check, found.control.scale, valueOf(mix, lane, Math.max(0, from - 1)))
    if (!form) continue
    desk.hinted = form
    return desk.showPlace({ lane, from: props.task.from, to: props.task.to })
  }
}

async function hint(): Promise<void> {
  await guide.openHint(props.task.id)
  if (hints.value.some((h) => h.level === 2)) showForm()
}
</script>

<template>
  <div class="more">
    <RichText :text="task.text" />
    <div class="row">
      <AppButton small :disabled="!player.ready" @click="player.playLoop(task)">
        <v-icon icon="$play" size="16" />{{ barsOf(task, desk.time!.meter) }}
      </AppButton>
      <AppButton
        v-if="guide.answers !== 'handed in' && guide.answers !== 'drawing' && task.checks.length"
        small
        :disabled="guide.listening !== null || !player.ready"
        data-test="ask"
        @click="guide.ask()"
      >
        {{
          guide.listening === null
            ? t('guide.check')
            : t('guide.listening', { percent: Math.round(guide.listening * 100) })
        }}
      </AppButton>
    </div>
    <p v-if="waiting" class="soft small">{{ waiting }}</p>
    <p v-if="guide.problem" class="problem" role="alert">{{ guide.problem }}</p>
    <div v-if="judged?.checks.length" role="status">
      <CheckList
        :checks="judged.checks"
        :before="guide.before.get(task.id)?.checks"
        :stale="guide.stale"
        @show="guide.show"
      />
      <p v-if="guide.stale" class="soft small">{{ t('guide.old') }}</p>
    </div>
    <ul v-if="hints.length" class="hints">
      <li v-for="h in hints" :key="h.level">
        {{ h.text }}
        <AppButton v-if="h.level === 2" small @click="desk.hinted ? (desk.hinted = null) : showForm()">
          {{ desk.hinted ? t('guide.hint.hide') : t('guide.hint.show') }}
        </AppButton>
      </li>
    </ul>
    <AppButton
      v-if="hints.length < task.hints && guide.mayHint(task.id)"
      small
      data-test="hint"
      @click="hint"
    >
      <v-icon icon="$help" size="16" />{{ HINTS[hints.length] }}
    </AppButton>
  </div>
</template>

<style scoped>
.more {
  display: grid;
  gap: 9px;
  justify-items: start;
  padding: 0 0 14px 6px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.small {
  font-size: 14px;
}

.hints {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 2px 0 2px 12px;
  border-left: 3px solid var(--rule);
  list-style: none;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
