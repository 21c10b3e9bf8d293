import { words } from '@rudlo/words'
import Ajv, { type ValidateFunction } from 'ajv'
import { LONGEST_SLIDE, MOST_BENDS, MOST_NOTES, PLAYERS, ROLES, songTime, type SongVersion } from '../song'
import { LONGEST_SONG_TICKS, TICKS_PER_QUARTER } from '../time'
import { schemaSentence } from './mix'

type Schema = Readonly<Record<string, unknown>>

const id: Schema = { type: 'string', pattern: '^[A-Za-z0-9_-]{1,64}$' }
const hash: Schema = { type: 'string', pattern: '^[0-9a-f]{64}$' }
const name: Schema = { type: 'string', maxLength: 200 }
const tick: Schema = { type: 'integer', minimum: 0, maximum: LONGEST_SONG_TICKS }
const samples: Schema = { type: 'integer', minimum: 0, maximum: 2_000_000_000 }
const channels: Schema = { enum: [1, 2] }

const object = (properties: Record<string, Schema>, optional: Record<string, Schema> = {}): Schema => ({
  type: 'object',
  properties: { ...properties, ...optional },
  required: Object.keys(properties),
  additionalProperties: false,
})
const list = (items: Schema, minItems: number, maxItems: number): Schema => ({
  type: 'array',
  items,
  minItems,
  maxItems,
})

const share: Schema = { type: 'number', minimum: 0, maximum: 1 }
const quarters: Schema = { type: 'number', minimum: 0, maximum: LONGEST_SONG_TICKS / TICKS_PER_QUARTER }
const part = object(
  {
    player: { enum: PLAYERS },
    freedom: share,
    peak: share,
    seed: { type: 'integer', minimum: 0, maximum: 1e12 },
    notes: list(
      {
        type: 'array',
        items: [quarters, quarters, { type: 'number', minimum: 0, maximum: 127 }, share],
        minItems: 4,
        maxItems: 4,
      },
      0,
      MOST_NOTES,
    ),
  },
  {
    crest: { type: 'number', minimum: -60, maximum: 60 },
    bends: list(
      {
        type: 'array',
        items: [quarters, { type: 'number', minimum: -24, maximum: 24 }],
        minItems: 2,
        maxItems: 2,
      },
      0,
      MOST_BENDS,
    ),
    slides: list(
      {
        type: 'array',
        items: [
          { type: 'integer', minimum: 0, maximum: MOST_NOTES - 1 },
          { type: 'number', minimum: 0, maximum: 127 },
          { type: 'number', minimum: 0, maximum: LONGEST_SLIDE },
        ],
        minItems: 3,
        maxItems: 3,
      },
      0,
      MOST_NOTES,
    ),
  },
)

const SONG_SCHEMA = object({
  format: { const: 'rudlo-song' },
  version: { const: 1 },
  title: name,
  length: { ...tick, minimum: 1 },
  tempo: list(
    object({ tick, bpm: { type: 'number', minimum: 5, maximum: 1000 }, form: { enum: ['hold', 'ramp'] } }),
    1,
    5000,
  ),
  meter: list(
    object({
      tick,
      beats: { type: 'integer', minimum: 1, maximum: 64 },
      unit: { enum: [1, 2, 4, 8, 16, 32] },
    }),
    1,
    5000,
  ),
  sections: list(object({ id, letter: name, name, tick }), 0, 500),
  tracks: list(
    // a song from before tracks could be played says nothing of it
    object({ id, name, role: { enum: ROLES }, channels }, { played: { type: 'boolean' }, part }),
    0,
    64,
  ),
  regions: list(
    object({ id, track: id, asset: hash, start: tick, offset: samples, length: { ...samples, minimum: 1 } }),
    0,
    4096,
  ),
  assets: list(object({ id: hash, channels, frames: samples }), 0, 4096),
})

let compiled: ValidateFunction<SongVersion> | undefined

/** A checked song, or one sentence that names the first thing wrong. */
export type SongCheck =
  | { readonly ok: true; readonly song: SongVersion }
  | { readonly ok: false; readonly problem: string }

/** Checks a song document against its schema, and that what it refers to is there. */
export function checkSong(document: unknown): SongCheck {
  const fail = (problem: string): SongCheck => ({ ok: false, problem })
  const { format, version } = (document ?? {}) as { format?: unknown; version?: unknown }
  if (format !== 'rudlo-song') return fail(words('song.not-rudlo'))
  if (typeof version === 'number' && version > 1) return fail(words('song.written-newer'))
  compiled ??= new Ajv().compile<SongVersion>(SONG_SCHEMA)
  if (!compiled(document)) return fail(schemaSentence(compiled.errors?.[0], 'the song'))
  const problem = referencesProblem(document)
  return problem ? fail(problem) : { ok: true, song: document }
}

function referencesProblem(song: SongVersion): string | null {
  try {
    songTime(song)
  } catch (error) {
    return (error as Error).message
  }
  const assets = new Map(song.assets.map((a) => [a.id, a]))
  const tracks = new Set(song.tracks.map((t) => t.id))
  if (tracks.size !== song.tracks.length) return words('song.two-tracks')
  for (const { id: region, track, asset, offset, length } of song.regions) {
    const audio = assets.get(asset)
    if (!tracks.has(track)) return words('song.region-lies-track', { region })
    if (!audio) return words('song.region-uses-audio', { region })
    if (offset + length > audio.frames) return words('song.region-runs-past', { region })
  }
  return null
}
