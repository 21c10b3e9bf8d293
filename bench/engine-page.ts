/** Runs in Chromium: the core's offline render beside the browser's own offline audio graph, on the same song. */
import { point } from '@rudlo/core/envelope'
import {
  compileMix,
  inTwo,
  makeHandover,
  render,
  type AssetAudio,
  type AudioStore,
  type Program,
  type Render,
} from '@rudlo/core/engine'
import { addEffect, addReturn, addSend, plainMix, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import { levelGain } from '@rudlo/core/scale'
import { InstantLoudness } from '@rudlo/core/instant'
import { loudnessTrace } from '@rudlo/core/loudness'
import type { SongVersion } from '@rudlo/core/song'
import type { Half } from './engine-thread'

const RATE = 44_100
const SECONDS = 90
const TRACKS = 8
const POINTS = 200
const LENGTH = SECONDS * 1920
const FRAMES = SECONDS * RATE

const ids = Array.from({ length: TRACKS }, (_, i) => String(i).repeat(64))

const song: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'Bench',
  length: LENGTH,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: ids.map((_, i) => ({ id: `t${i}`, name: `Track ${i}`, role: 'chords', channels: 2 })),
  regions: ids.map((asset, i) => ({
    id: `r${i}`,
    track: `t${i}`,
    asset,
    start: 0,
    offset: 0,
    length: FRAMES,
  })),
  assets: ids.map((id) => ({ id, channels: 2, frames: FRAMES })),
}

const levelAt = (track: number, i: number) => -30 + 30 * Math.abs(Math.sin(i * 0.37 + track))
const panAt = (track: number, i: number) => Math.sin(i * 0.21 + track)
const line = (valueAt: (i: number) => number) =>
  Array.from({ length: POINTS }, (_, i) => point(Math.round((i * LENGTH) / POINTS), valueAt(i)))

/** Sweep of the filters, in Hz. */
const cutAt = (track: number, i: number) => 200 * 60 ** Math.abs(Math.sin(i * 0.13 + track))

/** What is rendered: volume and pan lines alone, or the whole reference job. */
type Job = 'plain' | 'reference'

/** The plain job: volume and pan lines of 200 points on every track. */
function plainJob(): Mix {
  let mix = plainMix(song)
  for (let t = 0; t < TRACKS; t++) {
    mix = withPoints(
      mix,
      `track/t${t}/level`,
      line((i) => levelAt(t, i)),
      () => `l${t}`,
    )
    mix = withPoints(
      mix,
      `track/t${t}/pan`,
      line((i) => panAt(t, i)),
      () => `p${t}`,
    )
  }
  return mix
}

/** The reference job: swept filters, volume and pan lines, sends to a delay and a reverb. */
function referenceJob(): Mix {
  let mix = addReturn(plainJob(), 'Delay', 'delay', { back: 'd', effect: 'd-fx' })
  mix = addReturn(mix, 'Reverb', 'reverb', { back: 'r', effect: 'r-fx' })
  mix = withSetting(mix, 'effect/d-fx/feedback', 0.4)
  mix = withSetting(mix, 'effect/r-fx/decay', 2000)
  for (let t = 0; t < TRACKS; t++) {
    mix = addEffect(mix, `t${t}`, 'filter', `f${t}`)
    mix = withPoints(
      mix,
      `effect/f${t}/frequency`,
      line((i) => cutAt(t, i)),
      () => `c${t}`,
    )
    for (const to of ['d', 'r']) {
      mix = addSend(mix, `t${t}`, to, `s${t}${to}`)
      mix = withSetting(mix, `send/s${t}${to}/level`, -12)
    }
  }
  return mix
}

function noise(seed: number): Int16Array {
  let state = seed * 7919 + 1
  const samples = new Int16Array(new SharedArrayBuffer(FRAMES * Int16Array.BYTES_PER_ELEMENT))
  for (let n = 0; n < FRAMES; n++) {
    state = (state * 48_271) % 2_147_483_647
    samples[n] = (state & 0x3fff) - 0x2000
  }
  return samples
}

/** Noise that falls by 60 dB in two seconds, for the browser's convolver. */
function roomNoise(): AudioBuffer {
  const buffer = new AudioBuffer({ length: 2 * RATE, numberOfChannels: 2, sampleRate: RATE })
  for (let c = 0; c < 2; c++) {
    const samples = Float32Array.from(
      noise(99 + c).subarray(0, 2 * RATE),
      (v, n) => (v / 32_768) * 10 ** ((-3 * n) / (2 * RATE)),
    )
    buffer.copyToChannel(samples, c)
  }
  return buffer
}

