import { words } from '@rudlo/words'

/** What was kept and is not what it should be: it was damaged, or somebody else wrote it. */
export class DamagedDocument extends Error {
  constructor(readonly what: string) {
    super(words('stored.kept-damaged', { what }))
  }
}

/** Says whether a value is what it should be. */
export type Is<T> = (value: unknown) => value is T

/**
 * Reads JSON text that was kept.
 * @param what for the message
 * @throws DamagedDocument where it is no JSON, or not what it should be
 */
export function readKept<T>(text: string, is: Is<T>, what: string): T {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw new DamagedDocument(what)
  }
  if (!is(value)) throw new DamagedDocument(what)
  return value
}

/** The same, with something else in place of what is damaged or was never kept. */
export function readKeptOr<T, E>(text: string | null | undefined, is: Is<T>, otherwise: E): T | E {
  if (text === null || text === undefined) return otherwise
  try {
    return readKept(text, is, '')
  } catch {
    return otherwise
  }
}
