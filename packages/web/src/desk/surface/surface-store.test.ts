import { point } from '@rudlo/core/envelope'
import { lineInCharge, plainMix, resolve, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { motorBytes, RIG_MAP, SurfaceReader, touchBytes, transportBytes } from '@rudlo/core/surface'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive, shallowReactive } from 'vue'
import { shortSong } from '../../../test/short-song'
import type { SurfacePort } from './surface-port'
import { useSurface } from './surface-store'

const song = {
  ...shortSong,
  tracks: Array.from({ length: 10 }, (_, i) => ({
    id: `t${i}`,
    name: `Track ${i}`,
    role: 'chords' as const,
    channels: 1 as const,
  })),
}
const LEVEL = trackLevel('t0')

const player = reactive({ playing: false, moves: true, position: 0, play: vi.fn(), stop: vi.fn() })
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))

const steps: string[] = []
const work = shallowReactive({
  notice: null as string | null,
  mix: plainMix(song) as Mix,
  gesture: null as Mix | null,
  begin: () => void (work.gesture ??= work.mix),
  previewMix: (make: (mix: Mix) => Mix) => void (work.mix = make(work.gesture!)),
  commit: ({ label }: { label: string }) => {
    work.gesture = null
    steps.push(label)
  },
})
vi.mock('../../document/work-store', () => ({ useWork: () => work }))

const desk = reactive({
  song,
  asked: null as string | null,
  touch: vi.fn(),
  valueAt: (lane: string) =>
    lineInCharge(work.mix, lane)?.points[0]?.value ?? resolve(work.mix, lane)!.setting,
})
vi.mock('../desk-store', () => ({ useDesk: () => desk }))

const pass = {
  writes: false,
  held: new Set<string>(),
  takes: () => pass.writes,
  holds: (lane: string) => pass.held.has(lane),
  grab: vi.fn((lane: string) => !!pass.held.add(lane)),
  move: vi.fn(),
  release: vi.fn((lane: string) => void pass.held.delete(lane)),
  tap: vi.fn(),
  end: vi.fn(),
}
vi.mock('../pass/pass-store', () => ({ usePass: () => pass }))

/** The far end of a port: what the desk sends, and a way to send it bytes. */
function farEnd() {
  let take: (bytes: readonly number[]) => void = () => undefined
  const reader = new SurfaceReader(RIG_MAP)
  const motors = new Map<string, number>()
  const port: SurfacePort = {
    send: (bytes) => {
      for (const event of reader.feed(bytes))
        if ('travel' in event) motors.set(`${event.kind} ${event.strip}`, event.travel)
    },
    listen: (to) => (take = to),
    close: vi.fn(),
  }
  let lost = () => undefined as void
  port.onLost = (tell) => (lost = tell)
  return { port, motors, feel: (...bytes: number[]) => take(bytes), pull: () => lost() }
}

beforeEach(() => {
  setActivePinia(createPinia())
  Object.assign(work, { mix: plainMix(song), gesture: null })
  Object.assign(pass, { writes: false, held: new Set() })
  desk.asked = null
  steps.length = 0
  vi.clearAllMocks()
})
afterEach(() => useSurface().disconnect())

