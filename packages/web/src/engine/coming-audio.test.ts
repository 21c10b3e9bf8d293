import { describe, expect, it } from 'vitest'
import { comingAudio } from './coming-audio'

describe('a recording on its way', () => {
  it('has its memory at once, shared, and fills from the start', () => {
    const { audio, into, arrive, isWhole } = comingAudio({ channels: 2, frames: 1000 })
    expect(audio.channels.map((c) => [c.length, c.buffer instanceof SharedArrayBuffer])).toEqual([
      [1000, true],
      [1000, true],
    ])
    expect(audio.arrived![0]).toBe(0)
    into[1]![5] = 77
    expect(audio.channels[1]![5]).toBe(77)
    arrive(400)
    // a beginning that is decoded after the whole takes nothing back
    arrive(300)
    expect([audio.arrived![0], isWhole()]).toEqual([400, false])
    arrive(1000)
    expect([audio.arrived![0], isWhole()]).toEqual([1000, true])
  })
})
