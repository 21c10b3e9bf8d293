import { serveWith } from '../../../test/fake-server'
import { beforeEach, expect, it, vi } from 'vitest'
import { motorBytes, RIG_MAP, touchBytes, untaught, writeSurface } from '@rudlo/core/surface'
import { createPinia, setActivePinia } from 'pinia'
import { useDevices } from './devices-store'

const surface = { connect: vi.fn(), remap: vi.fn(), disconnect: vi.fn() }
vi.mock('./surface-store', () => ({ useSurface: () => surface }))

let kept: unknown[] = []
let away = false
serveWith({
  get: () => Promise.resolve({ maps: kept }),
  put: (_: string, body: { maps: unknown[] }) => {
    if (away) return Promise.reject(new Error('The server cannot be reached just now.'))
    kept = body.maps
    return Promise.resolve(null)
  },
})

const input = Object.assign(new EventTarget(), {
  id: '1',
  name: 'Long box',
  state: 'connected',
  open: async () => undefined,
})
const feel = (...bytes: number[]) =>
  input.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(bytes) }))

function plugIn(answer: () => Promise<unknown>): void {
  vi.stubGlobal('navigator', { requestMIDIAccess: answer })
}

/** A store with the box in use; the surface listens on its port as the real one does. */
async function withBox() {
  const devices = useDevices()
  await devices.look()
  const heard: (readonly number[])[] = []
  surface.connect.mockImplementation((port: { listen(take: (b: readonly number[]) => void): void }) =>
    port.listen((bytes) => heard.push(bytes)),
  )
  devices.use(devices.devices[0]!)
  return { devices, heard }
}

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  kept = []
  away = false
  plugIn(() => Promise.resolve({ inputs: new Map([['1', input]]), outputs: new Map() }))
})

it('is taught control by control, goes on to the next, and keeps it', async () => {
  const { devices, heard } = await withBox()
  devices.teach({ kind: 'fader', strip: 0 })
  feel(...touchBytes(RIG_MAP, 0, true), ...motorBytes(RIG_MAP.faders[0]!, 0.4))
  expect(devices.map!.faders[0]).toEqual(RIG_MAP.faders[0])
  expect(devices.map!.touches[0]).toEqual(RIG_MAP.touches[0])
  expect(devices.teaching).toEqual({ kind: 'fader', strip: 1 })
  expect(heard).toEqual([])
  devices.teach({ kind: 'forth' })
  feel(0x90, 62, 127)
  expect(devices.teaching).toBeNull()
  feel(0xb0, 1, 2)
  expect(heard).toEqual([[0xb0, 1, 2]])
  await vi.waitFor(() => expect(kept).toEqual([writeSurface(devices.map!)]))
  expect(surface.remap).toHaveBeenLastCalledWith(devices.map)
})

it('says so when the server is away, and works all the same', async () => {
  const { devices } = await withBox()
  away = true
  await devices.change({ ...untaught('Long box'), motors: true })
  expect(devices.map!.motors).toBe(true)
  expect(devices.problem).toMatch(/could not be saved/)
})

it('reads a map from a file under its own name, and refuses what is none', async () => {
  const { devices } = await withBox()
  await devices.load(JSON.stringify(writeSurface({ ...RIG_MAP, name: 'of a friend' })))
  expect(devices.map).toEqual({ ...RIG_MAP, name: 'Long box' })
  await devices.load('{"format":"rudlo-mix"}')
  expect(devices.problem).toMatch(/not a map/)
  await devices.load('not even JSON')
  expect(devices.problem).toMatch(/not a map/)
  expect(devices.map).toEqual({ ...RIG_MAP, name: 'Long box' })
})

it('explains when the browser says no, or offers nothing', async () => {
  plugIn(() => Promise.reject(new DOMException('no', 'NotAllowedError')))
  const devices = useDevices()
  await devices.look()
  expect(devices.problem).toMatch(/Allow MIDI/)
  vi.stubGlobal('navigator', {})
  await devices.look()
  expect(devices.problem).toMatch(/practice rig/)
})
