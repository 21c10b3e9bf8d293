import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { point } from '../envelope'
import { addEffect, addReturn, addSend, plainMix, withLane, withPoints, type Mix } from '../mix'
import { compileMix, ProgramReceiver, ProgramSender } from '.'

const song = smallSong()
const draw = (mix: Mix, address: string, value: number) =>
  withPoints(mix, address, [point(0, value), point(960, value / 2)], () => address)

/** A mix with a return, a send, an effect, and lines on all kinds of controls. */
function busy(): Mix {
  let mix = addReturn(plainMix(song), 'Echo', 'delay', { back: 'b', effect: 'd' })
  mix = addSend(mix, 'reed', 'b', 's')
  mix = addEffect(mix, 'pad', 'filter', 'f')
  for (const [address, value] of [
    ['track/reed/level', -6],
    ['track/pad/pan', 0.5],
    ['send/s/level', -12],
    ['effect/f/frequency', 900],
    ['effect/d/wet', 1],
    ['return/b/level', -3],
    ['main/level', -1],
  ] as const)
    mix = draw(mix, address, value)
  return mix
}

describe('a program that is posted', () => {
  it('arrives as it was', () => {
    const program = compileMix(song, busy())
    const posted = structuredClone(new ProgramSender().pack(program))
    expect(posted.fresh).toHaveLength(7)
    expect(new ProgramReceiver(program).unpack(posted)).toEqual(program)
  })

  it('brings only the line that is new; the others stay the same objects', () => {
    const mix = busy()
    const [before, after] = [mix, draw(mix, 'track/reed/level', -9)].map((m) => compileMix(song, m))
    const sender = new ProgramSender()
    const receiver = new ProgramReceiver(before!)
    const first = receiver.unpack(structuredClone(sender.pack(before!)))
    const posted = sender.pack(after!)
    expect(posted.fresh).toHaveLength(1)
    const second = receiver.unpack(structuredClone(posted))
    expect(second).toEqual(after)
    expect(second.tracks[1]!.pan.line).toBe(first.tracks[1]!.pan.line)
    expect(second.tracks[0]!.level.line).not.toBe(first.tracks[0]!.level.line)
  })

  it('brings a line again that was away for a while', () => {
    const mix = busy()
    const off = withLane(mix, 'main/level', { on: false })
    const sender = new ProgramSender()
    const receiver = new ProgramReceiver(compileMix(song, mix))
    for (const m of [mix, off, mix]) {
      const program = compileMix(song, m)
      expect(receiver.unpack(structuredClone(sender.pack(program)))).toEqual(program)
    }
  })

  it('is refused where lines are missing', () => {
    const program = compileMix(song, busy())
    const { program: parts } = new ProgramSender().pack(program)
    expect(() => new ProgramReceiver(program).unpack({ program: parts, fresh: [] })).toThrow(/never sent/)
  })
})
