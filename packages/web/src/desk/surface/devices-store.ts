import { readSurface, Teacher, untaught, writeSurface, type SurfaceMap } from '@rudlo/core/surface'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { askForMidi, devicePort, devicesOf, offersMidi, type Device } from './midi-ports'
import type { SurfacePort } from './surface-port'
import { useSurface } from './surface-store'
import { t } from '../../words/t'

/** A control of a surface that can be taught. */
export type Teachable =
  | { readonly kind: 'fader' | 'knob'; readonly strip: number }
  | { readonly kind: 'back' | 'forth' }

const same = (a: Teachable | null, b: Teachable) => JSON.stringify(a) === JSON.stringify(b)

/** The surfaces that are plugged in here, and what this person has taught of each. */
export const useDevices = defineStore('devices', () => {
  const surface = useSurface()
  const devices = shallowRef<readonly Device[]>([])
  /** Taught maps by the name of the surface, as the server keeps them. */
  const maps = shallowRef<readonly SurfaceMap[]>([])
  const asked = ref(false)
  const problem = ref('')
  /** The surface that is in use. */
  const inUse = shallowRef<Device | null>(null)
  /** What is to be moved now, to be taught. */
  const teaching = shallowRef<Teachable | null>(null)

  const mapOf = (name: string) => maps.value.find((m) => m.name === name) ?? untaught(name)
  const map = computed(() => (inUse.value ? mapOf(inUse.value.name) : null))

  let teacher = new Teacher()
  let port: SurfacePort | null = null

  /** Asks the browser what is plugged in, and the server what was taught. */
  async function look(): Promise<void> {
    problem.value = ''
    if (!offersMidi()) {
      problem.value = t('surface.no-midi')
      return
    }
    try {
      const access = await askForMidi()
      maps.value = (await told(server.surfaces.$get())).maps.map(readSurface)
      asked.value = true
      devices.value = devicesOf(access)
      access.onstatechange = () => (devices.value = devicesOf(access))
    } catch (error) {
      const refused = error instanceof DOMException
      problem.value = refused ? t('surface.not-allowed') : (error as Error).message
    }
  }

  /** Connects a surface with what was taught of it; while something is being taught its bytes go there. */
  function use(device: Device): void {
    stopTeaching()
    port = tapped(devicePort(device))
    surface.connect(port, mapOf(device.name))
    inUse.value = device
  }

  function tapped(to: SurfacePort): SurfacePort {
    return {
      ...to,
      listen: (take) => to.listen((bytes) => (teaching.value ? learn(bytes) : take(bytes))),
      onLost: (tell) =>
        to.onLost?.(() => {
          inUse.value = null
          tell()
        }),
    }
  }

  function letGo(): void {
    stopTeaching()
    inUse.value = null
    surface.disconnect()
  }

  /** Waits for this control to be moved, or gives it up. */
  function teach(control: Teachable): void {
    teaching.value = same(teaching.value, control) ? null : control
    teacher = new Teacher()
  }

  function stopTeaching(): void {
    teaching.value = null
  }

  function learn(bytes: readonly number[]): void {
    const control = teaching.value!
    const now = map.value!
    if (!('strip' in control)) {
      const note = teacher.button(bytes)
      if (!note) return
      stopTeaching()
      return void change({ ...now, [control.kind]: note })
    }
    const taught = teacher.feed(bytes)
    if (!taught) return
    const { kind, strip } = control
    const set = <T>(list: readonly T[], value: T) => list.map((old, i) => (i === strip ? value : old))
    // one after the other, with nothing to click between
    teaching.value = strip + 1 < now.faders.length ? { kind, strip: strip + 1 } : null
    teacher = new Teacher()
    if (kind === 'knob') return void change({ ...now, knobs: set(now.knobs, taught.source) })
    void change({
      ...now,
      faders: set(now.faders, taught.source),
      touches: set(now.touches, taught.touch),
    })
  }

  /** Takes a map into use and keeps it. */
  async function change(to: SurfaceMap): Promise<void> {
    maps.value = [...maps.value.filter((m) => m.name !== to.name), to]
    if (inUse.value?.name === to.name && port) surface.remap(to)
    try {
      await told(server.surfaces.$put({ json: { maps: maps.value.map(writeSurface) } }))
      problem.value = ''
    } catch (error) {
      problem.value = t('surface.not-kept', { why: (error as Error).message })
    }
  }

  /** Takes a map from a file for the surface in use. */
  async function load(text: string): Promise<void> {
    const name = inUse.value?.name
    if (!name) return
    try {
      await change({ ...readSurface(JSON.parse(text)), name })
    } catch (error) {
      problem.value = error instanceof SyntaxError ? t('surface.no-map') : (error as Error).message
    }
  }

  return {
    devices,
    asked,
    problem,
    inUse,
    map,
    teaching,
    look,
    use,
    letGo,
    teach,
    stopTeaching,
    change,
    load,
  }
})
