<script setup lang="ts">
/** A card a track: its name, its line in small, how strong it is now. Choosing one brings its lane to the desk. */
import { envelopeOf, lanesOf, resolve, trackLevel, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { SILENT, type HeldPeak } from '../audio/peak-hold'
import ControlField from '../mixer/ControlField.vue'
import ControlSlider from '../mixer/ControlSlider.vue'
import SoloButton from '../mixer/SoloButton.vue'
import SwitchButton from '../mixer/SwitchButton.vue'
import { ROLE_ICONS } from '../theme/role-names'
import { lineInSmall, settingInSmall } from './line-in-small'

const props = defineProps<{
  song: SongVersion
  mix: Mix
  address: string
  /** In the order of the tracks. */
  peaks: readonly HeldPeak[]
  isOpen: (address: string) => boolean
  /** Whether faders and switches are there to be moved. */
  mixer?: boolean
}>()
const emit = defineEmits<{ choose: [address: string] }>()

const { scale, unit } = MIXER_CONTROLS.level
const WIDTH = 100
const HEIGHT = 30
const points = (id: string) => envelopeOf(props.mix, trackLevel(id))?.points ?? []
/** Every line of a track in small, the volume last so that it lies on top. */
const linesOf = (id: string) =>
  lanesOf(props.mix, id)
    .reverse()
    .flatMap((address) => {
      const line = envelopeOf(props.mix, address)
      const control = resolve(props.mix, address)?.control
      if (!line?.points.length || !control) return []
      const path = lineInSmall(line.points, control.scale, props.song.length, WIDTH, HEIGHT)
      return [{ address, family: control.family, path }]
    })
const setting = (id: string) => props.mix.tracks.find((t) => t.id === id)!.level
const figure = (id: string) => (points(id).length ? `${points(id).length} points` : unit.format(setting(id)))
/** Share of the meter that is filled: −60 dBFS to full scale. */
const filled = (i: number) => `${Math.min(100, Math.max(0, ((props.peaks[i] ?? SILENT).now + 60) / 0.6))}%`
</script>

<template>
  <div class="cards" role="group" aria-label="Tracks">
    <div
      v-for="(track, i) in song.tracks"
      :key="track.id"
      class="sheet card"
      :class="{ on: address === trackLevel(track.id) }"
    >
      <button
        class="choose"
        :aria-pressed="address === trackLevel(track.id)"
        :data-test="`card-${track.id}`"
        @click="emit('choose', trackLevel(track.id))"
      >
        <span class="name">
          <v-icon :icon="ROLE_ICONS[track.role]" size="15" :title="track.role" class="role" />
          <span class="text">{{ track.name }}</span>
          <v-icon
            v-if="mixer && !isOpen(trackLevel(track.id))"
            icon="$locked"
            size="14"
            title="Locked in this assignment"
          />
        </span>
        <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
          <path v-for="l in linesOf(track.id)" :key="l.address" :class="l.family" :d="l.path" />
          <path
            v-if="!points(track.id).length"
            class="setting"
            :d="settingInSmall(scale.toTravel(setting(track.id)), WIDTH, HEIGHT)"
          />
        </svg>
        <template v-if="!mixer">
          <span class="meter" aria-hidden="true"><span :style="{ width: filled(i) }" /></span>
          <span class="figure">{{ figure(track.id) }}</span>
        </template>
      </button>
      <template v-if="mixer">
        <ControlSlider :address="trackLevel(track.id)" :label="`Volume of ${track.name}`" :peak="peaks[i]" />
        <div class="switches">
          <ControlField :address="trackLevel(track.id)" :label="`Volume of ${track.name} as text`" />
          <SwitchButton :address="`track/${track.id}/mute`" :label="`Mute ${track.name}`" text="mute" />
          <SoloButton kind="tracks" :of="track.id" :name="track.name" />
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  flex: none;
  grid-auto-flow: column;
  grid-auto-columns: minmax(80px, 1fr);
  gap: 8px;
  overflow-x: auto;
}

.card {
  min-width: 0;
  padding: 6px 9px;
}

.card.on {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}

.choose {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
  width: 100%;
  padding: 2px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.name {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 14px;
  font-weight: 640;
  white-space: nowrap;
}

.role {
  flex: none;
  color: var(--soft);
}

.text {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
}

.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.switches :deep(.field) {
  flex: 1 1 68px;
  width: 68px;
  font-size: 14px;
}

.switches :deep(.chip) {
  flex: 1;
  justify-content: center;
  min-height: 32px;
  padding: 0 4px;
  font-size: 13px;
}

svg {
  width: 100%;
  height: 30px;
}

path {
  fill: none;
  stroke: var(--family-volume);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

path.pan {
  stroke: var(--family-pan);
}

path.send {
  stroke: var(--family-send);
}

path.effect {
  stroke: var(--family-effect);
}

path.switch {
  stroke: var(--family-switch);
}

.setting {
  stroke: var(--soft);
  stroke-dasharray: 3 4;
  stroke-width: 1.5;
}

.meter {
  height: 5px;
  overflow: hidden;
  border-radius: 3px;
  background: var(--wash);
}

.meter span {
  display: block;
  height: 100%;
  background: var(--good);
}

.figure {
  display: flex;
  gap: 4px;
  white-space: nowrap;
  justify-content: space-between;
  font-size: 13px;
  color: var(--soft);
}

@media (max-height: 700px) {
  .card {
    padding-block: 3px;
  }

  svg {
    height: 20px;
  }
}
</style>
