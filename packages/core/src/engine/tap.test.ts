import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { point } from '../envelope'
import { addReturn, addSend, plainMix, withSetting } from '../mix'
import { SAMPLE_RATE } from '../time'
import { BLOCK, compileMix, Engine, type Bus } from '.'

const song = smallSong()
const tone = (hz: number) => (n: number) => Math.round(8000 * Math.sin((2 * Math.PI * hz * n) / SAMPLE_RATE))
const audio = audioFor(song, tone(300), tone(700))
const swept = withLine(song, 'reed', [point(0, -20), point(3840, 0)])
const mix = withSetting(
  addSend(addReturn(swept, 'Hall', 'reverb', { back: 'hall', effect: 'fx' }), 'reed', 'hall', 's'),
  'main/level',
  -6,
)

/** What is played, and what each tap had, over some seconds; the last block is a short one. */
function played(taps: readonly (readonly string[])[], of = mix) {
  const engine = new Engine(compileMix(song, of), audio)
  const buses = taps.map((ids) => engine.tap(ids))
  const frames = 2 * SAMPLE_RATE
  const sides = () => ({ left: new Float32Array(frames), right: new Float32Array(frames) })
  const whole = sides()
  const heard = buses.map(sides)
  for (let at = 0; at < frames; at += BLOCK) {
    const n = Math.min(BLOCK, frames - at)
    engine.process(at, n, whole.left.subarray(at, at + n), whole.right.subarray(at, at + n))
    const take = (bus: Bus, i: number) => {
      heard[i]!.left.set(bus.left.view.subarray(0, n), at)
      heard[i]!.right.set(bus.right.view.subarray(0, n), at)
    }
    buses.forEach(take)
  }
  return { whole, heard }
}

const furthest = (a: Float32Array, b: Float32Array) =>
  a.reduce((most, v, i) => Math.max(most, Math.abs(v - b[i]!)), 0)

describe('a tap', () => {
  it('changes nothing of what is played', () => {
    const { whole } = played([['reed'], ['hall'], ['pad', 'hall']])
    expect(furthest(whole.left, played([]).whole.left)).toBe(0)
  })

  it('has what its tracks and returns give to the whole, after the main volume', () => {
    const { whole, heard } = played([['reed', 'hall'], ['pad']])
    const sum = heard[0]!.left.map((v, i) => v + heard[1]!.left[i]!)
    expect(furthest(sum, whole.left)).toBeLessThan(1e-6)
    const alone = { ...mix, tracks: mix.tracks.filter((t) => t.id === 'reed') }
    expect(furthest(heard[0]!.right, played([], alone).whole.right)).toBeLessThan(1e-6)
  })

  it('is silent where nothing sounds any more', () => {
    const muted = withSetting(mix, 'track/pad/mute', 1)
    const [pad, nobody] = played([['pad'], ['nobody']], muted).heard
    expect(pad!.left.subarray(SAMPLE_RATE).every((v) => v === 0)).toBe(true)
    expect(nobody!.left.every((v) => v === 0)).toBe(true)
  })
})

describe('a mix without a send', () => {
  it('gives nothing to its returns', () => {
    const unsent = addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'fx' })
    expect(played([['hall']], unsent).heard[0]!.left.every((v) => v === 0)).toBe(true)
  })
})
