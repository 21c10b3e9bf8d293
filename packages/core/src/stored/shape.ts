import type { Is } from './read'

export const isText = (value: unknown): value is string => typeof value === 'string'
export const isNumber = (value: unknown): value is number => typeof value === 'number'
export const isFlag = (value: unknown): value is boolean => typeof value === 'boolean'
export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A list in which every entry is what it should be. */
export const listOf =
  <T>(is: Is<T>): Is<T[]> =>
  (value): value is T[] =>
    Array.isArray(value) && value.every(is)

/** An object in which every value is what it should be. */
export const recordOf =
  <T>(is: Is<T>): Is<Record<string, T>> =>
  (value): value is Record<string, T> =>
    isObject(value) && Object.values(value).every(is)

/** What it may also be: nothing. */
export const orNull =
  <T>(is: Is<T>): Is<T | null> =>
  (value): value is T | null =>
    value === null || is(value)

/** The value itself. */
export const exactly =
  <T extends string | number>(wanted: T): Is<T> =>
  (value): value is T =>
    value === wanted

/**
 * An object whose named properties are what they should be. What else it has was looked at when it was kept: every document is
 * checked as a whole before it is stored.
 */
export const shape =
  <T>(properties: Readonly<Partial<Record<keyof T & string, (value: unknown) => boolean>>>): Is<T> =>
  (value): value is T & object =>
    isObject(value) &&
    Object.entries(properties).every(([name, is]) => typeof is !== 'function' || is(value[name]))
