<script setup lang="ts">
/** What is heard of the task, below its line and on the same bars. */
import { GUTTER, LEFT } from '../../editor/lane/viewport'
import PictureCard from '../../desk/heard/PictureCard.vue'
import { usePlayer } from '../../engine/player-store'
import { t } from '../../words/t'
import { useReview } from './review-store'
import { useReviewPictures } from './review-pictures'

/** Its bars lie under those of the lane. */
const SIDES = { left: LEFT, right: GUTTER }

const review = useReview()
const player = usePlayer()
const pictures = useReviewPictures()
</script>

<template>
  <section class="sheet pane" :aria-label="t('heard.view')" tabindex="0" data-test="review-heard">
    <p v-if="pictures.problem" role="alert">{{ pictures.problem }}</p>
    <PictureCard
      v-for="({ picture, beside }, i) in pictures.shown"
      v-else
      :key="i"
      :picture="picture"
      :beside="beside"
      :song="review.song!"
      :mix="review.mix!"
      :position="() => player.position"
      :band="pictures.band"
      :within="pictures.task"
      :shown="review.span"
      :sides="SIDES"
      @go="player.seek"
    />
    <p v-if="!pictures.shown.length && !pictures.problem" class="soft none">
      {{ pictures.busy ? t('heard.busy') : t('review.heard.none') }}
    </p>
  </section>
</template>

<style scoped>
.pane {
  display: grid;
  flex: 1 1 0;
  gap: var(--space-3);
  align-content: start;
  min-height: 0;
  padding: var(--space-2) 0;
  overflow-y: auto;
  --picture-height: 168px;
}

/* one alone fills the pane */
.pane:has(> .picture-card:only-of-type) {
  align-content: stretch;
  --picture-height: 100%;
}

.pane :deep(.picture-card:only-of-type) {
  grid-template-rows: auto minmax(120px, 1fr);
  min-height: 0;
}

.pane :deep(:is(header, .legend)),
.none {
  padding-inline: var(--space-3);
}

@media (max-height: 700px) {
  .pane {
    --picture-height: 128px;
  }

  .pane :deep(header) {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    align-items: baseline;
  }

  .pane :deep(.first),
  .pane :deep(.more) {
    font-size: var(--text-1);
  }
}
</style>
