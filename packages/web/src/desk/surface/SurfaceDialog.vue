<script setup lang="ts">
/** Control surfaces: which one is in use, and what each of its faders and knobs is. */
import { writeSurface, type Source } from '@rudlo/core/surface'
import { onBeforeUnmount, ref, watch } from 'vue'
import { saveFile } from '../files/exporter'
import { useDevices, type Teachable } from './devices-store'
import { useSurface } from './surface-store'

const open = defineModel<boolean>({ required: true })
const devices = useDevices()
const surface = useSurface()
const file = ref<HTMLInputElement | null>(null)

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
  if (!source) return 'not taught'
  if (source.kind === 'bend') return `pitch bend, channel ${source.channel + 1}`
  const fine = source.kind === 'fine control' ? ', fine' : ''
  return `controller ${source.controller}${fine}, channel ${source.channel + 1}`
}

const isTaught = (c: Teachable) => JSON.stringify(devices.teaching) === JSON.stringify(c)

function save(): void {
  const text = JSON.stringify(writeSurface(devices.map!), null, 2)
  saveFile(`${devices.map!.name}.json`, 'application/json', new TextEncoder().encode(text))
}

async function load(): Promise<void> {
  const chosen = file.value?.files?.[0]
  if (chosen) await devices.load(await chosen.text())
  if (file.value) file.value.value = ''
}
</script>

<template>
  <v-dialog v-model="open" aria-label="Faders to hold" max-width="760">
    <div class="sheet surfaces" data-test="surfaces">
      <h2 id="surfaces-title">Faders to hold</h2>
      <p class="soft">
        A box with faders and knobs, plugged in by USB, moves the controls here. Strip 1 is the first track,
        and so on; faders move volumes, knobs move pans.
      </p>
      <p v-if="devices.problem" class="problem" role="alert">{{ devices.problem }}</p>
      <ul v-if="devices.devices.length" class="devices">
        <li v-for="d in devices.devices" :key="d.id">
          <b>{{ d.name }}</b>
          <button v-if="devices.inUse?.id !== d.id" class="chip" @click="devices.use(d)">use it</button>
          <button v-else class="chip" aria-pressed="true" @click="devices.letGo()">in use: let it go</button>
        </li>
      </ul>
      <div v-else class="none" data-test="no-devices">
        <p v-if="devices.asked">Nothing is plugged in. Plug a surface in and it appears here by itself.</p>
        <button v-else class="chip" @click="devices.look()">Look for what is plugged in</button>
      </div>
      <section v-if="devices.inUse && devices.map" class="teach">
        <p>
          Press a line and move that fader or knob from end to end; then simply go on to the next one.
          <label
            ><input
              type="checkbox"
              :checked="devices.map.motors"
              @change="devices.change({ ...devices.map!, motors: !devices.map!.motors })"
            />
            its faders move by themselves</label
          >
        </p>
        <div class="columns">
          <ol v-for="kind in ['fader', 'knob'] as const" :key="kind">
            <li
              v-for="(source, strip) in kind === 'fader' ? devices.map.faders : devices.map.knobs"
              :key="strip"
            >
              <button
                class="control"
                :aria-pressed="isTaught({ kind, strip })"
                @click="devices.teach({ kind, strip })"
              >
                <b>{{ kind === 'fader' ? 'Fader' : 'Knob' }} {{ strip + 1 }}</b>
                <span class="soft">{{ isTaught({ kind, strip }) ? 'move it now …' : said(source) }}</span>
              </button>
            </li>
          </ol>
        </div>
        <p class="row">
          <button
            v-for="kind in ['back', 'forth'] as const"
            :key="kind"
            class="chip"
            :aria-pressed="isTaught({ kind })"
            @click="devices.teach({ kind })"
          >
            {{ kind === 'back' ? 'strips before' : 'strips after'
            }}{{ isTaught({ kind }) ? ': press it now …' : devices.map[kind] ? ' ✓' : '' }}
          </button>
          <span class="push" />
          <button class="chip" @click="save">Save as a file</button>
          <button class="chip" @click="file?.click()">From a file</button>
          <input ref="file" type="file" accept=".json,application/json" hidden @change="load" />
        </p>
      </section>
      <p class="row">
        <span class="soft">No surface at hand? The practice rig behaves like one.</span>
        <button class="chip" data-test="rig-here" @click="rig('panel')">Practice rig here</button>
        <button class="chip" data-test="rig-there" @click="rig('window')">in its own window</button>
      </p>
      <v-btn class="end" color="primary" variant="flat" @click="open = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.surfaces {
  display: grid;
  gap: 12px;
  max-height: 86vh;
  padding: 24px;
  overflow-y: auto;
}

ul,
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

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

.end {
  justify-self: end;
}
</style>
