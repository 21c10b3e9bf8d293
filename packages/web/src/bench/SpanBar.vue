<script setup lang="ts">
/** What can be done with the selected bars of a lane, each as one step. */
import {
  begun,
  clearSpan,
  copySpan,
  EditRefused,
  makeMove,
  pasteAt,
  READY_MOVES,
  scaleSpan,
  shiftSpan,
  suits,
  switchSpan,
  type Points,
  type ReadyMove,
} from '@rudlo/core/envelope'
import { resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../audio/player-store'
import { useWork } from '../work/work-store'
import { useBench } from './bench-store'

const props = defineProps<{ address: string; name: string }>()

const bench = useBench()
const work = useWork()
const player = usePlayer()

const found = computed(() => resolve(work.mix!, props.address)!)
const control = computed(() => found.value.control)
const scale = computed(() => control.value.scale)
const span = computed(() => bench.selection!)
const points = computed(() =>
  begun(work.envelope(props.address)?.points ?? [], scale.value, found.value.setting),
)
const moves = computed(() => READY_MOVES.filter((m) => suits(m, scale.value, control.value.family)))
const level = computed(() => scale.value.kind === 'level')
const isSwitch = computed(() => scale.value.kind === 'switch')
const meter = computed(() => bench.time!.meter)
const beat = computed(() => meter.value.lengthsAt(span.value.from).beat)
const where = computed(() => {
  const from = meter.value.placeAt(span.value.from).bar
  const to = meter.value.placeAt(Math.max(span.value.from, span.value.to - 1)).bar
  return from === to ? `Bar ${from}` : `Bars ${from} to ${to}`
})

/** Sets the line as one step; a refusal is said, and nothing changes. */
function set(what: string, make: () => Points, from = span.value.from, to = span.value.to): void {
  try {
    const label = `${what}, ${control.value.name.toLowerCase()} of ${props.name}, ${where.value.toLowerCase()}`
    work.setPoints(props.address, make(), { label, lanes: [props.address], from, to })
  } catch (error) {
    if (!(error instanceof EditRefused)) throw error
    work.notice = error.message
  }
}

const slope = computed(() => Math.min(beat.value / 4, (span.value.to - span.value.from) / 4))
const shift = (by: number) =>
  set(by > 0 ? 'Raised' : 'Lowered', () =>
    shiftSpan(points.value, scale.value, span.value, level.value ? by : by * 0.05, slope.value),
  )
const stretch = (factor: number) =>
  set(factor > 1 ? 'Made moves larger' : 'Made moves smaller', () =>
    scaleSpan(points.value, scale.value, span.value, factor, slope.value),
  )
const move = (kind: ReadyMove) =>
  set(kind[0]!.toUpperCase() + kind.slice(1), () =>
    makeMove(points.value, scale.value, span.value, kind, beat.value),
  )
const clear = () => set('Cleared', () => clearSpan(points.value, scale.value, span.value))
const turn = (on: boolean) =>
  set(`Set to ${control.value.unit.format(Number(on))}`, () =>
    switchSpan(points.value, scale.value, span.value, on),
  )

function copy(): void {
  bench.copied = {
    points: copySpan(points.value, scale.value, span.value),
    length: span.value.to - span.value.from,
    control: control.value,
  }
  work.notice = `${where.value} copied. Paste puts them at the play position, here or on another lane of this kind.`
}

function paste(): void {
  const { copied } = bench
  if (!copied) return
  const there = copied.control.scale
  if (there.kind !== scale.value.kind || there.min !== scale.value.min || there.max !== scale.value.max) {
    work.notice = `What you copied is ${copied.control.name.toLowerCase()}: it means nothing for ${control.value.name.toLowerCase()}.`
    return
  }
  const at = Math.round(player.position)
  set(
    'Pasted',
    () => pasteAt(points.value, scale.value, copied.points, copied.length, at),
    at,
    at + copied.length,
  )
}
</script>

<template>
  <div class="bar" role="toolbar" :aria-label="`What to do with ${where.toLowerCase()}`" data-test="span-bar">
    <b>{{ where }}</b>
    <template v-if="isSwitch">
      <button class="chip" @click="turn(true)">{{ control.unit.format(1) }} here</button>
      <button class="chip" @click="turn(false)">{{ control.unit.format(0) }} here</button>
    </template>
    <template v-else>
      <button class="chip" data-test="raise" aria-label="Raise these bars" @click="shift(1)">
        + {{ level ? '1 dB' : '' }}
      </button>
      <button class="chip" data-test="lower" aria-label="Lower these bars" @click="shift(-1)">
        − {{ level ? '1 dB' : '' }}
      </button>
      <button v-for="m in moves" :key="m" class="chip" :data-test="`move-${m}`" @click="move(m)">
        {{ m }}
      </button>
      <button class="chip" title="Moves half as large again" @click="stretch(1.5)">larger</button>
      <button class="chip" title="Moves a third smaller" @click="stretch(1 / 1.5)">smaller</button>
    </template>
    <button class="chip" data-test="clear-span" @click="clear">clear</button>
    <button class="chip" data-test="copy" @click="copy">copy</button>
    <button class="chip" data-test="paste" :disabled="!bench.copied" @click="paste">
      paste at play position
    </button>
    <button class="chip" data-test="loop-span" @click="player.playLoop(span)">listen</button>
    <button class="chip" aria-label="Select nothing" @click="bench.selection = null">
      <v-icon icon="$close" size="16" />
    </button>
  </div>
</template>

<style scoped>
.bar {
  position: absolute;
  z-index: 4;
  top: 22px;
  right: 68px;
  left: 18px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  padding: 6px 10px;
  border: 1px solid var(--rule);
  border-radius: var(--radius);
  background: var(--sheet);
}

b {
  margin-right: 6px;
  font-size: 14px;
}

.chip {
  padding-inline: 10px;
}
</style>
