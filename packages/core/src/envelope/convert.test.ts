import { EFFECTS } from '../effects'
import { describe, expect, it } from 'vitest'
import { COMMON_EFFECT_CONTROLS, MIXER_CONTROLS, SEND_CONTROLS } from '../scale'
import { convertPoints, point } from '.'

const fade = [point(0, -90), point(960, 0)]

describe('a line for another control', () => {
  it('is taken as it is where both mean the same', () => {
    expect(convertPoints(fade, MIXER_CONTROLS.level, SEND_CONTROLS.level)).toEqual({
      points: fade,
      note: null,
    })
  })

  it('keeps its form as a share: silence is nothing', () => {
    const wet = convertPoints(fade, MIXER_CONTROLS.level, COMMON_EFFECT_CONTROLS.wet)
    expect(wet).toMatchObject({ points: [{ value: 0 }, { value: 0.75 }] })
    expect('note' in wet && wet.note).toContain('keeps its form')
  })

  it('is held within the other range where only that differs', () => {
    const sweep = [point(0, 20), point(960, 20_000)]
    const found = convertPoints(sweep, EFFECTS.filter.controls.frequency, EFFECTS.eq.controls.bellFrequency)
    expect('points' in found && found.points.every((p) => p.value >= 20 && p.value <= 20_000)).toBe(true)
  })

  it('is refused with the reason where it means nothing', () => {
    const refusals = [
      [MIXER_CONTROLS.level, MIXER_CONTROLS.pan],
      [MIXER_CONTROLS.pan, MIXER_CONTROLS.level],
      [MIXER_CONTROLS.mute, MIXER_CONTROLS.level],
      [MIXER_CONTROLS.level, MIXER_CONTROLS.mute],
      [EFFECTS.filter.controls.frequency, MIXER_CONTROLS.pan],
    ] as const
    for (const [from, to] of refusals)
      expect(convertPoints([point(0, from.initial)], from, to)).toEqual({
        refused: expect.stringContaining('means nothing') as string,
      })
  })
})
