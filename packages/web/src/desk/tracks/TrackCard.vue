<script setup lang="ts">
/** The card of a track: its name, its lines in small, how strong it is now. */
import { counted } from '@rudlo/words'
import { trackLevel } from '@rudlo/core/mix'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import type { SongTrack } from '@rudlo/core/song'
import { computed } from 'vue'
import { SILENT, type HeldPeak } from '../../engine/peak-hold'
import ControlField from '../mixer/ControlField.vue'
import ControlSlider from '../mixer/ControlSlider.vue'
import SoloButton from '../mixer/SoloButton.vue'
import SwitchButton from '../mixer/SwitchButton.vue'
import { ROLE_ICONS } from '../../ui/theme/role-names'
import { settingInSmall, SMALL, type SmallLine } from './line-in-small'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{
  track: SongTrack
  lines: readonly SmallLine[]
  /** Its volume where no line moves it, in dB. */
  setting: number
  /** The lane on the desk. */
  address: string
  peak: HeldPeak | undefined
  /** Whether its volume may be changed. */
  open: boolean
  /** Whether fader and switches are there to be moved. */
  mixer: boolean
}>()
const emit = defineEmits<{ choose: [address: string]; lines: [] }>()

const { scale, unit } = MIXER_CONTROLS.level
const level = computed(() => trackLevel(props.track.id))
/** The line of its volume. */
const own = computed(() => props.lines.find((l) => l.address === level.value))
/** Its other lines, each to be opened by its name. */
const others = computed(() => props.lines.filter((l) => l.address !== level.value))
const figure = computed(() => (own.value ? counted(own.value.points, 'points') : unit.format(props.setting)))
/** Share of the meter that is filled: −60 dBFS to full scale. */
const filled = computed(() => `${Math.min(100, Math.max(0, ((props.peak ?? SILENT).now + 60) / 0.6))}%`)
</script>

<template>
  <div class="sheet card" :class="{ on: address === level }">
    <RowButton
      class="choose"
      :aria-pressed="address === level"
      :data-test="`card-${track.id}`"
      @click="emit('choose', level)"
    >
      <span class="name">
        <v-icon :icon="ROLE_ICONS[track.role]" size="15" :title="track.role" class="role" />
        <span class="text" :data-tip="track.name">{{ track.name }}</span>
        <v-icon v-if="mixer && !open" icon="$locked" size="14" :title="t('track.locked')" />
      </span>
      <svg :viewBox="`0 0 ${SMALL.width} ${SMALL.height}`" preserveAspectRatio="none" aria-hidden="true">
        <path v-for="l in lines" :key="l.address" :class="l.family" :d="l.path" />
        <path v-if="!own" class="setting" :d="settingInSmall(scale.toTravel(setting))" />
      </svg>
      <template v-if="!mixer">
        <span class="meter" aria-hidden="true"><span :style="{ width: filled }" /></span>
        <span class="figure">{{ figure }}</span>
      </template>
    </RowButton>
    <div v-if="others.length" class="others">
      <RowButton
        v-if="lines.length > 1"
        class="other all"
        :aria-label="t('track.all.label', { track: track.name })"
        :tip="t('track.all.tip')"
        :data-test="`all-lines-${track.id}`"
        @click="emit('lines')"
      >
        {{ t('track.all') }}
      </RowButton>
      <RowButton
        v-for="l in others"
        :key="l.address"
        class="other"
        :class="l.family"
        :aria-pressed="address === l.address"
        :aria-label="t('track.line', { track: track.name, line: l.name })"
        :tip="t('track.line.tip', { line: l.name })"
        @click="emit('choose', l.address)"
      >
        {{ l.name }}
      </RowButton>
    </div>
    <template v-if="mixer">
      <ControlSlider :address="level" :label="t('balance.volume', { name: track.name })" :peak="peak" />
      <div class="switches">
        <ControlField :address="level" :label="t('balance.volume.typed', { name: track.name })" />
        <SwitchButton
          :address="`track/${track.id}/mute`"
          :label="t('balance.mute.label', { name: track.name })"
          :text="t('balance.mute')"
        />
        <SoloButton kind="tracks" :of="track.id" :name="track.name" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.card {
  contain: layout;
  container-type: inline-size;
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

@container (max-width: 84px) {
  .role {
    display: none;
  }
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

.other.all {
  border-color: var(--rule);
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
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 3px;
}

.switches :deep(.plain-input) {
  grid-column: 1 / -1;
  width: 100%;
  height: 26px;
  font-size: var(--text-1);
}

.switches :deep(.button) {
  padding: 0 1px;
  font-size: var(--text-1);
  letter-spacing: -0.02em;
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

<style scoped src="./track-card-finger.css"></style>
