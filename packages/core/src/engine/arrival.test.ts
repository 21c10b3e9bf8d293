import { describe, expect, it } from 'vitest'
import { Arrival } from './arrival'
import type { AssetAudio } from './audio'
import type { RegionProgram } from './program'

const region = (asset: string, start: number, offset: number, length: number): RegionProgram => ({
  asset,
  start,
  offset,
  length,
  fadeIn: 0,
  fadeOut: 0,
  gain: 1,
})
const programOf = (...regions: RegionProgram[]) => ({ tracks: [{ regions }] }) as never

/** A recording of so many samples, of which some are there. */
function coming(frames: number, there: number) {
  const arrived = new Int32Array(new SharedArrayBuffer(4))
  arrived[0] = there
  return { channels: [new Int16Array(0)], frames, arrived }
}

describe('recordings on their way', () => {
  it('are there where the pages that are read are, counted in the recording', () => {
    const audio = new Map([['a', coming(100_000, 16_384)]])
    const arrival = new Arrival(audio)
    const program = programOf(region('a', 50_000, 8192, 60_000))
    // before the region nothing is needed
    expect(arrival.isThere(program, 0, 50_000)).toBe(true)
    expect(arrival.isThere(program, 50_000, 50_000 + 8192)).toBe(true)
    // one sample more lies on a page that is not there
    expect(arrival.isThere(program, 50_000, 50_000 + 8193)).toBe(false)
    expect(arrival.isThere(program, 110_000, 120_000)).toBe(true)
  })

  it('are waited for by the end of the recording, not by a page that it does not fill', () => {
    const audio = new Map([['a', coming(9000, 9000)]])
    expect(new Arrival(audio).isThere(programOf(region('a', 0, 0, 9000)), 0, 20_000)).toBe(true)
  })

  it('are not looked at any more once all are there, and not where they say nothing of it', () => {
    const late = coming(9000, 0)
    const audio = new Map<string, AssetAudio>([
      ['a', late],
      ['b', { channels: [new Int16Array(10)], frames: 10 }],
    ])
    const arrival = new Arrival(audio)
    const program = programOf(region('a', 0, 0, 9000), region('b', 0, 0, 10), region('gone', 0, 0, 10))
    expect(arrival.isThere(program, 0, 10)).toBe(false)
    late.arrived[0] = 9000
    expect(arrival.isThere(program, 0, 10)).toBe(true)
    late.arrived[0] = 0
    expect(arrival.isThere(program, 0, 10)).toBe(true)
  })
})