describe('a surface', () => {
  it('moves a fader as one step, from the touch until it is let go', () => {
    const { port, feel } = farEnd()
    useSurface().connect(port, RIG_MAP)
    feel(...touchBytes(RIG_MAP, 0, true))
    for (const travel of [0.7, 0.6, 0.5]) feel(...motorBytes(RIG_MAP.faders[0]!, travel))
    expect(steps).toEqual([])
    feel(...touchBytes(RIG_MAP, 0, false))
    expect(steps).toHaveLength(1)
    const { control, setting } = resolve(work.mix, LEVEL)!
    expect(control.scale.toTravel(setting)).toBeCloseTo(0.5, 3)
  })

  it('sends motors to where controls stand, but not under a finger', async () => {
    const { port, motors, feel } = farEnd()
    useSurface().connect(port, RIG_MAP)
    expect(motors.get('fader 0')).toBeCloseTo(0.75, 3)
    expect(motors.get('knob 3')).toBeCloseTo(0.5, 1)
    work.mix = withPoints(work.mix, LEVEL, [point(0, 6)], () => 'l')
    await nextTick()
    expect(motors.get('fader 0')).toBeCloseTo(1, 3)
    feel(...touchBytes(RIG_MAP, 0, true))
    work.mix = withPoints(work.mix, LEVEL, [point(0, -90)], () => 'l')
    await nextTick()
    expect(motors.get('fader 0')).toBeCloseTo(1, 3)
    feel(...touchBytes(RIG_MAP, 0, false))
    expect(motors.get('fader 0')).toBe(0)
  })

  it('says why where a line is in charge', () => {
    const { port, feel } = farEnd()
    useSurface().connect(port, RIG_MAP)
    work.mix = withPoints(work.mix, LEVEL, [point(0, 6)], () => 'l')
    feel(...motorBytes(RIG_MAP.faders[0]!, 0.2))
    expect(desk.asked).toBe(LEVEL)
    expect(steps).toEqual([])
  })

  it('writes in a pass what is held, and lets go when it is lost in the middle', () => {
    const { port, feel } = farEnd()
    const surface = useSurface()
    surface.connect(port, RIG_MAP)
    pass.writes = true
    feel(...touchBytes(RIG_MAP, 0, true), ...motorBytes(RIG_MAP.faders[0]!, 0.5))
    expect(pass.grab).toHaveBeenCalledOnce()
    expect(pass.move).toHaveBeenCalledOnce()
    surface.disconnect()
    expect(pass.release).toHaveBeenCalledWith(LEVEL)
    expect(port.close).toHaveBeenCalled()
  })

  it('that is pulled out in the middle of a pass ends it there, and says so', () => {
    const { port, feel, pull } = farEnd()
    const surface = useSurface()
    surface.connect(port, RIG_MAP)
    pass.writes = true
    feel(...touchBytes(RIG_MAP, 0, true), ...motorBytes(RIG_MAP.faders[0]!, 0.5))
    pull()
    expect(pass.end).toHaveBeenCalledOnce()
    expect(surface.connected).toBe(false)
    expect(work.notice).toContain('Writing ends here')
  })

  it('whose active sensing falls silent is gone', () => {
    vi.useFakeTimers()
    const { port, feel } = farEnd()
    const surface = useSurface()
    surface.connect(port, RIG_MAP)
    vi.advanceTimersByTime(10_000)
    expect(surface.connected).toBe(true)
    feel(0xfe)
    vi.advanceTimersByTime(2500)
    expect(surface.connected).toBe(true)
    vi.advanceTimersByTime(3000)
    expect(surface.connected).toBe(false)
    vi.useRealTimers()
  })

  it('without motors takes a control over where it meets it', () => {
    const { port, motors, feel } = farEnd()
    useSurface().connect(port, { ...RIG_MAP, motors: false, touches: RIG_MAP.touches.map(() => null) })
    expect(motors.size).toBe(0)
    feel(...motorBytes(RIG_MAP.faders[0]!, 0.1))
    expect(resolve(work.mix, LEVEL)!.setting).toBe(0)
    feel(...motorBytes(RIG_MAP.faders[0]!, 0.8), ...motorBytes(RIG_MAP.faders[0]!, 0.9))
    const { control, setting } = resolve(work.mix, LEVEL)!
    expect(control.scale.toTravel(setting)).toBeCloseTo(0.9, 3)
  })

  it('has banks, play and stop', () => {
    const { port, motors, feel } = farEnd()
    const surface = useSurface()
    surface.connect(port, RIG_MAP)
    const { channel, note } = RIG_MAP.forth!
    feel(0x90 | channel, note, 127, 0x90 | channel, note, 127)
    expect([surface.bank, surface.banks]).toEqual([1, 2])
    feel(
      ...touchBytes(RIG_MAP, 1, true),
      ...motorBytes(RIG_MAP.faders[1]!, 0.25),
      ...touchBytes(RIG_MAP, 1, false),
    )
    expect(steps[0]).toContain('Track 9')
    expect(motors.get('fader 1')).toBeCloseTo(0.25, 2)
    feel(...transportBytes(true), ...transportBytes(false))
    expect([player.play, player.stop].map((f) => f.mock.calls.length)).toEqual([1, 1])
  })
})
