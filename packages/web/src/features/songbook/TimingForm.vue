<script setup lang="ts">
/** Tempo, time signature and the first downbeat: typed, tapped, or heard. */
import type { MeterChange } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import { useSong } from './song-store'
import { TapTempo } from './tap-tempo'
import TimeChanges from './TimeChanges.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const store = useSong()
const taps = new TapTempo()
const bpm = ref('')
const first = ref('')
const UNITS = [1, 2, 4, 8, 16, 32] as const

const song = computed(() => store.song!)
const meter = computed(() => store.meters[0]!)
watch(
  () => [song.value.tempo[0]!.bpm, store.downbeat] as const,
  ([tempo, downbeat]) => {
    bpm.value = String(tempo)
    first.value = downbeat.toFixed(2)
  },
  { immediate: true },
)

const later = computed(() => song.value.tempo.slice(1))

function setTempo(text: string): void {
  const value = Number(text.replace(',', '.'))
  if (!(value >= 5 && value <= 1000)) {
    store.problem = `“${text}” is no tempo: between 5 and 1,000 beats a minute.`
    return
  }
  store.setTiming({ tempo: [{ ...song.value.tempo[0]!, bpm: value }, ...later.value] })
}

function setDownbeat(text: string): void {
  const value = Number(text.replace(',', '.'))
  if (value >= 0 && value < 600) store.setTiming({ downbeat: value })
}

function tap(): void {
  const found = taps.tap(performance.now())
  if (found) setTempo(String(found))
}

const setMeter = (now: Partial<MeterChange>) => store.setMeter({ ...store.meters[0]!, ...now })
</script>

<template>
  <section class="sheet block form" aria-label="Time">
    <h2>Time</h2>
    <p v-if="!store.canRetime" class="soft">
      The regions of this song do not start together: its time stays as it is.
    </p>
    <template v-else>
      <div class="row">
        <label
          >Tempo <input v-model="bpm" size="6" inputmode="decimal" data-test="bpm" @change="setTempo(bpm)"
        /></label>
        <AppButton small data-test="tap" @click="tap">Tap it</AppButton>
        <AppButton small
         
          :disabled="store.listening !== ''"
          data-test="find-tempo"
          @click="store.findTempo()"
        >
          Listen for it
        </AppButton>
        <span class="bars"
          ><label
            >Bars of
            <input
              :value="meter.beats"
              type="number"
              min="1"
              max="64"
              aria-label="Beats in a bar"
              @change="
                setMeter({
                  beats: Math.max(1, Math.min(64, Number(($event.target as HTMLInputElement).value) || 4)),
                })
              "
          /></label>
          <select
            :value="meter.unit"
            aria-label="Unit of a beat"
            @change="
              setMeter({ unit: Number(($event.target as HTMLSelectElement).value) as MeterChange['unit'] })
            "
          >
            <option v-for="u in UNITS" :key="u" :value="u">1/{{ u }}</option>
          </select></span
        >
        <label
          >First downbeat, seconds in
          <input
            v-model="first"
            size="6"
            inputmode="decimal"
            data-test="downbeat"
            @change="setDownbeat(first)"
        /></label>
      </div>
      <p v-if="store.listening" role="status" class="soft">{{ store.listening }}</p>
      <p v-if="store.found" class="found" role="status" data-test="found-tempo">
        It sounds like <b>{{ store.found.bpm }}</b> beats a minute
        <span class="soft"
          >({{
            store.found.confidence > 0.6
              ? 'quite sure'
              : store.found.confidence > 0.25
                ? 'not quite sure'
                : 'a guess'
          }})</span
        >, with a bar that begins {{ store.found.downbeat.toFixed(2) }} s in.
        <AppButton small data-test="take-tempo" @click="store.takeFound()">Take it</AppButton>
        <AppButton small @click="store.found = null">No</AppButton>
      </p>
      <TimeChanges />
    </template>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 12px;
  padding: 16px 20px;
}

h2 {
  font-size: 18px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
  font-size: 15px;
}

.bars {
  white-space: nowrap;
}

.row input[type='number'] {
  width: 66px;
}

.found .chip {
  margin-left: 6px;
}
</style>
