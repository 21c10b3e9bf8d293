<script setup lang="ts">
/** A lane that is read and not written: dragging chooses bars, a click goes there. */
import { laneName } from '@rudlo/core/assess'
import type { Points } from '@rudlo/core/envelope'
import { envelopeOf, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import LaneShell from './LaneShell.vue'
import ReadSurface from './ReadSurface.vue'
import type { Span } from './viewport'

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
</script>

<template>
  <LaneShell
    :song="song"
    :time="time"
    :mix="mix"
    :address="address"
    :span="span"
    :marked="marked ?? null"
    :faint="under ? [under] : []"
    shaded
    :selected="-1"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
  >
    <template #default="{ view, look }">
      <ReadSurface
        v-bind="look"
        :view="view"
        :time="time"
        :name="laneName(props.song, props.mix, props.address)"
        :points="envelopeOf(props.mix, props.address)?.points.length ?? 0"
        @bars="(bars) => emit('bars', bars)"
      />
    </template>
  </LaneShell>
</template>
