<script setup lang="ts">
/** Changes of tempo and time signature along a song, by the bars at which they begin. */
import { tempoRuns, type MeterChange, type TempoChange } from '@rudlo/core/time'
import { computed, ref } from 'vue'
import { METER_UNITS } from './meter-units'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

type Way = 'tempo' | 'ramp' | 'meter'

const store = useSong()
const WAYS = (['tempo', 'ramp', 'meter'] as const).map((value) => ({
  value,
  text: t(`song.change.${value}`),
}))

const song = computed(() => store.song!)
const barOf = (tick: number) => store.time!.meter.placeAt(tick).bar
/** Steps that lie no further apart belong to one gradual change. */
const apart = computed(() => store.time!.meter.lengthsAt(0).bar)
const changes = computed(() =>
  [
    ...tempoRuns(song.value.tempo, apart.value).map(({ changes, from, to, gradual }) => {
      const ticks = changes.map((c) => c.tick)
      const [first, last] = [barOf(ticks[0]!), barOf(ticks.at(-1)!)]
      const begin = gradual && ticks.length === 1 ? barOf(tickBefore(ticks[0]!)) : first
      const text = gradual
        ? t('song.change.is.gradual', { bar: begin, end: last, from, to })
        : t('song.change.is.tempo', { bar: first, to })
      return { bar: begin, text, drop: () => dropTempo(ticks) }
    }),
    ...store.meters.slice(1).map((m) => ({
      bar: m.bar,
      text: t('song.change.is.meter', { bar: m.bar, beats: m.beats, unit: m.unit }),
      drop: () => store.dropMeter(m.bar),
    })),
  ].sort((x, y) => x.bar - y.bar),
)
/** Where the tempo was set from which a ramp leads to a place. */
const tickBefore = (tick: number) => song.value.tempo.findLast((c) => c.tick < tick)?.tick ?? 0

const bar = ref('')
const way = ref<Way>('tempo')
const bpm = ref('')
const beats = ref('3')
const unit = ref<MeterChange['unit']>(4)

function dropTempo(ticks: readonly number[]): void {
  const tempo = song.value.tempo.filter((c) => !ticks.includes(c.tick))
  store.setTiming({ tempo: tempo.map((c, i) => (i === tempo.length - 1 ? { ...c, form: 'hold' } : c)) })
}

/** With a ramp the tempo before leads there evenly. */
function addTempo(at: number, value: number): void {
  const tick = store.time!.meter.barStart(at)
  const before = song.value.tempo.filter((c) => c.tick < tick)
  const tempo: TempoChange[] = [
    ...before.slice(0, -1),
    { ...before.at(-1)!, form: way.value === 'ramp' ? 'ramp' : 'hold' },
    { tick, bpm: value, form: 'hold' },
    ...song.value.tempo.filter((c) => c.tick > tick),
  ]
  store.setTiming({ tempo })
}

function add(): void {
  const at = Number(bar.value)
  const last = barOf(song.value.length - 1)
  if (!Number.isInteger(at) || at < 2 || at > last) {
    store.problem = t('song.change.odd-bar', { last })
    return
  }
  if (way.value === 'meter') {
    const count = Number(beats.value)
    if (!Number.isInteger(count) || count < 1 || count > 64) {
      store.problem = t('song.change.odd-beats')
      return
    }
    store.setMeter({ bar: at, beats: count, unit: unit.value })
  } else {
    const value = Number(bpm.value.replace(',', '.'))
    if (!(value >= 5 && value <= 1000)) {
      store.problem = t('song.tempo.odd', { text: bpm.value })
      return
    }
    addTempo(at, value)
  }
  bar.value = bpm.value = ''
}
</script>

<template>
  <ul v-if="changes.length" class="plain-list" data-test="time-changes">
    <li v-for="c in changes" :key="c.bar + c.text">
      {{ c.text }}
      <IconButton icon="remove" :label="t('song.change.remove', { what: c.text })" @click="c.drop" />
    </li>
  </ul>
  <form class="row" @submit.prevent="add">
    <TextField
      v-model="bar"
      class="number"
      compact
      :label="t('song.change.bar')"
      inputmode="numeric"
      data-test="change-bar"
      @keydown.stop
    />
    <SelectField
      v-model="way"
      class="way"
      :label="t('song.change.what')"
      :choices="WAYS"
      data-test="change-way"
      @keydown.stop
    />
    <TextField
      v-if="way !== 'meter'"
      v-model="bpm"
      class="number"
      compact
      :label="t('song.tempo.unit')"
      :aria-label="t('song.change.bpm')"
      inputmode="decimal"
      data-test="change-bpm"
      @keydown.stop
    />
    <template v-else>
      <TextField
        v-model="beats"
        class="number"
        compact
        :label="t('song.meter.beats')"
        inputmode="numeric"
        data-test="change-beats"
        @keydown.stop
      />
      <SelectField
        v-model="unit"
        class="number"
        :label="t('song.meter.unit')"
        :choices="METER_UNITS"
        @keydown.stop
      />
    </template>
    <AppButton small type="submit" data-test="change-add">{{ t('song.change.add') }}</AppButton>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}

.number {
  flex: 0 0 104px;
}

.way {
  flex: 0 0 196px;
}

li {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
</style>
