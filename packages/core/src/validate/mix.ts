import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv'
import type { SongVersion } from '../song'
import { MIX_SCHEMA, mixProblem, upgradeMix, type Mix } from '../mix'

let compiled: ValidateFunction<Mix> | undefined

/** Compiled once, when first needed: browsers under a strict content-security policy never come here. */
function schemaCheck(): ValidateFunction<Mix> {
  compiled ??= new Ajv({ discriminator: true, allowUnionTypes: true }).compile<Mix>(MIX_SCHEMA)
  return compiled
}

/** A checked mix, or one sentence that names the place of the first thing wrong. */
export type MixCheck =
  | { readonly ok: true; readonly mix: Mix }
  | { readonly ok: false; readonly problem: string }

/** Upgrades and checks a document against the schema and against the song it is for. */
export function checkMix(document: unknown, song: SongVersion): MixCheck {
  let upgraded: unknown
  try {
    upgraded = upgradeMix(document)
  } catch (error) {
    return { ok: false, problem: (error as Error).message }
  }
  const check = schemaCheck()
  if (!check(upgraded)) return { ok: false, problem: schemaSentence(check.errors?.[0]) }
  const problem = mixProblem(upgraded, song)
  return problem ? { ok: false, problem } : { ok: true, mix: upgraded }
}

/** One sentence about the first fault that a schema found. */
export function schemaSentence(error: ErrorObject | undefined, whole = 'the mix'): string {
  const place = error?.instancePath ? error.instancePath.slice(1).replaceAll('/', ' › ') : whole
  const params = error?.params as Record<string, unknown> | undefined
  const extra = params && 'additionalProperty' in params ? ` ("${String(params['additionalProperty'])}")` : ''
  return `At ${place}: ${error?.message ?? 'not a valid mix'}${extra}.`
}
