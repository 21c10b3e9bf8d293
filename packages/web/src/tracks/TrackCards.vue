<script setup lang="ts">
/** A card a track: its name, its line in small, how strong it is now. Choosing one brings its lane to the desk. */
import { envelopeOf, resolve, trackLevel, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { computed } from 'vue'
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
/** Every line in small by the track it belongs to, the volume last so that it lies on top. */
const lines = computed(() => {
  const byTrack = new Map<string, { address: string; name: string; family: string; path: string }[]>()
  for (const { address, points } of props.mix.envelopes) {
    const found = points.length ? resolve(props.mix, address) : null
    if (!found?.owner) continue
    const { scale, family } = found.control
    const path = lineInSmall(points, scale, props.song.length, WIDTH, HEIGHT)
    const line = { address, name: found.control.name.toLowerCase(), family, path }
    const list = byTrack.get(found.owner) ?? []
    if (address === trackLevel(found.owner)) list.push(line)
    else list.unshift(line)
    byTrack.set(found.owner, list)
  }
  return byTrack
})
const linesOf = (id: string) => lines.value.get(id) ?? []
/** The lines of a track beside its volume, each to be opened by its name. */
const others = (id: string) => linesOf(id).filter((l) => l.address !== trackLevel(id))
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
      <div v-if="others(track.id).length" class="others">
        <button
          v-for="l in others(track.id)"
          :key="l.address"
          class="other"
          :class="l.family"
          :aria-pressed="address === l.address"
          :aria-label="`Line of ${track.name}: ${l.name}`"
          :title="`Bring the line of ${l.name} to the desk`"
          @click="emit('choose', l.address)"
        >
          {{ l.name }}
        </button>
      </div>
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
  contain: layout;
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

.others {
  display: flex;
  gap: 3px;
  overflow-x: auto;
}

.other {
  flex: none;
  min-height: 26px;
  padding: 0 7px;
  border: 1.5px solid var(--family-volume);
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 12px;
  cursor: pointer;
}

.other[aria-pressed='true'] {
  background: var(--wash);
}

.other.pan {
  border-color: var(--family-pan);
}

.other.send {
  border-color: var(--family-send);
}

.other.effect {
  border-color: var(--family-effect);
}

.other.switch {
  border-color: var(--family-switch);
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
