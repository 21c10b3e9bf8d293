<script setup lang="ts">
/** Chooses how the hand writes while the song plays: for all tracks, or for each by itself. */
import { WAYS, type Way } from '@rudlo/core/pass'
import { computed, ref } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import SurfaceDialog from '../surface/SurfaceDialog.vue'
import { useSurface } from '../surface/surface-store'
import { LONGEST_GLIDE, usePass } from './pass-store'
import { WAY_WORDS } from './pass-words'
import WayFigure from './WayFigure.vue'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import SliderField from '../../ui/fields/SliderField.vue'
import { t } from '../../words/t'

const pass = usePass()
const desk = useDesk()
const work = useWork()
const surface = useSurface()
const open = ref(false)
/** The track that is chosen for; empty for all. */
const owner = ref('')

const owners = computed(() => [
  ...desk.song!.tracks.map(({ id, name }) => ({ id, name })),
  ...work.mix!.returns.map(({ id, name }) => ({ id, name })),
])
const choices = computed(() => [
  { value: '', text: t('pass.all') },
  ...owners.value.map(({ id, name }) => ({ value: id, text: name })),
])
const surfaces = ref(false)

/** Takes the practice rig out, or puts away what is in use. */
function rig(): void {
  if (surface.connected) surface.disconnect()
  else surface.openRig()
  open.value = false
}

function showSurfaces(): void {
  open.value = false
  surfaces.value = true
}

const now = computed<Way>(() => pass.ways[owner.value] ?? pass.ways[''] ?? 'follow')
const text = computed(() => {
  const own = new Set(Object.values(pass.ways).filter((w) => w !== 'follow'))
  if (!own.size) return WAY_WORDS.follow.name
  return own.size === 1 ? WAY_WORDS[[...own][0]!].name : t('pass.by-track')
})
</script>

<template>
  <AppMenu v-model="open" stays location="top" :label="t('pass.title')">
    <template #opener="{ opener }">
      <AppButton
        small
        tone="desk"
        v-bind="opener"
        class="hand-writes"
        :class="{ live: pass.active }"
        :aria-label="t('pass.label', { text })"
        :tip="t('pass.tip')"
        data-test="pass"
      >
        <v-icon icon="$pen" size="18" /><span>{{ t('pass.short', { text }) }}</span>
      </AppButton>
    </template>
    <div class="list">
      <div class="top">
        <h2>{{ t('pass.title') }}</h2>
        <SelectField
          v-model="owner"
          class="owner"
          bare
          :label="t('pass.which')"
          :choices="choices"
          @keydown="keepKeys"
        />
      </div>
      <div role="radiogroup" :aria-label="t('pass.ways')">
        <RowButton
          v-for="way in WAYS"
          :key="way"
          class="way"
          role="radio"
          :aria-checked="now === way"
          :data-test="`way-${way}`"
          @click="pass.choose(owner, way)"
        >
          <WayFigure :way="way" />
          <span
            ><b>{{ WAY_WORDS[way].name }}</b>
            <span v-if="WAY_WORDS[way].trade" class="soft"> ({{ WAY_WORDS[way].trade }})</span><br />
            <span class="small">{{ WAY_WORDS[way].sentence }}</span></span
          >
        </RowButton>
      </div>
      <SliderField
        v-model="pass.glide"
        :label="t('pass.glide')"
        :min="0"
        :max="LONGEST_GLIDE"
        :step="10"
        :said="t('pass.ms', { value: pass.glide })"
        data-test="glide"
        @keydown="keepKeys"
      />
      <CheckField v-model="pass.shiftStays" :label="t('pass.stays')" />
      <CheckField v-model="pass.oneRound" :label="t('pass.one-round')" />
      <p class="row">
        <AppButton small data-test="open-rig" @click="rig">
          {{ surface.connected ? t('pass.rig.hide') : t('pass.rig.show') }}
        </AppButton>
        <AppButton small data-test="open-surfaces" @click="showSurfaces">{{ t('pass.surfaces') }}</AppButton>
      </p>
      <p class="soft small">{{ t('pass.note') }}</p>
    </div>
  </AppMenu>
  <SurfaceDialog v-model="surfaces" />
</template>

<style scoped>
.list {
  display: grid;
  gap: var(--space-1);
  width: 450px;
}

.top {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}

h2 {
  font-size: var(--text-3);
}

.way {
  display: flex;
  gap: 14px;
  align-items: center;
  width: 100%;
  min-height: 54px;
  padding: 6px 10px;
  border: 1.5px solid transparent;
  border-radius: 10px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.way:hover {
  background: var(--wash);
}

.way[aria-checked='true'] {
  border-color: var(--ink);
}

.small {
  font-size: var(--text-1);
}

.row {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  font-size: var(--text-1);
}

.owner {
  flex: 0 0 160px;
}

.live {
  background: var(--warm);
  color: var(--sheet);
}

@media (max-width: 1400px) {
  .hand-writes span {
    display: none;
  }
}
</style>
