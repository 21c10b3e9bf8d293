import { describe, expect, it } from 'vitest'
import { readWavChannel, type WavLayout } from './wav'

/** Three frames of two channels, 16 bit: what they are as samples of ±1. */
const VALUES = [-32768, 32767, -1, 1, 12345, -12345]
const LAYOUT = { channels: 2, frames: 3, format: '1/16', start: 4, rate: 44_100 } as WavLayout

/** The bytes of a file that lies at a place of a larger piece of memory. */
function fileAt(place: number): Uint8Array {
  const bytes = new Uint8Array(new ArrayBuffer(64)).subarray(place, place + LAYOUT.start + VALUES.length * 2)
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  VALUES.forEach((value, i) => view.setInt16(LAYOUT.start + i * 2, value, true))
  return bytes
}

describe('samples of 16 bit', () => {
  it.each([0, 1, 2, 7])('are the same wherever the file lies in memory: at %i', (place) => {
    const file = fileAt(place)
    const sides = [0, 1].map((channel) => [...readWavChannel(file, LAYOUT, channel)].map((x) => x * 32768))
    expect(sides).toEqual([
      [-32768, -1, 12345],
      [32767, 1, -12345],
    ])
  })
})
