/** Every reader of what comes in, fed with what is nearly right and what is meant to hurt. */
import { Readable } from 'node:stream'
import { readBrief } from '@rudlo/core/brief'
import {
  csvText,
  linesFromCsv,
  linesFromJson,
  linesToCsv,
  linesToJson,
  packBundle,
  readWav,
  unpackBundle,
  writeWav,
} from '@rudlo/core/exchange'
import { readMidi, writeMidi } from '@rudlo/core/midi'
import { plainMix, withPoints, trackLevel } from '@rudlo/core/mix'
import { point } from '@rudlo/core/envelope'
import { readOneRoster, readRoster } from '@rudlo/core/roster'
import type { SongVersion } from '@rudlo/core/song'
import { readSurface } from '@rudlo/core/surface'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { strToU8, zipSync } from 'fflate'
import { BadBackup, readDump } from '../packages/server/src/backup/dump-reader'
import { decodeFlac } from '../packages/server/src/songbook/audio/flac-decoder'

/** What one reader took at most. */
export interface Taken {
  readonly name: string
  readonly inputs: number
  /** Longest for one input, in ms. */
  readonly ms: number
  /** Most memory that one input took while it was read, in MiB. */
  readonly mib: number
  /** Inputs that ended in an error that is no refusal. */
  readonly faults: number
}

const ASSET = 'a'.repeat(64)
const song: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'Fuzz',
  length: 96_000,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [{ id: 's', letter: 'A', name: '', tick: 0 }],
  tracks: Array.from({ length: 8 }, (_, i) => ({
    id: `t${i}`,
    name: `T${i}`,
    role: 'lead' as const,
    channels: 1 as const,
  })),
  regions: [{ id: 'r', track: 't0', asset: ASSET, start: 0, offset: 0, length: 1000 }],
  assets: [{ id: ASSET, channels: 1, frames: 1000 }],
}
let id = 0
const mix = withPoints(
  plainMix(song),
  trackLevel('t0'),
  Array.from({ length: 2000 }, (_, i) => point(i * 40, -(i % 60))),
  () => `id${id++}`,
)
const brief = {
  purpose: 'x',
  open: [trackLevel('t0')],
  answers: 'asked',
  hintsAfter: 1,
  repairs: true,
  tasks: [
    {
      id: 'a',
      title: 'A',
      text: '',
      lanes: [trackLevel('t0')],
      from: 0,
      to: 9600,
      weight: 1,
      hints: ['x'],
      checks: [],
    },
  ],
}
const midi = writeMidi(song, mix, true)

/** A MIDI file of 64 parts that says to hold one note for so many quarters. */
function hostileMidi(quarters: number, events: number): Uint8Array {
  const track: number[] = [0, 0x90, 60, 100]
  for (let i = 0; i < events; i++) track.push(0, 0x90, 60 + (i % 20), 100)
  const delta = Math.min(0x0fffffff, quarters * 480)
  track.push(
    ((delta >> 21) & 0x7f) | 0x80,
    ((delta >> 14) & 0x7f) | 0x80,
    ((delta >> 7) & 0x7f) | 0x80,
    delta & 0x7f,
    0x80,
    60,
    0,
    0,
    0xff,
    0x2f,
    0,
  )
  const size = [track.length >> 24, (track.length >> 16) & 255, (track.length >> 8) & 255, track.length & 255]
  const head = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 64, 1, 0xe0]
  const one = [0x4d, 0x54, 0x72, 0x6b, ...size, ...track]
  return Uint8Array.from([...head, ...Array.from({ length: 64 }, () => one).flat()])
}

const text = (value: unknown) => strToU8(typeof value === 'string' ? value : JSON.stringify(value))
const parse = (bytes: Uint8Array): unknown => {
  try {
    return JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    return null
  }
}
const asText = (bytes: Uint8Array) => new TextDecoder().decode(bytes)

interface Reader {
  readonly name: string
  readonly seeds: readonly Uint8Array[]
  read(bytes: Uint8Array): unknown
}

