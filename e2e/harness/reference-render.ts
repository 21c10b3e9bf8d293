/** One render that uses everything the engine has; run in Node and in Chromium to see that both give the same. */
import { point } from '@rudlo/core/envelope'
import { compileMix, render, type AssetAudio } from '@rudlo/core/engine'
import { addEffect, addReturn, addSend, plainMix, withPoints, withSetting } from '@rudlo/core/mix'
import { EFFECT_KINDS } from '@rudlo/core/effects'
import type { SongVersion } from '@rudlo/core/song'

const FRAMES = 6 * 44_100
const ASSET = 'a'.repeat(64)

const song: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'Reference',
  length: 9600,
  tempo: [
    { tick: 0, bpm: 90, form: 'ramp' },
    { tick: 4800, bpm: 140, form: 'hold' },
  ],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [
    { id: 'one', name: 'One', role: 'lead', channels: 1 },
    { id: 'two', name: 'Two', role: 'chords', channels: 2 },
  ],
  regions: ['one', 'two'].map((track) => ({
    id: `r-${track}`,
    track,
    asset: ASSET,
    start: 0,
    offset: 0,
    length: FRAMES,
  })),
  assets: [{ id: ASSET, channels: 2, frames: FRAMES }],
}

function noise(seed: number): Int16Array {
  let state = seed
  return Int16Array.from({ length: FRAMES }, () => {
    state = (state * 48_271) % 2_147_483_647
    return (state & 0x3fff) - 0x2000
  })
}

/** FNV-1a over the bits of every sample of both sides, before any quantising. */
export function referenceHash(): string {
  let mix = addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'hall-fx' })
  for (const kind of EFFECT_KINDS) mix = addEffect(mix, kind === 'delay' ? 'one' : 'two', kind, `fx-${kind}`)
  mix = withSetting(mix, 'effect/fx-eq/bellGain', 7)
  mix = withSetting(mix, 'effect/fx-delay/feedback', 0.6)
  mix = addSend(addSend(mix, 'one', 'hall', 's1'), 'two', 'hall', 's2')
  const lines = {
    'track/one/level': [
      point(0, -90),
      point(2000, -3, 's', 4),
      point(7000, -20, 'curve', -5),
      point(9000, 4),
    ],
    'track/two/pan': [point(0, -1, 'curve', 3), point(9000, 1)],
    'track/two/mute': [point(3000, 0, 'jump'), point(4000, 1, 'jump'), point(4500, 0, 'jump')],
    'effect/fx-filter/frequency': [point(0, 80), point(5000, 9000, 's', 2), point(9000, 200)],
    'send/s1/level': [point(0, -90), point(4000, 0), point(8000, -60)],
  }
  for (const [address, points] of Object.entries(lines))
    mix = withPoints(mix, address, points, () => `l-${address.replaceAll('/', '-')}`)
  const audio = new Map<string, AssetAudio>([[ASSET, { channels: [noise(1), noise(2)], frames: FRAMES }]])
  const { left, right } = render(compileMix(song, mix), audio)!
  let hash = 0x811c9dc5
  for (const side of [left, right]) {
    const bits = new Uint32Array(side.buffer)
    for (let n = 0; n < bits.length; n++) hash = Math.imul(hash ^ bits[n]!, 0x01000193)
  }
  return `${left.length}:${(hash >>> 0).toString(16)}:${left.some((v) => v !== 0)}`
}
