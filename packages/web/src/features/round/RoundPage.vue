<script setup lang="ts">
/** Everybody's same bars, one after the other without a gap, each with its picture: to mark one criterion for the whole class. */
import { askedBand } from '@rudlo/core/heard'
import { mistakeName } from '@rudlo/core/mistakes'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import TransportBar from '../../desk/transport/TransportBar.vue'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { attempt } from '../../ui/forms/attempt'
import KeysDialog from '../../ui/keys/KeysDialog.vue'
import { usePageKeys } from '../../ui/keys/page-keys'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { usePlayer } from '../../engine/player-store'
import { t } from '../../words/t'
import { roundKeys } from './keys'
import { useRound } from './round-store'
import RoundRow from './RoundRow.vue'

const props = defineProps<{ assignment: string }>()
const route = useRoute()

const round = useRound()
const player = usePlayer()
const names = ref(true)
const keys = ref(false)
const problem = ref('')

async function open(): Promise<void> {
  problem.value = ''
  await attempt(
    () => round.open(props.assignment, String(route.query['mistake'] ?? '')),
    (sentence) => (problem.value = sentence),
  )
}
watch(() => props.assignment, open, { immediate: true })
onBeforeUnmount(() => {
  round.leave()
  void player.close()
})

const nameOf = (i: number) =>
  names.value ? round.rows[i]!.handIn.student : t('compare.nameless', { number: i + 1 })
const levels = computed(() => round.assignment?.rubric.levels ?? [])
const marked = computed(() => round.rows.filter((r) => r.mark !== undefined).length)
const shortcuts = roundKeys(round, () => (keys.value = true))
usePageKeys(shortcuts)
</script>

<template>
  <div class="round">
    <AppHeader compact :before="t('round.title')" :title="round.assignment?.title">
      <CheckField v-model="names" :label="t('compare.names')" data-test="names" />
      <AppButton small :to="`/review/${props.assignment}`">{{ t('compare.to-review') }}</AppButton>
    </AppHeader>
    <RoomState v-if="problem || !round.assignment" class="coming" :problem="problem" loading @again="open" />
    <main v-else>
      <h1 class="unseen">{{ t('round.title') }}</h1>
      <div class="asked">
        <p v-if="round.mistake" class="only" data-test="round-mistake">
          {{ t('round.mistake', { what: mistakeName(round.mistake) }) }}
        </p>
        <SelectField
          v-else
          v-model="round.taskId"
          :label="t('round.task')"
          :choices="round.tasks.map((task) => ({ value: task.id, text: task.title }))"
          data-test="round-task"
        />
        <SelectField
          v-model="round.criterionId"
          :label="t('round.criterion')"
          :choices="round.assignment.rubric.criteria.map((c) => ({ value: c.id, text: c.name }))"
          data-test="round-criterion"
        />
        <AppButton
          tone="main"
          :disabled="!player.ready || !round.rows.length"
          :aria-pressed="round.going"
          data-test="round-play"
          @click="round.toggle()"
        >
          <v-icon :icon="round.going ? '$stop' : '$play'" size="18" />{{
            round.going ? t('round.stop') : t('round.play')
          }}
        </AppButton>
        <p class="soft" role="status">{{ t('round.marked', { n: marked, of: round.rows.length }) }}</p>
      </div>
      <RoomState v-if="!round.rows.length && round.coming" loading />
      <p v-else-if="!round.rows.length" class="soft">{{ t('compare.nobody') }}</p>
      <ol>
        <RoundRow
          v-for="(row, i) in round.rows"
          :key="row.handIn.id"
          :name="nameOf(i)"
          :verdict="row.verdict"
          :picture="row.picture"
          :said="row.said"
          :levels="levels"
          :mark="row.mark"
          :time="row.time"
          :band="askedBand(round.task)"
          :shown="row.place ?? round.stretch ?? undefined"
          :on="round.at === i"
          :criterion="round.criterion?.name ?? ''"
          @hear="round.play(i)"
          @mark="(level) => round.mark(i, level)"
        />
      </ol>
    </main>
    <TransportBar v-if="round.time" :time="round.time" @keys="keys = true" />
    <NoticeBar v-model="round.notice" />
    <KeysDialog v-model="keys" :groups="shortcuts" />
  </div>
</template>

<style scoped>
.round {
  display: flex;
  flex-direction: column;
  height: 100dvh;
}

main {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: var(--space-3);
  min-height: 0;
  padding: var(--space-3) var(--space-4) 0;
}

.asked {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.asked > :nth-child(-n + 2) {
  flex: 0 1 300px;
}

ol {
  display: grid;
  flex: 1;
  gap: 2px;
  align-content: start;
  min-height: 0;
  margin: 0;
  padding: 0 0 var(--space-4);
  overflow-y: auto;
  list-style: none;
}

.coming {
  flex: 1;
  align-content: center;
}
</style>
