import { describe, expect, it } from 'vitest'
import { addEffect, addReturn, addSend, plainMix, withSetting, type Mix } from '../mix'
import { SAMPLE_RATE } from '../time'
import { same } from '../../test/samples'
import { audioFor, smallSong } from '../../test/songs'
import { compileMix, render, renderStems } from '.'

const song = smallSong()
const END = 8 * SAMPLE_RATE
/** A short knock just before the song ends. */
const knock = audioFor(song, (n) => (n > END - 4000 && n < END - 2000 ? 12_000 : 0))
const noise = audioFor(
  song,
  (n) => ((n * 7919) % 20_011) - 10_000,
  (n, side) => (((n + side) * 104_729) % 9973) - 5000,
)

function withEcho(feedback: number): Mix {
  let mix = addReturn(plainMix(song), 'Echo', 'delay', { back: 'e', effect: 'fx' })
  mix = addSend(mix, 'reed', 'e', 's')
  for (const [address, value] of [
    ['send/s/level', 0],
    ['effect/fx/feedback', feedback],
    ['effect/fx/note', 480],
  ] as const)
    mix = withSetting(mix, address, value)
  return mix
}

describe('a tail', () => {
  it('is nothing where nothing rings', () => {
    const sound = render(compileMix(song, plainMix(song)), knock, { tail: true })!
    expect(sound.left).toHaveLength(END)
  })

  it('rings out to −90 dBFS, and the mixdown ends with it', () => {
    const program = compileMix(song, withEcho(0.5))
    const cut = render(program, knock)!
    const whole = render(program, knock, { tail: true })!
    expect(whole.left.length).toBeGreaterThan(END + SAMPLE_RATE)
    expect(same(whole.left.slice(0, END), cut.left)).toBe(true)
    const last = Math.max(Math.abs(whole.left.at(-1)!), Math.abs(whole.right.at(-1)!))
    expect(last).toBeGreaterThanOrEqual(10 ** -4.5)
    // the echo halves a few times a second: 80 dB are gone well before the longest tail
    expect(whole.left.length).toBeLessThan(END + 6 * SAMPLE_RATE)
  })

  it('is ten seconds at most', () => {
    const endless = render(compileMix(song, withEcho(0.95)), knock, { tail: true })!
    expect(endless.left.length).toBeLessThanOrEqual(END + 10 * SAMPLE_RATE)
    expect(endless.left.length).toBeGreaterThan(END + 9 * SAMPLE_RATE)
  })
})

describe('stems', () => {
  it('are together the mix, each with its share of the returns', () => {
    let mix = addEffect(withEcho(0.4), 'pad', 'filter', 'f')
    mix = withSetting(mix, 'effect/f/frequency', 900)
    mix = addSend(mix, 'pad', 'e', 's2')
    const program = compileMix(song, mix)
    const whole = render(program, noise)!
    const stems = renderStems(program, noise)!
    expect(stems.map((s) => s.track)).toEqual(['reed', 'pad'])
    let worst = 0
    for (let n = 0; n < END; n += 7) {
      const sum = stems.reduce((all, { sound }) => all + sound.left[n]!, 0)
      worst = Math.max(worst, Math.abs(sum - whole.left[n]!))
    }
    expect(worst).toBeLessThan(1e-6)
  })

  it('can be stopped, and say how far they are', () => {
    const shares: number[] = []
    const program = compileMix(song, plainMix(song))
    expect(
      renderStems(program, noise, { onProgress: (share) => (shares.push(share), share < 0.6) }),
    ).toBeNull()
    expect(shares.at(-1)).toBeGreaterThan(0.6)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
  })
})
