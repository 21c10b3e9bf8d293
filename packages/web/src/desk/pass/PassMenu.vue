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
  <v-menu v-model="open" :close-on-content-click="false" max-height="640" location="top">
    <template #activator="{ props: menu }">
      <AppButton small tone="desk"
        v-bind="menu"
        class="hand-writes"
        :class="{ live: pass.active }"
        :aria-label="t('pass.label', { text })"
        :tip="t('pass.tip')"
        data-test="pass"
      >
        <v-icon icon="$pen" size="18" /><span>{{ t('pass.short', { text }) }}</span>
      </AppButton>
    </template>
    <div class="sheet list">
      <div class="top">
        <h2>{{ t('pass.title') }}</h2>
        <label
          >{{ t('pass.on') }}
          <select v-model="owner" :aria-label="t('pass.which')" @keydown="keepKeys">
            <option value="">{{ t('pass.all') }}</option>
            <option v-for="o in owners" :key="o.id" :value="o.id">{{ o.name }}</option>
          </select></label
        >
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
            <span v-if="WAY_WORDS[way].trade" class="soft">({{ WAY_WORDS[way].trade }})</span><br />
            <span class="small">{{ WAY_WORDS[way].sentence }}</span></span
          >
        </RowButton>
      </div>
      <label class="row"
        >{{ t('pass.glide') }}
        <input
          v-model.number="pass.glide"
          type="range"
          min="0"
          :max="LONGEST_GLIDE"
          step="10"
          data-test="glide"
          @keydown="keepKeys"
        />
        {{ t('pass.ms', { value: pass.glide }) }}</label
      >
      <label class="row"
        ><input v-model="pass.shiftStays" type="checkbox" /> {{ t('pass.stays') }}</label
      >
      <label class="row"
        ><input v-model="pass.oneRound" type="checkbox" /> {{ t('pass.one-round') }}</label
      >
      <p class="row">
        <AppButton small data-test="open-rig" @click="rig">
          {{ surface.connected ? t('pass.rig.hide') : t('pass.rig.show') }}
        </AppButton>
        <AppButton small data-test="open-surfaces" @click="showSurfaces">{{ t('pass.surfaces') }}</AppButton>
      </p>
      <p class="soft small">
        {{ t('pass.note') }}
      </p>
    </div>
  </v-menu>
  <SurfaceDialog v-model="surfaces" />
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
  width: 470px;
  max-width: 94vw;
  padding: 14px 16px;
  overflow-y: auto;
}

.top {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}

h2 {
  font-size: 17px;
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
  font-size: 14px;
}

.row {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  font-size: 14px;
}

select {
  height: 34px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
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
