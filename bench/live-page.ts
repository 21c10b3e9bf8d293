/** Runs in Chromium: the application's own audio thread on a large mix, and on one that is too large for any machine. */
import type { EffectKind } from '@rudlo/core/effects'
import { point } from '@rudlo/core/envelope'
import { MixLoudnessMeter } from '@rudlo/core/assess'
import { compileMix, type AssetAudio } from '@rudlo/core/engine'
import { crossEnergy } from '@rudlo/core/instant'
import { addEffect, addReturn, addSend, plainMix, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { DropoutWatch } from '../packages/web/src/engine/dropout-watch'
import { EngineHost } from '../packages/web/src/engine/engine-host'

const RATE = 44_100
const TICKS_PER_SECOND = 1920

/** A song of so many mono tracks of noise. */
function noiseSong(tracks: number, seconds: number): { song: SongVersion; audio: [string, AssetAudio][] } {
  const frames = seconds * RATE
  const ids = Array.from({ length: tracks }, (_, i) => i.toString(16).padStart(64, '0'))
  const song: SongVersion = {
    format: 'rudlo-song',
    version: 1,
    title: 'Noise',
    length: seconds * TICKS_PER_SECOND,
    tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
    meter: [{ tick: 0, beats: 4, unit: 4 }],
    sections: [],
    tracks: ids.map((_, i) => ({ id: `t${i}`, name: `${i}`, role: 'chords', channels: 1 })),
    regions: ids.map((asset, i) => ({
      id: `r${i}`,
      track: `t${i}`,
      asset,
      start: 0,
      offset: 0,
      length: frames,
    })),
    assets: ids.map((id) => ({ id, channels: 1, frames })),
  }
  const audio = ids.map((id, i): [string, AssetAudio] => {
    const samples = new Int16Array(new SharedArrayBuffer(frames * 2))
    let state = i * 7919 + 1
    for (let n = 0; n < frames; n++) {
      state = (state * 48_271) % 2_147_483_647
      samples[n] = (state & 0xfff) - 0x800
    }
    return [id, { channels: [samples], frames }]
  })
  return { song, audio }
}

/** 6 returns with an effect each, sends to them, and 40 lines of 100 points. */
function largeMix(song: SongVersion): Mix {
  const kinds: EffectKind[] = ['reverb', 'delay', 'flanger', 'reverb', 'delay', 'filter']
  let mix = plainMix(song)
  kinds.forEach((kind, i) => (mix = addReturn(mix, kind, kind, { back: `back${i}`, effect: `be${i}` })))
  const addresses: string[] = []
  song.tracks.forEach(({ id }, i) => {
    mix = addEffect(mix, id, i % 2 ? 'filter' : 'eq', `e${i}`)
    mix = addSend(mix, id, `back${i % 6}`, `s${i}`)
    mix = withSetting(mix, `send/s${i}/level`, -12)
    addresses.push(`track/${id}/level`, `track/${id}/pan`, `send/s${i}/level`)
    if (i % 2) addresses.push(`effect/e${i}/frequency`)
  })
  for (const [n, address] of addresses.slice(0, 40).entries()) {
    const value = (i: number) =>
      address.endsWith('pan')
        ? Math.sin(i)
        : address.endsWith('level')
          ? -20 + 15 * Math.sin(i)
          : 400 + 300 * i
    const points = Array.from({ length: 60 }, (_, i) => point(Math.round((i * song.length) / 60), value(i)))
    mix = withPoints(mix, address, points, () => `line${n}`)
  }
  return mix
}

/** Far more reverbs than any machine can compute in time. */
function hopelessMix(song: SongVersion): Mix {
  let mix = plainMix(song)
  for (const { id } of song.tracks)
    for (let i = 0; i < 16; i++) mix = addEffect(mix, id, 'reverb', `${id}x${i}`)
  return mix
}

interface Watched {
  /** Share of the time that the audio thread was at work. */
  load: number
  dropouts: number
  /** Whether the song moved on. */
  played: boolean
}

async function watch(tracks: number, make: (song: SongVersion) => Mix, seconds: number): Promise<Watched> {
  const { song, audio } = noiseSong(tracks, seconds + 2)
  const host = await EngineHost.create(compileMix(song, make(song)), audio)
  await host.play()
  await new Promise((resolve) => setTimeout(resolve, 1500))
  const dropouts = new DropoutWatch()
  const before = host.state.work
  const start = host.state.position
  for (const end = performance.now() + seconds * 1000; performance.now() < end;) {
    await new Promise((resolve) => setTimeout(resolve, 20))
    dropouts.follow(host.clock, performance.now())
  }
  const after = host.state.work
  const played = host.state.position > start
  await host.close()
  return {
    load: (after.worked - before.worked) / (after.lasted - before.lasted),
    dropouts: dropouts.count,
    played,
  }
}

/** Everything that a bench holds for the ear and for the loudness, on 8 mono tracks of 3 minutes, while it plays. */
async function holdBench(): Promise<void> {
  const { song, audio } = noiseSong(8, 180)
  const mix = plainMix(song)
  const program = compileMix(song, mix)
  const host = await EngineHost.create(program, audio)
  const store = new Map(audio)
  const meter = new MixLoudnessMeter(song, store)
  meter.measure(mix)
  const table = crossEnergy(program.tracks, store, program.length)
  await host.play()
  // kept for as long as the page is: it is measured from outside
  Object.assign(globalThis, { held: [host, meter, table] })
  await new Promise((resolve) => setTimeout(resolve, 3000))
}

Object.assign(globalThis, {
  holdBench,
  watchLarge: (seconds: number) => watch(16, largeMix, seconds),
  watchHopeless: (seconds: number) => watch(64, hopelessMix, seconds),
})
