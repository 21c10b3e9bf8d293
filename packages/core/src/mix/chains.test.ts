import { EFFECT_KINDS } from '../effects'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EditRefused, point } from '../envelope'
import { smallSong } from '../../test/songs'
import { checkMix } from '../validate'
import {
  addEffect,
  addReturn,
  addSend,
  changeEffect,
  moveEffect,
  plainMix,
  removeEffect,
  removeReturn,
  removeSend,
  resolve,
  tapSend,
  withPoints,
  withSetting,
  type Mix,
} from '.'

const song = smallSong()
const plain = plainMix(song)
const withHall = addReturn(plain, 'Hall', 'reverb', { back: 'hall', effect: 'hall-reverb' })
const sent = addSend(withHall, 'reed', 'hall', 'to-hall')

describe('withSetting', () => {
  const full = addEffect(sent, 'reed', 'filter', 'sweep')
  const addresses = [
    'track/reed/level',
    'track/pad/pan',
    'track/pad/width',
    'track/reed/gain',
    'track/reed/mute',
    'return/hall/level',
    'return/hall/mute',
    'send/to-hall/level',
    'send/to-hall/on',
    'effect/sweep/frequency',
    'effect/sweep/wet',
    'effect/hall-reverb/bypass',
    'main/level',
  ]

  it('sets every control there is, clamped, and nothing else', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...addresses),
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        (address, value) => {
          const next = withSetting(full, address, value)
          const { control, setting } = resolve(next, address)!
          expect(setting).toBeGreaterThanOrEqual(control.scale.min)
          expect(setting).toBeLessThanOrEqual(control.scale.max)
          for (const other of addresses) {
            if (other !== address) expect(resolve(next, other)!.setting).toBe(resolve(full, other)!.setting)
          }
          expect(checkMix(JSON.parse(JSON.stringify(next)), song).ok).toBe(true)
        },
      ),
    )
  })

  it('gives the same mix back where nothing changes, and shares the rest where something does', () => {
    expect(withSetting(full, 'track/reed/level', 0)).toBe(full)
    const next = withSetting(full, 'track/reed/level', -6)
    expect(next.tracks[1]).toBe(full.tracks[1])
    expect(() => withSetting(full, 'track/none/level', 0)).toThrow(RangeError)
  })
})

describe('effects', () => {
  it('are added, named, switched, moved and taken out', () => {
    let mix: Mix = plain
    for (const kind of EFFECT_KINDS) mix = addEffect(mix, 'reed', kind, `fx-${kind}`)
    mix = moveEffect(mix, 'fx-chopper', 0)
    expect(mix.tracks[0]!.effects.map((e) => e.kind)).toEqual([
      'chopper',
      'eq',
      'filter',
      'delay',
      'reverb',
      'flanger',
      'playing',
    ])
    mix = changeEffect(mix, 'fx-filter', { name: 'Opening', mode: 'high-pass' })
    expect(mix.tracks[0]!.effects[2]).toMatchObject({ name: 'Opening', mode: 'high-pass' })
    expect(checkMix(JSON.parse(JSON.stringify(mix)), song).ok).toBe(true)
    expect(removeEffect(mix, 'fx-eq').tracks[0]!.effects).toHaveLength(6)
  })

  it('take their lines with them', () => {
    const swept = withPoints(
      addEffect(plain, 'reed', 'filter', 'f'),
      'effect/f/frequency',
      [point(0, 500)],
      () => 'line',
    )
    const placed: Mix = {
      ...swept,
      motifs: [{ id: 'm', name: 'Sweep', control: 'filter/frequency', length: 960, points: [] }],
      placements: [{ id: 'p', motif: 'm', envelope: 'line', start: 0 }],
    }
    expect(removeEffect(placed, 'f')).toMatchObject({ envelopes: [], placements: [] })
  })

  it('are refused where there is no room', () => {
    let mix: Mix = plain
    for (let i = 0; i < 16; i++) mix = addEffect(mix, 'reed', 'eq', `e${i}`)
    expect(() => addEffect(mix, 'reed', 'eq', 'one-more')).toThrow(EditRefused)
  })
})

describe('sends and returns', () => {
  it('come with one effect, fully wet, and a silent send', () => {
    expect(withHall.returns).toMatchObject([{ name: 'Hall', effects: [{ kind: 'reverb', wet: 1 }] }])
    expect(sent.tracks[0]!.sends).toEqual([{ id: 'to-hall', to: 'hall', level: -90, tap: 'post', on: true }])
    expect(tapSend(sent, 'to-hall', 'pre').tracks[0]!.sends[0]!.tap).toBe('pre')
    expect(removeSend(sent, 'to-hall').tracks[0]!.sends).toEqual([])
  })

  it('lead to later returns only: a circle is refused with a reason', () => {
    const two = addReturn(withHall, 'Echo', 'delay', { back: 'echo', effect: 'e' })
    expect(addSend(two, 'hall', 'echo', 's').returns[0]!.sends).toHaveLength(1)
    expect(() => addSend(two, 'echo', 'hall', 's')).toThrow('round for ever')
    expect(() => addSend(two, 'hall', 'hall', 's')).toThrow('round for ever')
    expect(() => addSend(sent, 'reed', 'hall', 'again')).toThrow('already')
  })

  it('are gone together, with every line', () => {
    const lines = withPoints(sent, 'send/to-hall/level', [point(0, -90)], () => 'a')
    const both = withPoints(lines, 'return/hall/level', [point(0, 0)], () => 'b')
    const gone = removeReturn(both, 'hall')
    expect(gone).toMatchObject({ returns: [], envelopes: [] })
    expect(gone.tracks[0]!.sends).toEqual([])
  })
})
