import type { Moment } from '@rudlo/contract/fields'

/** A moment as it is sent. */
export const textOf = <T extends Date | null>(at: T): T extends Date ? Moment : Moment | null =>
  (at === null ? null : at.toISOString()) as T extends Date ? Moment : Moment | null

/** A moment as a spreadsheet reads it, in the time of the world; empty for none. */
export const tableTime = (at: Date | null): string =>
  at === null ? '' : at.toISOString().slice(0, 16).replace('T', ' ')

/** A moment as it came; null for none. */
export const dateOf = (text: Moment | null | undefined): Date | null => (text ? new Date(text) : null)
