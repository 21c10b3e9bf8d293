<script setup lang="ts">
/** A move shown to the class on a song that they know: seen, heard with and without it. Nobody's work is touched. */
import { laneName } from '@rudlo/core/assess'
import type { ReadyMove } from '@rudlo/core/envelope'
import { resolve } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import ReadLane from '../../editor/lane/ReadLane.vue'
import { useOverviews } from '../../editor/lane/use-overviews'
import { useSpan } from '../../editor/lane/use-span'
import type { Span } from '../../editor/lane/viewport'
import type { AssignmentView } from '@rudlo/contract/assignments'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import { lanesToShow, MOVE_WORDS, movesOf, withMove } from './move-demo'
import { soundingBars } from './sounding-bars'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ assignment: AssignmentView; projector: boolean }>()
const emit = defineEmits<{ projector: [on: boolean]; close: [] }>()

const BARS_BEFORE = 2
const BARS = 4

const player = usePlayer()
const song = computed(() => props.assignment.songDocument)
const start = computed(() => props.assignment.startingMix)
const time = computed(() => songTime(song.value))
const overviews = useOverviews(() => song.value)
const { span: shown, zoom, scroll, showAll } = useSpan(() => time.value)
showAll()

const lanes = computed(() =>
  lanesToShow(start.value).map((address) => ({ address, name: laneName(song.value, start.value, address) })),
)
const lane = ref(lanes.value[0]!.address)
const moves = computed(() => movesOf(start.value, lane.value))
const move = ref<ReadyMove>(moves.value[0]!)
/** The bars that were dragged; until then, the first in which the track sounds. */
const dragged = shallowRef<Span | null>(null)
const usual = computed<Span>(() => {
  const { meter, length } = time.value
  const owner = resolve(start.value, lane.value)?.owner ?? ''
  return (
    soundingBars(song.value, owner, overviews.value, BARS) ?? {
      from: meter.barStart(1),
      to: Math.min(length, meter.barStart(BARS + 1)),
    }
  )
})
const place = computed(() => dragged.value ?? usual.value)
const made = ref(true)

watch(moves, (now) => {
  if (!now.includes(move.value)) move.value = now[0]!
})
const mix = computed(() => {
  if (!made.value) return start.value
  const { beat } = time.value.meter.lengthsAt(place.value.from)
  return withMove(start.value, lane.value, place.value, move.value, beat)
})

watch(
  mix,
  (now, before) => {
    if (before) player.load(now)
    else void player.open(song.value, now)
  },
  { immediate: true },
)
onBeforeUnmount(() => void player.close())

function hear(): void {
  const { bar } = time.value.meter.placeAt(place.value.from)
  player.seek(time.value.meter.barStart(Math.max(1, bar - BARS_BEFORE)))
  void player.play()
}
</script>

<template>
  <div class="demo" data-test="move-demo">
    <header>
      <h1>{{ move[0]!.toUpperCase() + move.slice(1) }}</h1>
      <p class="words">{{ MOVE_WORDS[move] }}</p>
      <AppButton small
       
        :aria-pressed="projector"
        data-test="demo-projector"
        @click="emit('projector', !projector)"
      >
        {{ projector ? 'Back from the projector' : 'Over the whole screen' }}
      </AppButton>
      <AppButton small v-if="!projector" @click="emit('close')">Done</AppButton>
    </header>
    <div class="row">
      <label v-if="!projector" class="form"
        >On
        <select v-model="lane" data-test="demo-lane">
          <option v-for="l in lanes" :key="l.address" :value="l.address">{{ l.name }}</option>
        </select></label
      >
      <b v-else>{{ lanes.find((l) => l.address === lane)?.name }}</b>
      <span class="moves" role="group" aria-label="Moves">
        <AppButton small
          v-for="m in moves"
          :key="m"
         
          :aria-pressed="m === move"
          data-test="demo-move"
          @click="move = m"
        >
          {{ m }}
        </AppButton>
      </span>
      <span class="moves" role="group" aria-label="What is heard">
        <AppButton small :aria-pressed="made" @click="made = true">With it</AppButton>
        <AppButton small :aria-pressed="!made" data-test="demo-without" @click="made = false">
          Without it
        </AppButton>
      </span>
      <AppButton small tip="From two bars before" data-test="demo-hear" @click="hear">
        <v-icon icon="$play" size="16" />Hear it
      </AppButton>
    </div>
    <PlayedStrip :song="song" :time="time" :shown="shown" />
    <p v-if="!projector" class="soft small">
      Drag over the bars in which it should happen. Nobody’s work is changed.
    </p>
    <ReadLane
      class="sheet canvas"
      :song="song"
      :time="time"
      :mix="mix"
      :address="lane"
      :span="shown"
      :marked="place"
      @bars="(bars) => (dragged = bars)"
      @zoom="zoom"
      @scroll="scroll"
    />
    <TransportBar :time="time" />
  </div>
</template>

<style scoped>
.demo {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  padding-top: 12px;
}

.demo > :not(.transport) {
  margin-inline: 14px;
}

header,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}

h1 {
  font-size: 22px;
}

.words {
  flex: 1;
  font-size: 17px;
}

.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

select {
  max-width: 200px;
}

.small {
  font-size: 14px;
}

.canvas {
  flex: 1;
  min-height: 160px;
}
</style>
