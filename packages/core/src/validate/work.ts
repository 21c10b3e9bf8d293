import Ajv, { type ValidateFunction } from 'ajv'
import type { Mix, WorkDocument } from '../mix'
import type { SongVersion } from '../song'
import { LONGEST_SONG_TICKS } from '../time'
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
