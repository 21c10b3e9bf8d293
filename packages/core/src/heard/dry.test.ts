import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { point } from '../envelope'
import { addEffect, addReturn, addSend, plainMix, trackLevel, withSetting, type Mix } from '../mix'
import { songTime } from '../song'
import { levelGain } from '../scale'
import { energies, hearTrack, loudnessIn, RecentParts } from '.'
import { isDry, withLevelLine, withPower } from './dry'

const BAR = 3840
const LANE = trackLevel('reed')
const song = smallSong(8)
const audio = audioFor(song, (n) => Math.round(9000 * Math.sin(n / 16)))
const reed = (mix: Mix) => mix.tracks.find((t) => t.id === 'reed')!
const line = [
  point(BAR, 0),
  point(2 * BAR, -30, 'curve', 0.4),
  point(3 * BAR, -6, 'jump'),
  point(3.5 * BAR, 3),
]

describe('a dry track', () => {
  it.each([
    ['by itself', plainMix(song)],
    ['behind an effect', addEffect(plainMix(song), 'reed', 'delay', 'd')],
    ['with a send that is shut', withReturn(-90)],
  ])('%s sounds with a line as it does held, at another level: within 0.1 LU every 100 ms', (_, mix) => {
    expect(isDry(mix, reed(mix))).toBe(true)
    const held = hearTrack(song, withLine(song, 'reed', [point(0, 3)], mix), audio, 'reed')!
    const drawn = withLine(song, 'reed', line, mix)
    const played = hearTrack(song, drawn, audio, 'reed', new RecentParts())!
    const derived = withLevelLine(songTime(song), drawn, LANE, held, 3)
    for (let hop = 2; hop < played.left.length - 1; hop++) {
      const [is, said] = [played, derived].map((part) =>
        loudnessIn(energies(part), { from: hop / 10, to: (hop + 1) / 10 }),
      ) as [number, number]
      // the K-weighting still rings of what was before both jumps
      if (hop !== 60 && hop !== 70) expect(Math.abs(is - said), `hop ${hop}`).toBeLessThan(0.1)
    }
  })

  it('held softer is what it is at full level, so much softer', () => {
    const at = (db: number) =>
      hearTrack(song, withLine(song, 'reed', [point(0, db)]), audio, 'reed', new RecentParts())!
    const [full, soft] = [at(0), at(-12)]
    const made = withPower(full, () => levelGain(-12) ** 2)
    const all = { from: 0, to: 8 }
    const [is, said] = [soft, made].map((part) => loudnessIn(energies(part), all))
    expect(said!).toBeCloseTo(is!, 3)
  })

  it('is not one that still sounds in a return', () => {
    const wet = withReturn(-6)
    expect(isDry(wet, reed(wet))).toBe(false)
    const [send] = reed(wet).sends
    const shut = withReturn(-90)
    const drawn = withSetting(wet, `send/${send!.id}/on`, 0)
    expect([isDry(shut, reed(shut)), isDry(drawn, reed(drawn))]).toEqual([true, true])
  })
})

function withReturn(level: number): Mix {
  const ids = { back: 'room', effect: 'r' }
  const mix = addSend(addReturn(plainMix(song), 'Room', 'reverb', ids), 'reed', 'room', 's')
  return withSetting(mix, 'send/s/level', level)
}
