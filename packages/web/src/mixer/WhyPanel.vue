<script setup lang="ts">
/** Why something is not heard, or why moving a control changes nothing: every cause, worst first, with a way to it. */
import { laneName, whyNotHeard, type Remedy } from '@rudlo/core/assess'
import { resolve } from '@rudlo/core/mix'
import { beatInWords } from '@rudlo/core/time'
import { computed } from 'vue'
import { usePlayer } from '../audio/player-store'
import { useBench } from '../bench/bench-store'
import { useWork } from '../work/work-store'

const bench = useBench()
const work = useWork()
const player = usePlayer()

const address = computed(() => bench.asked!)
const control = computed(() => resolve(work.mix!, address.value)!.control)
const name = computed(() => laneName(bench.song!, work.mix!, address.value))
const causes = computed(() =>
  whyNotHeard(
    bench.song!,
    work.mix!,
    // whether a lane is locked matters for lines, not for hearing a track
    { tick: player.position, moves: player.moves, solo: player.solo, isOpen: () => true },
    address.value,
  ),
)

const TEXTS: Readonly<Record<Remedy['kind'], string>> = {
  control: 'Show it',
  lane: 'Show its line',
  place: 'Go there',
  solo: 'Hear everything',
  moves: 'Moves on',
}

function go(remedy: Remedy): void {
  bench.asked = null
  if (remedy.kind === 'solo') player.setSolo({ tracks: [], returns: [] })
  else if (remedy.kind === 'moves') player.setMoves(true)
  else if (remedy.kind === 'place') player.seek(remedy.tick)
  else if (remedy.kind === 'lane') {
    bench.view = 'lines'
    bench.address = remedy.address
  } else {
    bench.view = 'balance'
    const [kind, id, word] = remedy.address.split('/')
    const label = word === 'mute' ? 'Mute' : 'Volume'
    // the row may have to appear first
    setTimeout(
      () => document.querySelector<HTMLElement>(`[data-test="row-${id}"] [aria-label^="${label}"]`)?.focus(),
      60,
    )
    if (kind === 'main') work.notice = 'The main volume has come down.'
  }
}
</script>

<template>
  <v-dialog aria-label="Why it is not heard" :model-value="true" @update:model-value="bench.asked = null">
    <div class="sheet why" data-test="why">
      <h2>{{ control.name }} of {{ name.split(',')[0] }}</h2>
      <p class="soft">at {{ beatInWords(bench.time!.meter, player.position) }}</p>
      <ol v-if="causes.length">
        <li v-for="cause in causes" :key="cause.sentence">
          <span>{{ cause.sentence }}</span>
          <button class="chip" @click="go(cause.remedy)">{{ TEXTS[cause.remedy.kind] }}</button>
        </li>
      </ol>
      <p v-else>
        Nothing is in its way here. It may be covered by something louder: listen to it alone with solo.
      </p>
      <v-btn class="end" color="primary" variant="flat" @click="bench.asked = null">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.why {
  display: grid;
  gap: 12px;
  padding: 24px;
}

ol {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}

.chip {
  flex: none;
}

.end {
  justify-self: end;
}
</style>
