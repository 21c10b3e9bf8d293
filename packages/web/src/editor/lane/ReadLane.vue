<script setup lang="ts">
/** A lane that is read and not written: dragging chooses bars, a click goes there. */
import type { Points } from '@rudlo/core/envelope'
import type { Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { shallowRef } from 'vue'
import { usePlayer } from '../../engine/player-store'
import LaneCanvas from './LaneCanvas.vue'
import SpanPicker from './SpanPicker.vue'
import { useOverviews } from './use-overviews'
import type { Span, Viewport } from './viewport'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  mix: Mix
  address: string
  /** The stretch in view. */
  span: Span
  /** Bars that are meant. */
  marked?: Span | null
  /** Another line, dotted underneath; what lies between is shaded. */
  under?: Points | null
}>()
const emit = defineEmits<{
  /** Bars were chosen. */
  bars: [bars: Span]
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()

const player = usePlayer()
const overviews = useOverviews(() => props.song)
const view = shallowRef<Viewport | null>(null)
</script>

<template>
  <LaneCanvas
    :song="song"
    :time="time"
    :mix="mix"
    :address="address"
    :span="span"
    :marked="marked ?? null"
    :faint="under ? [under] : []"
    shaded
    :overviews="overviews"
    :position="() => player.position"
    :selected="-1"
    @size="(v: Viewport) => (view = v)"
  >
    <SpanPicker
      v-if="view"
      :view="view"
      :time="time"
      @span="(bars) => emit('bars', bars)"
      @go="player.seek"
      @zoom="(tick, factor) => emit('zoom', tick, factor)"
      @scroll="(ticks) => emit('scroll', ticks)"
    />
  </LaneCanvas>
</template>
