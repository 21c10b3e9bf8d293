<script setup lang="ts">
/** Changes of tempo and time signature along a song, by the bars at which they begin. */
import type { MeterChange, TempoChange } from '@rudlo/core/time'
import { computed, ref } from 'vue'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'

type Way = 'tempo' | 'ramp' | 'meter'

const store = useSong()
const UNITS = [1, 2, 4, 8, 16, 32] as const

const song = computed(() => store.song!)
const barOf = (tick: number) => store.time!.meter.placeAt(tick).bar
const changes = computed(() =>
  [
    ...song.value.tempo.slice(1).map((t, i) => {
      const ramp = song.value.tempo[i]!.form === 'ramp'
      const drop = () => dropTempo(t.tick)
      return { bar: barOf(t.tick), text: `${t.bpm} beats a minute${ramp ? ', reached evenly' : ''}`, drop }
    }),
    ...store.meters.slice(1).map((m) => {
      const drop = () => store.dropMeter(m.bar)
      return { bar: m.bar, text: `bars of ${m.beats}/${m.unit}`, drop }
    }),
  ].sort((a, b) => a.bar - b.bar),
)

const bar = ref('')
const way = ref<Way>('tempo')
const bpm = ref('')
const beats = ref('3')
const unit = ref<MeterChange['unit']>(4)

function dropTempo(tick: number): void {
  const tempo = song.value.tempo.filter((t) => t.tick !== tick)
  store.setTiming({ tempo: tempo.map((t, i) => (i === tempo.length - 1 ? { ...t, form: 'hold' } : t)) })
}

/** With a ramp the tempo before leads there evenly. */
function addTempo(at: number, value: number): void {
  const tick = store.time!.meter.barStart(at)
  const before = song.value.tempo.filter((t) => t.tick < tick)
  const tempo: TempoChange[] = [
    ...before.slice(0, -1),
    { ...before.at(-1)!, form: way.value === 'ramp' ? 'ramp' : 'hold' },
    { tick, bpm: value, form: 'hold' },
    ...song.value.tempo.filter((t) => t.tick > tick),
  ]
  store.setTiming({ tempo })
}

function add(): void {
  const at = Number(bar.value)
  const last = barOf(song.value.length - 1)
  if (!Number.isInteger(at) || at < 2 || at > last) {
    store.problem = `Type a bar from 2 to ${last}.`
    return
  }
  if (way.value === 'meter') {
    const count = Number(beats.value)
    if (!Number.isInteger(count) || count < 1 || count > 64) {
      store.problem = 'A bar has 1 to 64 beats.'
      return
    }
    store.setMeter({ bar: at, beats: count, unit: unit.value })
  } else {
    const value = Number(bpm.value.replace(',', '.'))
    if (!(value >= 5 && value <= 1000)) {
      store.problem = `“${bpm.value}” is no tempo: between 5 and 1,000 beats a minute.`
      return
    }
    addTempo(at, value)
  }
  bar.value = bpm.value = ''
}
</script>

<template>
  <ul v-if="changes.length" data-test="time-changes">
    <li v-for="c in changes" :key="c.bar + c.text">
      From bar {{ c.bar }}: {{ c.text }}
      <AppButton small :aria-label="`Take out ${c.text} from bar ${c.bar}`" @click="c.drop">
        take out
      </AppButton>
    </li>
  </ul>
  <form class="row" @submit.prevent="add">
    <label>From bar <input v-model="bar" size="4" inputmode="numeric" data-test="change-bar" /></label>
    <select v-model="way" aria-label="What changes there" data-test="change-way">
      <option value="tempo">a new tempo, at once</option>
      <option value="ramp">a new tempo, reached evenly</option>
      <option value="meter">bars of</option>
    </select>
    <input
      v-if="way !== 'meter'"
      v-model="bpm"
      size="6"
      inputmode="decimal"
      aria-label="Beats a minute"
      data-test="change-bpm"
    />
    <template v-else>
      <input
        v-model="beats"
        size="3"
        inputmode="numeric"
        aria-label="Beats in a bar"
        data-test="change-beats"
      />
      <select v-model.number="unit" aria-label="Unit of a beat">
        <option v-for="u in UNITS" :key="u" :value="u">1/{{ u }}</option>
      </select>
    </template>
    <AppButton small data-test="change-add">Add</AppButton>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
  font-size: 15px;
}

ul {
  margin: 0;
  padding-left: 18px;
}
</style>
