import { EFFECT_KINDS, controlsOf, modesOf } from '../effects'
import { FORMS, MAX_BEND } from '../envelope'
import { type Control } from '../scale'
import { LONGEST_SONG_TICKS } from '../time'
import { LIMITS } from './mix'

type Schema = Readonly<Record<string, unknown>>

const tick: Schema = { type: 'integer', minimum: 0, maximum: LONGEST_SONG_TICKS }
const samples: Schema = { type: 'integer', minimum: 0, maximum: 2_000_000_000 }
const level: Schema = { type: 'number', minimum: -90, maximum: 6 }
const pan: Schema = { type: 'number', minimum: -1, maximum: 1 }
const id: Schema = { type: 'string', pattern: '^[A-Za-z0-9_-]{1,64}$' }
const name: Schema = { type: 'string', maxLength: 120 }
const flag: Schema = { type: 'boolean' }

function object(properties: Record<string, Schema>): Schema {
  return { type: 'object', properties, required: Object.keys(properties), additionalProperties: false }
}

function list(items: Schema, maxItems: number): Schema {
  return { type: 'array', items, maxItems }
}

const points = list(
  object({
    tick,
    value: { type: 'number', minimum: -100_000, maximum: 100_000 },
    form: { enum: FORMS },
    bend: { type: 'number', minimum: -MAX_BEND, maximum: MAX_BEND },
  }),
  LIMITS.pointsPerEnvelope,
)

function params(controls: Readonly<Record<string, Control>>): Schema {
  return object(
    Object.fromEntries(
      Object.entries(controls).map(([word, { scale }]) => [
        word,
        { type: 'number', minimum: scale.min, maximum: scale.max },
      ]),
    ),
  )
}

const effect: Schema = {
  type: 'object',
  required: ['kind'],
  properties: { kind: { enum: EFFECT_KINDS } },
  discriminator: { propertyName: 'kind' },
  oneOf: EFFECT_KINDS.map((kind) =>
    object({
      id,
      kind: { const: kind },
      name,
      bypass: flag,
      wet: { type: 'number', minimum: 0, maximum: 1 },
      mode: { enum: modesOf(kind) },
      params: params(controlsOf(kind)),
    }),
  ),
}

const send = object({ id, to: id, level, tap: { enum: ['pre', 'post'] }, on: flag })

const region = object({
  id,
  asset: { type: 'string', pattern: '^[0-9a-f]{64}$' },
  start: tick,
  offset: samples,
  length: { ...samples, minimum: 1 },
  level,
  fadeIn: samples,
  fadeOut: samples,
})

const track = object({
  id,
  regions: list(region, 512),
  gain: { type: 'number', minimum: -24, maximum: 24 },
  effects: list(effect, 16),
  mute: flag,
  sends: list(send, 16),
  level,
  pan,
  width: { type: 'number', minimum: 0, maximum: 2 },
})

/** JSON Schema (draft 7) of `rudlo-mix` version 1, published at `/schemas/rudlo-mix-1.json`. */
export const MIX_SCHEMA: Schema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'rudlo-mix version 1',
  ...object({
    format: { const: 'rudlo-mix' },
    version: { const: 1 },
    tracks: list(track, 64),
    returns: list(
      object({
        id,
        name,
        effects: list(effect, 16),
        mute: flag,
        level,
        pan,
        sends: list(send, 16),
      }),
      16,
    ),
    main: object({ level }),
    envelopes: list(
      object({ id, address: { type: 'string', maxLength: 160 }, on: flag, open: flag, points }),
      LIMITS.envelopes,
    ),
    motifs: list(
      object({
        id,
        name,
        control: { type: 'string', maxLength: 80 },
        length: { ...tick, minimum: 1 },
        points,
      }),
      256,
    ),
    placements: list(object({ id, motif: id, envelope: id, start: tick }), 2048),
  }),
}
