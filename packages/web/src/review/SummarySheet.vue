<script setup lang="ts">
/** A hand-in in words: who, when, what changed since the version before, what was measured. */
import { describeChanges, describeMeasurement } from '@rudlo/core/assess'
import type { SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import type { ReviewedHandIn } from '../server/views'
import { whenText } from '../shell/dates'

const props = defineProps<{ song: SongVersion; handIn: ReviewedHandIn }>()

const sentences = computed(() => {
  const { measurement, document } = props.handIn
  return measurement && describeMeasurement(props.song, document.mix, measurement)
})
const changes = computed(() => {
  const { before, measurement, document } = props.handIn
  if (!before?.measurement || !measurement) return ''
  return describeChanges(
    props.song,
    { mix: before.document.mix, measured: before.measurement },
    { mix: document.mix, measured: measurement },
  )
})
</script>

<template>
  <section class="sheet summary" aria-label="Summary">
    <h1>
      Version {{ handIn.number }}, by {{ handIn.student }}
      <span class="soft">handed in {{ whenText(handIn.handedInAt) }}</span>
    </h1>
    <p v-if="changes" class="changes" data-test="changes">
      <b>Since version {{ handIn.before!.number }}:</b> {{ changes }}
    </p>
    <ul v-if="sentences" data-test="measured">
      <li v-for="s in sentences" :key="s">{{ s }}</li>
    </ul>
    <p v-else class="soft" role="status">It is still being measured …</p>
  </section>
</template>

<style scoped>
.summary {
  display: grid;
  flex: none;
  gap: 5px;
  max-height: 204px;
  padding: 10px 16px;
  overflow-y: auto;
}

h1 {
  font-size: 18px;
}

h1 .soft {
  margin-left: 6px;
  font-size: 14px;
  font-weight: 400;
  letter-spacing: 0;
}

ul {
  columns: 2;
  column-gap: 28px;
  margin: 0;
  padding-left: 18px;
  font-size: 15px;
}

li {
  break-inside: avoid;
  padding-bottom: 3px;
}

@media (max-height: 700px) {
  .summary {
    max-height: 132px;
    padding-block: 8px;
  }

  ul {
    font-size: 14px;
  }
}
</style>
