import { words } from '@rudlo/words'
import { STRIPS, type Source, type SurfaceMap, type TouchNote } from './surface-map'

/** Characters a surface's name may have. */
export const LONGEST_NAME = 120

/** A map as a `rudlo-surface` document, version 1: to be kept, and to be taken to another machine. */
export function writeSurface(map: SurfaceMap): object {
  return { format: 'rudlo-surface', version: 1, ...map }
}

/**
 * Reads a `rudlo-surface` document.
 * @throws RangeError one sentence that says what is wrong with it
 */
export function readSurface(document: unknown): SurfaceMap {
  const file = record(document, words('surface-map.not-control'))
  if (file['format'] !== 'rudlo-surface') throw new RangeError(words('surface-map.not-control'))
  if (typeof file['version'] !== 'number' || file['version'] < 1)
    throw new RangeError(words('surface-map.does'))
  if (file['version'] > 1) throw new RangeError(words('surface-map.written-newer'))
  const name = file['name']
  if (typeof name !== 'string' || !name.trim() || name.length > LONGEST_NAME)
    throw new RangeError(words('surface-map.name-characters', { most: LONGEST_NAME }))
  if (typeof file['motors'] !== 'boolean') throw new RangeError(words('surface-map.does-not'))
  return {
    name,
    faders: strips(file['faders'], 'faders', source),
    knobs: strips(file['knobs'], 'knobs', source),
    touches: strips(file['touches'], 'touches', note),
    motors: file['motors'],
    back: note(file['back'], 'back'),
    forth: note(file['forth'], 'forth'),
  }
}

function record(value: unknown, problem: string): Record<string, unknown> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new RangeError(problem)
  return value as Record<string, unknown>
}

function strips<T>(value: unknown, what: string, read: (value: unknown, place: string) => T): T[] {
  if (!Array.isArray(value) || value.length !== STRIPS)
    throw new RangeError(words('surface-map.not-taught', { most: STRIPS, what }))
  return value.map((entry, i) => read(entry, `${what} ${i + 1}`))
}

function whole(value: unknown, most: number, place: string): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < 0 || value > most)
    throw new RangeError(words('surface-map.number-wanted', { place, most }))
  return value
}

function source(value: unknown, place: string): Source | null {
  if (value === null) return null
  const { kind, ...rest } = record(value, words('surface-map.not-control-sends', { place }))
  const channel = whole(rest['channel'], 15, `${place}, channel`)
  if (kind === 'bend') return { kind, channel }
  if (kind === 'control')
    return { kind, channel, controller: whole(rest['controller'], 127, `${place}, controller`) }
  if (kind === 'fine control')
    return { kind, channel, controller: whole(rest['controller'], 31, `${place}, controller`) }
  throw new RangeError(words('surface-map.control-fine-control', { place }))
}

function note(value: unknown, place: string): TouchNote | null {
  if (value === null) return null
  const { channel, note } = record(value, words('surface-map.not-note', { place }))
  return { channel: whole(channel, 15, `${place}, channel`), note: whole(note, 127, `${place}, note`) }
}
