import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { same } from '../../test/samples'
import { audioFor, smallSong } from '../../test/songs'
import { point } from '../envelope'
import {
  addEffect,
  addReturn,
  addSend,
  plainMix,
  trackLevel,
  withPoints,
  withSetting,
  type Mix,
} from '../mix'
import { SAMPLE_RATE } from '../time'
import { BLOCK, compileMix, inTwo, makeHandover, render, renderAhead, type RenderOptions } from '.'
import { Bus } from './bus'
import { HandoverReader, HandoverWriter } from './handover'
import { EngineMemory } from '../kernels'

const song = smallSong()
const audio = audioFor(
  song,
  (n) => ((n * 7919) % 20_011) - 10_000,
  (n, side) => (((n + side) * 104_729) % 9973) - 5000,
)
const LONGEST = 10 * SAMPLE_RATE

/** A mix with all that goes from one track to another place: sends before and after the fader, lines, effects that ring. */
function mixOf({
  feedback,
  tap,
  wet,
  quiet,
}: {
  feedback: number
  tap: boolean
  wet: boolean
  quiet: number
}): Mix {
  let mix = addReturn(plainMix(song), 'Echo', 'delay', { back: 'e', effect: 'fx' })
  mix = addReturn(mix, 'Room', 'reverb', { back: 'r', effect: 'rfx' })
  mix = withSetting(mix, 'effect/fx/feedback', feedback)
  for (const { id } of song.tracks) {
    mix = addSend(mix, id, 'e', `${id}-e`)
    mix = withSetting(mix, `send/${id}-e/level`, quiet)
    if (wet) mix = addEffect(mix, id, 'delay', `${id}-fx`)
    mix = withPoints(mix, trackLevel(id), [point(0, -40), point(3840, -3), point(7680, -20)], () => `l-${id}`)
  }
  mix = addSend(mix, song.tracks[0]!.id, 'r', 'to-room')
  mix = withSetting(mix, 'send/to-room/level', -9)
  return {
    ...mix,
    tracks: mix.tracks.map((t) => ({
      ...t,
      sends: t.sends.map((s) => ({ ...s, tap: tap ? 'pre' : 'post' }) as const),
    })),
  }
}

/** What two threads would render: all of what the one plays ahead is there before the other begins. */
function rendered(mix: Mix, options: RenderOptions) {
  const program = compileMix(song, mix)
  const { ahead, after } = inTwo(program)!
  const frames = (options.to ?? program.length) - (options.from ?? 0) + (options.tail ? LONGEST : 0)
  const before = makeHandover(program.returns.length, Math.ceil(frames / BLOCK) + 2)
  renderAhead(ahead, audio, options, before)
  return render(after, audio, { ...options, before })!
}

describe('a mix that two threads render', () => {
  it('is the same to the last bit, whatever is in it and wherever it begins and ends', () => {
    const asked = fc.record({
      feedback: fc.double({ min: 0, max: 0.8, noNaN: true }),
      tap: fc.boolean(),
      wet: fc.boolean(),
      quiet: fc.constantFrom(-90, -20, 0),
      from: fc.integer({ min: 0, max: 40_000 }),
      length: fc.integer({ min: 1, max: 60_000 }),
      moves: fc.boolean(),
    })
    fc.assert(
      fc.property(asked, ({ from, length, moves, ...what }) => {
        const mix = mixOf(what)
        const options = { from, to: from + length, moves }
        const [one, two] = [render(compileMix(song, mix), audio, options)!, rendered(mix, options)]
        expect([same(one.left, two.left), same(one.right, two.right)]).toEqual([true, true])
      }),
      { numRuns: 25 },
    )
  })

  it('rings out as long, also where what rings is on a track that is played ahead', () => {
    const mix = mixOf({ feedback: 0.3, tap: false, wet: true, quiet: -90 })
    const options = { to: 30_000, tail: true }
    const [one, two] = [render(compileMix(song, mix), audio, options)!, rendered(mix, options)]
    expect(one.left.length).toBeGreaterThan(30_000)
    expect(two.left.length).toBe(one.left.length)
    expect([same(one.left, two.left), same(one.right, two.right)]).toEqual([true, true])
  })

  it('is divided so that each has tracks, and none where there is one', () => {
    const program = compileMix(song, plainMix(song))
    for (const returns of [0, 3]) {
      const many = {
        ...program,
        returns: Array.from({ length: returns }, () => ({
          ...compileMix(song, mixOf({ feedback: 0, tap: false, wet: false, quiet: 0 })).returns[0]!,
        })),
        tracks: Array.from({ length: 8 }, (_, i) => ({ ...program.tracks[0]!, id: `t${i}` })),
      }
      const { ahead, after } = inTwo(many)!
      expect([...ahead.tracks, ...after.tracks]).toEqual(many.tracks)
      expect(ahead.tracks.length).toBeGreaterThanOrEqual(after.tracks.length)
      expect(after.tracks.length).toBeGreaterThan(0)
    }
    expect(inTwo({ ...program, tracks: program.tracks.slice(0, 1) })).toBeNull()
  })
})

describe('a handover', () => {
  const part = new EngineMemory().part()
  const buses = [new Bus(part), new Bus(part)]
  /** Blocks with a number in them, of which every third has nothing. */
  const fill = (n: number) => {
    for (const bus of buses) {
      bus.fed = n % 3 !== 0
      bus.left.view.fill(n)
      bus.right.view.fill(-n)
    }
  }

  it('gives blocks in their order through memory that is used again and again', () => {
    const memory = makeHandover(1, 32)
    const [writer, reader] = [new HandoverWriter(memory), new HandoverReader(memory)]
    for (let n = 0, read = 0; n < 320; n++) {
      fill(n)
      writer.give(buses, n)
      // it is told of sixteen at a time
      if (n % 16 !== 15) continue
      for (; read <= n; read++) {
        for (const bus of buses) bus.fed = false
        reader.take(buses)
        expect([reader.ringing, buses[1]!.fed]).toEqual([read, read % 3 !== 0])
        if (buses[1]!.fed)
          expect([buses[0]!.left.view[0], buses[1]!.right.view[BLOCK - 1]]).toEqual([read, -read])
      }
    }
  })

  it('that nobody reads any more takes no more, and does not wait', () => {
    const memory = makeHandover(1, 32)
    const [writer, reader] = [new HandoverWriter(memory), new HandoverReader(memory)]
    for (let n = 0; n < 32; n++) writer.give(buses, 0)
    expect(writer.isOver).toBe(false)
    reader.end()
    expect(writer.isOver).toBe(true)
    writer.give(buses, 0)
    expect(Atomics.load(memory.state, 0)).toBe(32)
  })
})
