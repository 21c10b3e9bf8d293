<script setup lang="ts">
/** Control surfaces: which one is in use, and what each of its faders and knobs is. */
import { writeSurface, type Source } from '@rudlo/core/surface'
import { onBeforeUnmount, watch } from 'vue'
import { saveFile } from '../files/exporter'
import { useDevices, type Teachable } from './devices-store'
import { useSurface } from './surface-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import FileButton from '../../ui/fields/FileButton.vue'
import { t } from '../../words/t'

const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const surface = useSurface()

watch(open, (is) => {
  if (is && !devices.asked) void devices.look()
  if (!is) devices.stopTeaching()
})
onBeforeUnmount(devices.stopTeaching)

function rig(where: 'panel' | 'window'): void {
  surface.openRig(where)
  open.value = false
}

function said(source: Source | null | undefined): string {
  if (!source) return t('surface.not-taught')
  if (source.kind === 'bend') return t('surface.bend', { channel: source.channel + 1 })
  const fine = source.kind === 'fine control' ? t('surface.fine') : ''
  return t('surface.controller', { number: source.controller, fine, channel: source.channel + 1 })
}

const isTaught = (c: Teachable) => JSON.stringify(devices.teaching) === JSON.stringify(c)

function save(): void {
  const text = JSON.stringify(writeSurface(devices.map!), null, 2)
  saveFile(`${devices.map!.name}.json`, 'application/json', new TextEncoder().encode(text))
}

async function load([chosen]: readonly File[]): Promise<void> {
  if (chosen) await devices.load(await chosen.text())
}
</script>

<template>
  <AppDialog v-model="open" :title="t('surface.title')" :width="760" data-test="surfaces">
    <p class="soft">
      {{ t('surface.about') }}
    </p>
    <p v-if="devices.problem" class="problem" role="alert">{{ devices.problem }}</p>
    <ul v-if="devices.devices.length" class="devices plain-list">
      <li v-for="d in devices.devices" :key="d.id">
        <b>{{ d.name }}</b>
        <AppButton v-if="devices.inUse?.id !== d.id" small @click="devices.use(d)">{{
          t('surface.use')
        }}</AppButton>
        <AppButton v-else small aria-pressed="true" @click="devices.letGo()">{{
          t('surface.stop-using')
        }}</AppButton>
      </li>
    </ul>
    <div v-else class="none" data-test="no-devices">
      <p v-if="devices.asked">{{ t('surface.none') }}</p>
      <AppButton v-else small @click="devices.look()">{{ t('surface.look') }}</AppButton>
    </div>
    <section v-if="devices.inUse && devices.map" class="teach">
      <p>
        {{ t('surface.teach') }}
        <CheckField
          :model-value="devices.map.motors"
          :label="t('surface.motors')"
          @update:model-value="(motors) => devices.change({ ...devices.map!, motors })"
        />
      </p>
      <div class="columns">
        <ol v-for="kind in ['fader', 'knob'] as const" :key="kind" class="plain-list">
          <li
            v-for="(source, strip) in kind === 'fader' ? devices.map.faders : devices.map.knobs"
            :key="strip"
          >
            <RowButton
              class="control"
              :aria-pressed="isTaught({ kind, strip })"
              @click="devices.teach({ kind, strip })"
            >
              <b>{{ kind === 'fader' ? t('surface.fader') : t('surface.knob') }} {{ strip + 1 }}</b>
              <span class="soft">{{ isTaught({ kind, strip }) ? t('surface.move-now') : said(source) }}</span>
            </RowButton>
          </li>
        </ol>
      </div>
      <p class="row">
        <AppButton
          v-for="kind in ['back', 'forth'] as const"
          :key="kind"
          small
          :aria-pressed="isTaught({ kind })"
          @click="devices.teach({ kind })"
        >
          {{ kind === 'back' ? t('surface.strips-before') : t('surface.strips-after')
          }}{{ isTaught({ kind }) ? t('surface.press-now') : devices.map[kind] ? ' ✓' : '' }}
        </AppButton>
        <span class="push" />
        <AppButton small @click="save">{{ t('surface.save') }}</AppButton>
        <FileButton
          small
          :text="t('surface.load')"
          accept=".json,application/json"
          test="surface-file"
          @files="load"
        />
      </p>
    </section>
    <p class="row">
      <span class="soft">{{ t('surface.rig') }}</span>
      <AppButton small data-test="rig-here" @click="rig('panel')">{{ t('surface.rig.here') }}</AppButton>
      <AppButton small data-test="rig-there" @click="rig('window')">{{ t('surface.rig.window') }}</AppButton>
    </p>
    <template #acts><AppButton tone="main" @click="open = false">{{ t('ui.close') }}</AppButton></template>
  </AppDialog>
</template>

<style scoped>
.devices li,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

.devices li {
  justify-content: space-between;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}

.push {
  flex: 1;
}

.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 18px;
  margin-block: 8px;
}

.control {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  min-height: 32px;
  padding: 0 8px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}

.control:hover {
  background: var(--wash);
}

.control[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.control[aria-pressed='true'] .soft {
  color: var(--sheet);
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