const bomb = zipSync({
  'bundle.json': text({ format: 'rudlo-bundle', version: 1 }),
  'song.json': new Uint8Array(60_000_000),
  'mix.json': text({}),
})
const readers: readonly Reader[] = [
  { name: 'MIDI', seeds: [midi, hostileMidi(20_000, 0), hostileMidi(4, 6000)], read: readMidi },
  { name: 'WAV', seeds: [writeWav(44_100, [new Float32Array(20_000)])], read: readWav },
  { name: 'FLAC', seeds: [], read: (bytes) => decodeFlac(bytes, 20_000) },
  {
    name: 'bundle (zip)',
    seeds: [packBundle({ song, mix, audio: new Map([[ASSET, new Uint8Array(5000)]]) }), bomb],
    read: unpackBundle,
  },
  {
    name: 'list of students',
    seeds: [
      text('Name;Sign-in\n' + 'Ann;ann\n'.repeat(200)),
      text(`${'"'.repeat(200_000)}\n`),
      text(`${'a,'.repeat(300_000)}\n`),
      text('Ann Lee\n'.repeat(130_000)),
      text('Ann Lee\n'.repeat(9000)),
      text(csvText(Array.from({ length: 20_000 }, (_, i) => [`N${i}`, `n${i}`]))),
    ],
    read: (bytes) => readRoster(asText(bytes)),
  },
  {
    name: 'OneRoster',
    seeds: [text('sourcedId,givenName,familyName,role\n' + '1,A,B,student\n'.repeat(5000))],
    read: (bytes) =>
      readOneRoster(asText(bytes), 'classSourcedId,userSourcedId,role\n' + 'c,1,student\n'.repeat(20_000)),
  },
  {
    name: 'mix',
    seeds: [text(mix), text({ ...mix, envelopes: Array.from({ length: 20 }, () => mix.envelopes[0]) })],
    read: (bytes) => checkMix(parse(bytes), song),
  },
  {
    name: 'song',
    seeds: [
      text(song),
      text({
        ...song,
        tempo: Array.from({ length: 5000 }, (_, i) => ({ tick: i, bpm: 60 + (i % 100), form: 'ramp' })),
      }),
    ],
    read: (bytes) => checkSong(parse(bytes)),
  },
  {
    name: 'brief',
    seeds: [text(brief), text({ ...brief, tasks: Array.from({ length: 20_000 }, () => brief.tasks[0]) })],
    read: (bytes) => readBrief(parse(bytes), song, mix),
  },
  {
    name: 'surface map',
    seeds: [
      text({ format: 'rudlo-surface', version: 1, name: 'x', controls: [] }),
      text({
        format: 'rudlo-surface',
        version: 1,
        name: 'x',
        controls: Array.from({ length: 50_000 }, () => ({})),
      }),
    ],
    read: (bytes) => readSurface(parse(bytes)),
  },
  {
    name: 'lines as CSV',
    seeds: [text(linesToCsv(song, mix))],
    read: (bytes) => linesFromCsv(song, mix, asText(bytes), () => `x${id++}`),
  },
  {
    name: 'lines as JSON',
    seeds: [text(linesToJson(mix))],
    read: (bytes) => linesFromJson(mix, asText(bytes), () => `x${id++}`),
  },
  {
    name: 'backup',
    seeds: [
      text(
        '-- rudlo backup 1\nCREATE TABLE `people` (\n  `id` char(36),\n  `name` text\n) x;\nINSERT INTO `people` VALUES\n' +
          "('a','b\\'c'),\n".repeat(5000) +
          "('a','b');\n-- Dump completed\n",
      ),
    ],
    read: async (bytes) => {
      let rows = 0
      for await (const piece of readDump(Readable.from([bytes]))) rows += piece.rows.length
      return rows
    },
  },
]

/** Something of a file changed, cut off, doubled or filled. */
function harmed(seed: Uint8Array, random: () => number): Uint8Array {
  const below = (n: number) => Math.floor(random() * n)
  const bytes = seed.slice()
  for (let n = below(12); n > 0 && bytes.length; n--) bytes[below(bytes.length)] = below(256)
  const how = random()
  if (how < 0.15) return bytes.subarray(0, below(bytes.length))
  if (how < 0.25)
    return Uint8Array.from([
      ...bytes.subarray(0, 20_000),
      ...bytes.subarray(below(bytes.length)).subarray(0, 40_000),
    ])
  if (how < 0.35) bytes.fill(0xff, below(bytes.length), below(bytes.length))
  return bytes
}

const isRefusal = (error: unknown) => error instanceof RangeError || error instanceof BadBackup

/** @param each how many inputs for each reader @param flac a file of 20,000 samples */
export async function readersTake(each: number, random: () => number, flac: Uint8Array): Promise<Taken[]> {
  const taken: Taken[] = []
  for (const { name, seeds: known, read } of readers) {
    const seeds = name === 'FLAC' ? [flac] : known
    let [ms, mib, faults] = [0, 0, 0]
    for (const seed of seeds)
      await Promise.resolve(seed)
        .then(read)
        .catch(() => null)
    for (let i = 0; i < each; i++) {
      const input = i < seeds.length ? seeds[i]! : harmed(seeds[i % seeds.length]!, random)
      const before = process.memoryUsage()
      const began = performance.now()
      try {
        await read(input)
      } catch (error) {
        if (!isRefusal(error)) {
          faults++
          if (process.env['RUDLO_FUZZ_SHOW']) console.error(name, error)
        }
      }
      ms = Math.max(ms, performance.now() - began)
      const after = process.memoryUsage()
      mib = Math.max(
        mib,
        (after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 2 ** 20,
      )
    }
    taken.push({ name, inputs: each, ms, mib, faults })
  }
  return taken
}
