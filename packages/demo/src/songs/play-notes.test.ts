import type { MidiPart } from '@rudlo/core/midi'
import { describe, expect, it } from 'vitest'
import { playerFor, strokeFor, STROKE } from '@rudlo/core/players'
import { playNotes } from './play-notes'

const FRAME = {
  bars: 2,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' as const }],
  meter: [{ tick: 0, beats: 4, unit: 4 as const }],
}
const part = (program: number, drums = false): MidiPart => ({
  name: '',
  program,
  drums,
  moves: {},
  notes: [
    { tick: 0, ticks: 960, pitch: drums ? 36 : 60, strength: 0.8 },
    { tick: 3840, ticks: 1920, pitch: drums ? 42 : 67, strength: 0.6 },
  ],
})

describe('notes of a MIDI file', () => {
  it('are played by every program there is, in time and within full scale', () => {
    for (const program of [0, 8, 16, 24, 32, 40, 48, 53, 56, 64, 72, 80, 88, 96, 104, 112, 120]) {
      const [left] = playNotes(part(program), FRAME)
      expect(left).toHaveLength(4 * 44_100)
      const loudest = left!.reduce((a, b) => Math.max(a, Math.abs(b)), 0)
      expect(loudest, String(program)).toBeGreaterThan(8000)
      expect(loudest).toBeLessThanOrEqual(16_500)
      const sounds = (from: number) =>
        left!.subarray(from * 44_100, (from + 0.6) * 44_100).some((x) => Math.abs(x) > 300)
      expect([sounds(0), sounds(2)], String(program)).toEqual([true, true])
    }
  })

  it('are the same samples every time', () => {
    expect(playNotes(part(0, true), FRAME)).toEqual(playNotes(part(0, true), FRAME))
  })

  it('find players by family, and strokes for every drum', () => {
    expect(
      [playerFor(0, false), playerFor(33, false), playerFor(53, false), playerFor(5, true)].map(
        (p) => p.role,
      ),
    ).toEqual(['chords', 'bass', 'voice', 'drums'])
    expect([35, 36, 38, 42, 49, 81].map(strokeFor)).toEqual([
      STROKE.kick,
      STROKE.kick,
      STROKE.swish,
      STROKE.tap,
      STROKE.swish,
      STROKE.tap,
    ])
  })
})
