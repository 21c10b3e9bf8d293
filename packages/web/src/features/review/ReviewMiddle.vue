<script lang="ts">
/** What is shown below the line. */
export type Below = 'heard' | 'tracks' | 'figures'
</script>

<script setup lang="ts">
/** The hand-in itself: the song with remarks, the line, and below it what is heard, the tracks, or the figures. */
import type { CheckPlace } from '@rudlo/core/evidence'
import { resolve } from '@rudlo/core/mix'
import { computed, ref, watch } from 'vue'
import TrackCards from '../../desk/tracks/TrackCards.vue'
import type { Span } from '../../editor/lane/viewport'
import LineList from '../../editor/lane/LineList.vue'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import { usePlayer } from '../../engine/player-store'
import FiguresPanel from './FiguresPanel.vue'
import HeardPane from './HeardPane.vue'
import LaneTabs from './LaneTabs.vue'
import LaneView from './LaneView.vue'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import { t } from '../../words/t'

const emit = defineEmits<{
  /** A remark is begun with a sentence at a place. */
  remark: [place: CheckPlace, sentence: string, subject?: string]
}>()
/** The bars that a remark is for. */
const picked = defineModel<Span | null>('picked', { required: true })
/** What is shown below the line. */
const below = defineModel<Below>('below', { required: true })

const review = useReview()
const suggestion = useSuggestion()
const player = usePlayer()

/** The track whose lines lie one under the other in place of the lane; the one of the lane that is looked at. */
const linesOf = ref<string | null>(null)
const owner = computed(() => resolve(review.mix!, review.address)?.owner ?? null)
watch([() => review.address, () => review.handIn?.id], () => (linesOf.value = null))

const choices = [
  { value: 'heard' as const, text: t('review.heard'), tip: t('review.heard.tip'), test: 'show-heard' },
  { value: 'tracks' as const, text: t('review.tracks'), tip: undefined, test: 'show-tracks' },
  { value: 'figures' as const, text: t('figures.title'), tip: t('review.figures.tip'), test: 'show-figures' },
]
const flags = computed(() =>
  review.remarks.map((r, i) => ({
    id: r.id,
    text: String(i + 1),
    tick: (r.from + r.to) / 2,
    kind: 'remark' as const,
  })),
)
</script>

<template>
  <main class="middle">
    <PlayedStrip
      :song="review.song!"
      :time="review.time!"
      :momentary="review.handIn!.measurement?.momentary"
      :shown="review.span"
      :flags="flags"
      @flag="review.showRemark"
    />
    <div class="row">
      <LaneTabs />
      <IconButton
        v-if="owner && !suggestion.drawing"
        icon="notes"
        :label="t('review.lines')"
        :tip="t('review.lines.tip')"
        :aria-pressed="linesOf !== null"
        data-test="review-lines"
        @click="linesOf = linesOf ? null : owner"
      />
      <IconButton
        v-if="!suggestion.drawing"
        icon="write"
        :label="t('review.suggest')"
        :tip="t('review.suggest.tip')"
        data-test="suggest"
        @click="suggestion.start()"
      />
      <ChoiceButtons
        v-if="!suggestion.drawing"
        v-model="below"
        class="below"
        :label="t('review.under')"
        :choices="choices"
      />
    </div>
    <LineList
      v-if="linesOf"
      :song="review.song!"
      :time="review.time!"
      :mix="review.mix!"
      :owner="linesOf"
      :span="review.span"
      @choose="(address) => ((review.address = address), (linesOf = null))"
      @close="linesOf = null"
      @zoom="review.zoom"
      @scroll="review.scroll"
    />
    <LaneView
      v-else
      :picked="picked"
      @span="(s) => (picked = s)"
      @take="(place, text, subject) => emit('remark', { lane: review.address, ...place }, text, subject)"
    />
    <template v-if="!suggestion.drawing">
      <HeardPane v-if="below === 'heard'" />
      <FiguresPanel v-else-if="below === 'figures'" />
      <TrackCards
        v-else
        :song="review.song!"
        :mix="review.mix!"
        :address="review.address"
        :peaks="player.trackPeaks"
        :is-open="(a) => review.assignment!.brief.open.includes(a)"
        @choose="(address) => (review.address = address)"
        @lines="(track) => (linesOf = track)"
      />
    </template>
  </main>
</template>

<style scoped>
.middle {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-width: 0;
  min-height: 0;
  padding: var(--space-2) var(--space-3);
  border-left: 1px solid var(--rule);
}

.row {
  display: flex;
  flex: none;
  gap: var(--space-2);
  align-items: center;
}

.below {
  flex: none;
  margin-left: auto;
}
</style>