/** The same in the browser's own nodes, with ramps at the same points: k-rate for the filter, a-rate for gain and pan. */
function browserGraph(buffers: readonly AudioBuffer[], job: Job): OfflineAudioContext {
  const context = new OfflineAudioContext(2, FRAMES, RATE)
  const delay = new DelayNode(context, { delayTime: 0.375, maxDelayTime: 1 })
  const feedback = new GainNode(context, { gain: 0.4 })
  delay.connect(feedback).connect(delay)
  if (job === 'reference') delay.connect(context.destination)
  const reverb = new ConvolverNode(context, { buffer: roomNoise() })
  if (job === 'reference') reverb.connect(context.destination)
  const sends = new GainNode(context, { gain: levelGain(-12) })
  sends.connect(delay)
  sends.connect(reverb)
  buffers.forEach((buffer, t) => {
    const source = new AudioBufferSourceNode(context, { buffer })
    const filter = new BiquadFilterNode(context, { type: 'lowpass' })
    filter.frequency.automationRate = 'k-rate'
    const gain = new GainNode(context)
    const panner = new StereoPannerNode(context)
    const ramps: readonly (readonly [AudioParam, (i: number) => number])[] = [
      [filter.frequency, (i) => cutAt(t, i)],
      [gain.gain, (i) => levelGain(levelAt(t, i))],
      [panner.pan, (i) => panAt(t, i)],
    ]
    for (const [param, valueAt] of ramps) {
      param.setValueAtTime(valueAt(0), 0)
      for (let i = 1; i < POINTS; i++) param.linearRampToValueAtTime(valueAt(i), (i * SECONDS) / POINTS)
    }
    if (job === 'reference') source.connect(filter).connect(gain)
    else source.connect(gain)
    gain.connect(panner).connect(context.destination)
    if (job === 'reference') panner.connect(sends)
    source.start()
  })
  return context
}

/** The answer of a worker to what it was told. */
const answerOf = <T>(worker: Worker) =>
  new Promise<T>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<T>) => resolve(data)
    worker.onerror = () => reject(new Error('A thread was lost.'))
  })

/** Renders a program by two threads, of which one plays ahead for the other. */
async function onTwoThreads(program: Program, audio: AudioStore) {
  const threads = [new Worker('/engine-thread.js'), new Worker('/engine-thread.js')] as const
  await Promise.all(threads.map(answerOf))
  const { ahead, after } = inTwo(program)!
  return async (): Promise<Render> => {
    const handover = makeHandover(program.returns.length)
    const [first, rest] = threads
    const done = [answerOf<null>(first), answerOf<Render>(rest)] as const
    first.postMessage({ role: 'ahead', program: ahead, audio, handover } satisfies Half)
    rest.postMessage({ role: 'after', program: after, audio, handover } satisfies Half)
    const [, sound] = await Promise.all(done)
    return sound
  }
}

const isSame = (a: Render, b: Render) =>
  (['left', 'right'] as const).every((side) => a[side].every((x, n) => Object.is(x, b[side][n])))

/**
 * Seconds of each run, ours and the browser's in turn.
 * @param threads that ours are rendered by
 */
async function compare(
  job: Job,
  rounds: number,
  threads: 1 | 2 = 1,
): Promise<{ ours: number[]; theirs: number[] }> {
  const channels = ids.map((_, i) => [noise(2 * i + 1), noise(2 * i + 2)])
  const audio = new Map<string, AssetAudio>(
    ids.map((id, i) => [id, { channels: channels[i]!, frames: FRAMES }]),
  )
  const buffers = channels.map((pair) => {
    const buffer = new AudioBuffer({ length: FRAMES, numberOfChannels: 2, sampleRate: RATE })
    pair.forEach((samples, c) =>
      buffer.copyToChannel(
        Float32Array.from(samples, (v) => v / 32_768),
        c,
      ),
    )
    return buffer
  })
  const program = compileMix(song, job === 'plain' ? plainJob() : referenceJob())
  const rendered = threads === 2 ? await onTwoThreads(program, audio) : () => render(program, audio)!
  if (threads === 2 && !isSame(await rendered(), render(program, audio)!))
    throw new Error('Two threads make something else.')
  const ours: number[] = []
  const theirs: number[] = []
  for (let round = 0; round < rounds; round++) {
    let start = performance.now()
    await rendered()
    ours.push((performance.now() - start) / 1000)
    const graph = browserGraph(buffers, job)
    start = performance.now()
    await graph.startRendering()
    theirs.push((performance.now() - start) / 1000)
  }
  return { ours, theirs }
}

/** Milliseconds of a drag step of instant loudness: 12 mono tracks, 4 minutes, one line changed. */
function instantStep(steps: number): number[] {
  const tracks = 12
  const seconds = 240
  const hops = seconds * 10
  const signals = tracks
  const products = new Float32Array((hops * signals * (signals + 1)) / 2).map((_, i) => Math.abs(Math.sin(i)))
  const table = {
    hops,
    first: Array.from({ length: tracks }, (_, i) => i),
    channels: Array<1>(tracks).fill(1),
    signals,
    products,
  }
  const long: SongVersion = {
    ...song,
    length: seconds * 1920,
    tracks: Array.from({ length: tracks }, (_, i) => ({
      id: `t${i}`,
      name: '',
      role: 'chords',
      channels: 1,
    })),
    regions: [],
    assets: [],
  }
  let mix = plainMix(long)
  for (let t = 0; t < tracks; t++)
    mix = withPoints(
      mix,
      `track/t${t}/level`,
      line((i) => levelAt(t, i)),
      () => `l${t}`,
    )
  const instant = new InstantLoudness(table, long.tempo)
  const times: number[] = []
  for (let step = 0; step < steps; step++) {
    mix = withPoints(
      mix,
      'track/t0/level',
      line((i) => levelAt(0, i) - step / 100),
      () => 'l0',
    )
    const start = performance.now()
    loudnessTrace(instant.hops(compileMix(long, mix)), 4)
    times.push(performance.now() - start)
  }
  return times.sort((a, b) => a - b)
}

Object.assign(globalThis, { compareEngines: compare, instantStep })
