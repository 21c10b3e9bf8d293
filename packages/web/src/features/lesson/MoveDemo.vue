<script setup lang="ts">
/** A move shown to the class on a song that they know: seen, heard with and without it. Nobody's work is touched. */
import { laneName } from '@rudlo/core/assess'
import { movePlace, type ReadyMove } from '@rudlo/core/envelope'
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
import { lanesToShow, movesOf, withMove } from './move-demo'
import { soundingBars } from './sounding-bars'
import AppButton from '../../ui/buttons/AppButton.vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: AssignmentView; projector: boolean }>()
const emit = defineEmits<{ projector: [on: boolean]; close: [] }>()

const HEARD = [
  { value: true, text: t('demo.with') },
  { value: false, text: t('demo.without'), test: 'demo-without' },
]
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
  return withMove(start.value, lane.value, movePlace(time.value, place.value), move.value)
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
      <h1>{{ t(`ready.${move}`) }}</h1>
      <p class="words">{{ t(`demo.about.${move}`) }}</p>
      <AppButton
        small
        :aria-pressed="projector"
        data-test="demo-projector"
        @click="emit('projector', !projector)"
      >
        {{ projector ? t('lesson.full.exit') : t('lesson.full') }}
      </AppButton>
      <AppButton v-if="!projector" small @click="emit('close')">{{ t('demo.done') }}</AppButton>
    </header>
    <div class="row">
      <SelectField
        v-if="!projector"
        v-model="lane"
        class="lane"
        bare
        :label="t('demo.on')"
        :choices="lanes.map((l) => ({ value: l.address, text: l.name }))"
        data-test="demo-lane"
      />
      <b v-else>{{ lanes.find((l) => l.address === lane)?.name }}</b>
      <ChoiceButtons
        v-model="move"
        :label="t('demo.moves')"
        :choices="moves.map((m) => ({ value: m, text: t(`ready.${m}`), test: 'demo-move' }))"
      />
      <ChoiceButtons v-model="made" :label="t('demo.heard')" :choices="HEARD" />
      <AppButton small icon="play" :tip="t('demo.hear.tip')" data-test="demo-hear" @click="hear">{{
        t('demo.hear')
      }}</AppButton>
    </div>
    <PlayedStrip :song="song" :time="time" :shown="shown" />
    <p v-if="!projector" class="soft small">
      {{ t('demo.drag') }}
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
  font-size: var(--text-5);
}

.words {
  flex: 1;
  font-size: var(--text-3);
}

.lane {
  flex: 0 0 220px;
}

.small {
  font-size: var(--text-1);
}

.canvas {
  flex: 1;
  min-height: 160px;
}
</style>
