import { describe, expect, it } from 'vitest'
import { point } from '../envelope'
import { smallSong } from '../../test/songs'
import {
  addEffect,
  addReturn,
  addSend,
  envelopeOf,
  plainMix,
  removeReturn,
  restoreControl,
  restoreOwner,
  withPoints,
  withSetting,
  type Mix,
} from '.'

const song = smallSong()
const line = (mix: Mix, address: string, value: number, id: string) =>
  withPoints(mix, address, [point(0, value)], () => id)
const start = line(withSetting(plainMix(song), 'track/reed/level', -6), 'track/reed/pan', 0.5, 'p0')

describe('restoring a control', () => {
  it('puts its setting and its line back, and nothing else', () => {
    let mix = withSetting(start, 'track/reed/level', 3)
    mix = line(mix, 'track/reed/level', -20, 'l1')
    mix = line(mix, 'track/pad/level', -30, 'l2')
    const back = restoreControl(mix, start, 'track/reed/level')
    expect(back.tracks[0]!.level).toBe(-6)
    expect(envelopeOf(back, 'track/reed/level')).toBeUndefined()
    expect(envelopeOf(back, 'track/pad/level')).toBe(envelopeOf(mix, 'track/pad/level'))
  })

  it('brings back a line that was changed, under the id it has', () => {
    const mix = line(start, 'track/reed/pan', -1, 'other')
    const back = restoreControl(mix, start, 'track/reed/pan')
    expect(envelopeOf(back, 'track/reed/pan')).toEqual(envelopeOf(start, 'track/reed/pan'))
  })

  it('leaves alone what the other mix does not have, and what is as it was', () => {
    const mix = addEffect(start, 'reed', 'eq', 'e')
    expect(restoreControl(mix, start, 'effect/e/lowGain')).toBe(mix)
    expect(restoreControl(start, start, 'track/reed/level')).toBe(start)
  })
})

describe('restoring a track', () => {
  it('puts its settings, effects, sends and lines back', () => {
    let mix = addEffect(start, 'reed', 'filter', 'f')
    mix = withSetting(mix, 'track/reed/pan', -1)
    mix = line(mix, 'effect/f/frequency', 500, 'lf')
    mix = line(mix, 'track/reed/gain', 5, 'lg')
    mix = line(mix, 'track/pad/level', -30, 'lp')
    const back = restoreOwner(mix, start, 'reed')
    expect(back.tracks[0]).toEqual(start.tracks[0])
    expect(back.envelopes.map((e) => e.address).sort()).toEqual(['track/pad/level', 'track/reed/pan'])
  })

  it('leaves out a send to a return that is gone', () => {
    let given = addReturn(start, 'Echo', 'delay', { back: 'r', effect: 'x' })
    given = addSend(given, 'reed', 'r', 's')
    given = line(given, 'send/s/level', -6, 'ls')
    const back = restoreOwner(removeReturn(given, 'r'), given, 'reed')
    expect(back.tracks[0]!.sends).toEqual([])
    expect(envelopeOf(back, 'send/s/level')).toBeUndefined()
  })

  it('knows nothing of a return that was added later', () => {
    const mix = addReturn(start, 'Echo', 'delay', { back: 'r', effect: 'x' })
    expect(restoreOwner(mix, start, 'r')).toBe(mix)
  })
})
