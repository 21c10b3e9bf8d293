import { EFFECT_KINDS } from '../effects'
import { describe, expect, it } from 'vitest'
import { MIXER_CONTROLS } from '../scale'
import { smallSong } from '../../test/songs'
import { addEffect, addReturn, addSend, allLanes, lanesOf, plainMix, resolve, type Mix } from '.'

const rich = EFFECT_KINDS.reduce<Mix>(
  (mix, kind) => addEffect(mix, 'reed', kind, kind),
  addSend(addReturn(plainMix(smallSong()), 'Echo', 'delay', { back: 'r', effect: 'x' }), 'reed', 'r', 's'),
)

describe('the lanes of a mix', () => {
  it('are controls that are there, each once', () => {
    const lanes = allLanes(rich)
    expect(new Set(lanes).size).toBe(lanes.length)
    for (const lane of lanes) expect(resolve(rich, lane), lane).not.toBeNull()
    expect(lanes.at(-1)).toBe('main/level')
  })

  it('leave no control out', () => {
    const words = (owner: string) => lanesOf(plainMix(smallSong()), owner).map((a) => a.split('/')[2])
    expect(words('pad').sort()).toEqual(Object.keys(MIXER_CONTROLS).sort())
    for (const kind of EFFECT_KINDS) {
      const effect = rich.tracks[0]!.effects.find((e) => e.kind === kind)!
      for (const word of [...Object.keys(effect.params), 'wet', 'bypass'])
        expect(lanesOf(rich, 'reed')).toContain(`effect/${kind}/${word}`)
    }
  })

  it('come with the common ones first', () => {
    expect(lanesOf(rich, 'reed').slice(0, 4)).toEqual([
      'track/reed/level',
      'track/reed/pan',
      'send/s/level',
      'send/s/on',
    ])
    expect(lanesOf(rich, 'nobody')).toEqual([])
  })
})
