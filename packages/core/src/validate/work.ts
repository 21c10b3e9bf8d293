import Ajv, { type ValidateFunction } from 'ajv'
import { MIX_SCHEMA, mixProblem, type Mix, type WorkDocument } from '../mix'
import type { SongVersion } from '../song'
import { LONGEST_SONG_TICKS } from '../time'
import { isChangedValid } from './changed'
import { checkMix, schemaSentence } from './mix'

const WORK_SCHEMA = {
  type: 'object',
  required: ['mix', 'notes'],
  additionalProperties: false,
  properties: {
    mix: { type: 'object' },
    notes: {
      type: 'array',
      maxItems: 500,
      items: {
        type: 'object',
        required: ['id', 'tick', 'text', 'done'],
        additionalProperties: false,
        properties: {
          id: { type: 'string', pattern: '^[A-Za-z0-9_-]{1,64}$' },
          tick: { type: 'integer', minimum: 0, maximum: LONGEST_SONG_TICKS },
          text: { type: 'string', maxLength: 1000 },
          done: { type: 'boolean' },
        },
      },
    },
  },
} as const

/** The same with everything that the mix must be. */
const WHOLE_SCHEMA = { ...WORK_SCHEMA, properties: { ...WORK_SCHEMA.properties, mix: MIX_SCHEMA } }

let compiled: ValidateFunction | undefined

/** A checked work, or one sentence that names the place of the first thing wrong. */
export type WorkCheck =
  | { readonly ok: true; readonly work: WorkDocument }
  | { readonly ok: false; readonly problem: string }

/** Checks a whole work: its mix against the schema and the song, and the listening notes. */
export function checkWork(document: unknown, song: SongVersion): WorkCheck {
  compiled ??= new Ajv().compile(WORK_SCHEMA)
  if (!compiled(document)) return { ok: false, problem: schemaSentence(compiled.errors?.[0], 'the work') }
  const { mix, notes } = document as { mix: Mix; notes: WorkDocument['notes'] }
  const checked = checkMix(mix, song)
  return checked.ok ? { ok: true, work: { mix: checked.mix, notes } } : checked
}

/**
 * The same check, for a work that was made from a checked one and shares with it whatever did not change. Only what did change is
 * checked against the schema; what the parts of a mix must be to each other is looked at as a whole. What fails is checked as a
 * whole once more, so that the sentence is the same.
 * @param before passed the check for the same song
 */
export function checkChangedWork(document: unknown, before: WorkDocument, song: SongVersion): WorkCheck {
  if (isChangedValid(WHOLE_SCHEMA, document, before)) {
    const work = document as WorkDocument
    if (mixProblem(work.mix, song) === null) return { ok: true, work }
  }
  return checkWork(document, song)
}
