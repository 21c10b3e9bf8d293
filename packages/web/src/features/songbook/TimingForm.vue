<script setup lang="ts">
/** Tempo, time signature and where bar 1 starts: typed, tapped, or heard. */
import type { FoundMeter } from '@rudlo/core/analysis'
import type { MeterChange } from '@rudlo/core/time'
import { computed } from 'vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import FileButton from '../../ui/fields/FileButton.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'
import { METER_UNITS } from './meter-units'
import { useSong } from './song-store'
import { TapTempo } from './tap-tempo'
import TimeChanges from './TimeChanges.vue'

const store = useSong()
const taps = new TapTempo()

const song = computed(() => store.song!)
const meter = computed(() => store.meters[0]!)
const later = computed(() => song.value.tempo.slice(1))

function setTempo(bpm: number | null): void {
  if (bpm !== null && bpm >= 5 && bpm <= 1000)
    store.setTiming({ tempo: [{ ...song.value.tempo[0]!, bpm }, ...later.value] })
  else store.problem = t('song.tempo.odd', { text: String(bpm ?? '') })
}

function tap(): void {
  const found = taps.tap(performance.now())
  if (found) setTempo(found)
}

const setMeter = (now: Partial<MeterChange>) => store.setMeter({ ...store.meters[0]!, ...now })
const signature = ({ beats, unit }: FoundMeter) => `${beats}/${unit}`
const sure = computed(() => {
  const confidence = store.found?.confidence ?? 0
  return t(
    confidence > 0.6 ? 'song.found.sure' : confidence > 0.25 ? 'song.found.unsure' : 'song.found.guess',
  )
})
</script>

<template>
  <PageSection :title="t('song.time')" :about="store.canRetime ? undefined : t('song.time.fixed')">
    <template v-if="store.canRetime">
      <div class="row">
        <NumberField
          class="tempo"
          :label="t('song.tempo')"
          :unit="t('song.tempo.unit')"
          step="any"
          :model-value="song.tempo[0]!.bpm"
          data-test="bpm"
          @update:model-value="setTempo"
          @keydown.stop
        />
        <AppButton small data-test="tap" @click="tap">{{ t('song.tempo.tap') }}</AppButton>
        <AppButton
          small
          :disabled="store.listening !== ''"
          data-test="find-tempo"
          @click="store.findTempo()"
          >{{ t('song.tempo.find') }}</AppButton
        >
      </div>
      <FileButton
        small
        :text="t('song.time.file')"
        accept=".mid,.midi,.musicxml,.mxl,.xml"
        test="time-of-file"
        @files="([file]) => file && store.takeTime(file)"
      />
      <p v-if="store.listening" role="status" class="soft">{{ store.listening }}</p>
      <p v-if="store.found" class="row" role="status" data-test="found-tempo">
        {{
          t('song.found', {
            bpm: store.found.bpm,
            meter: signature(store.found.meter),
            sure,
            seconds: store.found.downbeat.toFixed(2),
          })
        }}
        {{ store.found.meter.swing > 0.5 ? t('song.found.swing') : '' }}
        <AppButton small tone="main" data-test="take-tempo" @click="store.takeFound()">{{
          t('song.found.use')
        }}</AppButton>
        <AppButton
          v-for="other in store.found.also"
          :key="`${other.bpm} ${signature(other.meter)}`"
          small
          data-test="take-other"
          @click="store.takeFound(other)"
          >{{ t('song.found.other', { bpm: other.bpm, meter: signature(other.meter) }) }}</AppButton
        >
        <AppButton small tone="quiet" @click="store.found = null">{{ t('song.found.no') }}</AppButton>
      </p>
      <div class="row">
        <NumberField
          class="beats"
          :label="t('song.meter.beats')"
          :min="1"
          :max="64"
          :model-value="meter.beats"
          @update:model-value="(beats) => setMeter({ beats: Math.round(beats ?? 4) })"
          @keydown.stop
        />
        <SelectField
          class="unit"
          :label="t('song.meter.unit')"
          :choices="METER_UNITS"
          :model-value="meter.unit"
          @update:model-value="(unit: MeterChange['unit']) => setMeter({ unit })"
          @keydown.stop
        />
        <NumberField
          class="downbeat"
          :label="t('song.downbeat')"
          :unit="t('song.downbeat.unit')"
          :min="0"
          :max="600"
          step="any"
          :model-value="Math.round(store.downbeat * 1000) / 1000"
          data-test="downbeat"
          @update:model-value="(downbeat) => store.setTiming({ downbeat: downbeat ?? 0 })"
          @keydown.stop
        />
      </div>
      <TimeChanges />
    </template>
  </PageSection>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.tempo,
.beats,
.unit,
.downbeat {
  flex: 0 0 132px;
}
</style>
