<script setup lang="ts">
/** A version that was given back: comment, marks, remarks in order of place. A remark is shown and played. */
import { laneName } from '@rudlo/core/assess'
import { computed } from 'vue'
import { usePlayer } from '../audio/player-store'
import type { OwnVersion, RemarkView } from '../server/views'
import { barsOf } from '../transport/loop-text'
import { usePass } from '../pass/pass-store'
import { useBench } from './bench-store'

const props = defineProps<{ version: OwnVersion }>()

const bench = useBench()
const player = usePlayer()
const pass = usePass()
const review = computed(() => props.version.review!)
const rubric = computed(() => bench.assignment!.rubric)
const place = (r: RemarkView) =>
  `${laneName(bench.song!, props.version.document.mix, r.lane)}, ${barsOf(r, bench.time!.meter)}`

function repair(remark: RemarkView): void {
  bench.showRemark(remark)
  pass.repair(remark)
}

function hear(remark: RemarkView): void {
  bench.showRemark(remark)
  player.playLoop(remark)
}
</script>

<template>
  <div class="back">
    <p class="outcome">
      <v-icon :icon="version.outcome === 'accepted' ? '$met' : '$remark'" size="20" />
      {{ version.outcome === 'accepted' ? 'Accepted' : 'Please try another version' }}
    </p>
    <p v-if="review.comment" class="comment">{{ review.comment }}</p>
    <p v-if="review.reviewer" class="soft">{{ review.reviewer }}</p>
    <dl v-if="Object.keys(review.marks).length">
      <template v-for="c in rubric.criteria" :key="c.id">
        <dt>{{ c.name }}</dt>
        <dd>{{ review.marks[c.id] === undefined ? '–' : rubric.levels[review.marks[c.id]!] }}</dd>
      </template>
    </dl>
    <ol v-if="review.remarks.length">
      <li v-for="(remark, i) in review.remarks" :key="remark.id">
        <button
          class="remark"
          :class="{ on: bench.pinned === remark.id }"
          data-test="remark"
          @click="bench.showRemark(remark)"
        >
          <span class="pin">{{ i + 1 }}</span>
          <span
            ><b>{{ place(remark) }}</b
            ><br />{{ remark.text }}</span
          >
        </button>
        <button class="chip" :disabled="!player.ready" @click="hear(remark)">
          <v-icon icon="$play" size="16" />Listen there
        </button>
        <button
          class="chip"
          :disabled="!player.ready"
          title="Plays from two bars before; what you hold is written"
          data-test="repair"
          @click="repair(remark)"
        >
          <v-icon icon="$pen" size="16" />Repair by hand
        </button>
      </li>
    </ol>
    <p v-else class="soft">No remarks at single places this time.</p>
    <p v-if="version.outcome === 'again'" class="soft">
      Change the lines, then hand in version {{ version.number + 1 }}.
    </p>
  </div>
</template>

<style scoped>
.back {
  display: grid;
  gap: 12px;
}

.outcome {
  display: flex;
  gap: 8px;
  align-items: center;
  font-weight: 640;
}

.comment {
  font-size: 16px;
}

dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 12px;
  margin: 0;
  padding: 10px 0;
  border-block: 1px solid var(--rule);
}

dd {
  margin: 0;
  font-weight: 620;
}

ol {
  display: grid;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.remark {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px;
  padding: 8px;
  border: 1px solid transparent;
  border-radius: 10px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.remark.on,
.remark:hover {
  border-color: var(--rule);
  background: var(--wash);
}

.pin {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: 7px;
  background: var(--warm);
  color: var(--sheet);
  font-weight: 700;
}

.chip {
  margin-left: 44px;
}
</style>
