<script setup lang="ts">
/** The hand-in itself: what was measured, the song with remarks, the line or the figures, and the tracks. */
import type { CheckPlace } from '@rudlo/core/evidence'
import { resolve } from '@rudlo/core/mix'
import { computed, ref, watch } from 'vue'
import TrackCards from '../../desk/tracks/TrackCards.vue'
import type { Span } from '../../editor/lane/viewport'
import LineList from '../../editor/lane/LineList.vue'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import { usePlayer } from '../../engine/player-store'
import FiguresPanel from './FiguresPanel.vue'
import LaneTabs from './LaneTabs.vue'
import LaneView from './LaneView.vue'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'
import SummarySheet from './SummarySheet.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import { t } from '../../words/t'

const emit = defineEmits<{
  /** A remark is begun with a sentence at a place. */
  remark: [place: CheckPlace, sentence: string, subject?: string]
}>()
/** The bars that a remark is for. */
const picked = defineModel<Span | null>('picked', { required: true })
/** Whether the figures are shown in place of the line. */
const figures = defineModel<boolean>('figures', { required: true })

const review = useReview()
const suggestion = useSuggestion()
const player = usePlayer()

/** The track whose lines lie one under the other in place of the lane; the one of the lane that is looked at. */
const linesOf = ref<string | null>(null)
const owner = computed(() => resolve(review.mix!, review.address)?.owner ?? null)
watch([() => review.address, () => review.handIn?.id], () => (linesOf.value = null))

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
    <SummarySheet
      :song="review.song!"
      :hand-in="review.handIn!"
      :tasks="review.assignment!.brief.tasks"
      :overrules="review.overrules"
      @overrule="review.overrule"
      @show="review.showPlace"
      @take="(place, sentence, subject) => emit('remark', place, sentence, subject)"
      @measure="review.measureAgain()"
    />
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
      <AppButton
        v-if="!figures && !suggestion.drawing"
        small
        class="quiet"
        :tip="t('review.suggest.tip')"
        data-test="suggest"
        @click="suggestion.start()"
      >
        <v-icon icon="$write" size="16" />{{ t('review.suggest') }}
      </AppButton>
      <IconButton
        v-if="!figures && owner && !suggestion.drawing"
        icon="notes"
        :label="t('review.lines')"
        :tip="t('review.lines.tip')"
        :aria-pressed="linesOf !== null"
        data-test="review-lines"
        @click="linesOf = linesOf ? null : owner"
      />
      <AppButton
        small
        class="quiet"
        :aria-pressed="figures"
        :tip="t('review.figures.tip')"
        data-test="show-figures"
        @click="figures = !figures"
      >
        {{ t('figures.title') }}
      </AppButton>
    </div>
    <FiguresPanel v-if="figures" />
    <template v-else>
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
      <TrackCards
        class="cards"
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
  gap: 8px;
  min-width: 0;
  min-height: 0;
  padding: 10px 12px;
  border-left: 1px solid var(--rule);
}

.row {
  display: flex;
  flex: none;
  gap: 8px;
  align-items: start;
  justify-content: space-between;
}

.quiet {
  flex: none;
}

@media (max-height: 700px) {
  .cards {
    display: none;
  }
}
</style>
