import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { point, valueAt, type Points } from '../envelope'
import { writeMidi } from '../midi'
import { addReturn, addSend, envelopeOf, plainMix, withPoints } from '../mix'
import { MIXER_CONTROLS } from '../scale'
import { linesFromMidiFile } from '.'

const song = smallSong()
const [first, second] = song.tracks
const level = `track/${first!.id}/level`
const pan = `track/${second!.id}/pan`
const fresh = () => {
  let n = 0
  return () => `id${n++}`
}

/** Points on a grid of sixteenths, some of which leap. */
const line = (min: number, max: number) =>
  fc
    .array(
      fc.record({
        at: fc.integer({ min: 0, max: 60 }),
        value: fc.double({ min, max, noNaN: true }),
        leaps: fc.boolean(),
      }),
      {
        minLength: 2,
        maxLength: 8,
      },
    )
    .map((list) => {
      const byTick = new Map(list.map((p) => [p.at * 240, p]))
      return [...byTick]
        .sort(([a], [b]) => a - b)
        .map(([tick, p]) => point(tick, p.value, p.leaps ? 'jump' : 'straight'))
    })
    .filter((points) => points.length > 1)

const isMoving = (points: Points) => points.some((p) => Math.abs(p.value - points[0]!.value) > 0.1)

/** Where both are, away from the leaps themselves. */
const places = (points: Points) =>
  Array.from({ length: 120 }, (_, i) => i * 120).filter((t) =>
    points.every((p) => Math.abs(p.tick - t) > 130),
  )

describe('lines in a MIDI file', () => {
  it('come back as they went out, to what the controllers can tell apart', () => {
    fc.assert(
      fc.property(line(-40, 6), line(-1, 1), (levels, pans) => {
        // a line that stays where it is is a setting, and a file of settings alone moves nothing
        fc.pre(isMoving(levels))
        const mix = withPoints(withPoints(plainMix(song), level, levels, fresh()), pan, pans, fresh())
        const { mix: again } = linesFromMidiFile(song, plainMix(song), writeMidi(song, mix, true), fresh())
        for (const [address, before, control] of [
          [level, levels, MIXER_CONTROLS.level],
          [pan, pans, MIXER_CONTROLS.pan],
        ] as const) {
          const after = envelopeOf(again, address)?.points
          if (!isMoving(before) && !after) continue
          for (const tick of places(before)) {
            const { scale } = control
            const off =
              scale.toTravel(valueAt(after!, scale, tick)!) - scale.toTravel(valueAt(before, scale, tick)!)
            expect(Math.abs(off), `${address} at ${tick}`).toBeLessThan(0.03)
          }
        }
      }),
      { numRuns: 60 },
    )
  })

  it('of a send come back to it, and what moves nothing here is refused', () => {
    let mix = addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'reverb' })
    mix = addSend(mix, first!.id, 'hall', 'send')
    const moved = withPoints(mix, 'send/send/level', [point(0, -20), point(3840, 0)], fresh())
    const { lanes } = linesFromMidiFile(song, mix, writeMidi(song, moved, false), fresh())
    expect(lanes).toEqual(['send/send/level'])
    expect(() => linesFromMidiFile(song, mix, writeMidi(song, mix, false), fresh())).toThrow(/moves nothing/)
    expect(() => linesFromMidiFile(song, mix, new Uint8Array(20), fresh())).toThrow(/not a MIDI file/)
  })
})
