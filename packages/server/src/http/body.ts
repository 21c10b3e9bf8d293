import { plainToInstance, type ClassConstructor } from 'class-transformer'
import { getMetadataStorage, validate, type ValidationError } from 'class-validator'
import type { Context, MiddlewareHandler } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { sentAsIs } from './as-sent'
import { breathFor } from './breath'
import { parseJson } from './json'
import { badInput, Problem } from './problem'

/** Bytes a body may have where its route does not say otherwise. */
export const USUAL_LIMIT = 64 * 1024

/** Counts a body while it comes in, and cuts it at `limit` bytes. @throws Problem 413 */
export const limited = (limit: number): MiddlewareHandler =>
  bodyLimit({
    maxSize: limit,
    onError: () => {
      throw new Problem(
        413,
        'too-large',
        `That is more than the ${Math.round(limit / 1024)} KiB that can be sent at once.`,
      )
    },
  })

/** The bytes of a body that was limited. */
export const bytesOf = async (c: Context): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await c.req.arrayBuffer())

/** Reads a JSON body that was limited. @throws Problem 400 where it is not JSON */
export async function readJson(c: Context): Promise<unknown> {
  const bytes = await bytesOf(c)
  const value = await parseJson(bytes)
  await breathFor(bytes.length)
  return value
}

/**
 * Checks a value against a class with class-validator decorators. Lists that are too long are refused before anything in
 * them is looked at; what is declared `@AsSent()` is not copied.
 * @throws Problem 400 with the first fault
 */
export async function checked<T extends object>(type: ClassConstructor<T>, value: unknown): Promise<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw badInput('The request must be a JSON object.')
  }
  const sent = value as Record<string, unknown>
  const tooLong = longList(type, sent)
  if (tooLong) throw badInput(`${tooLong}.`)
  const asIs = sentAsIs(type).filter((key) => Object.hasOwn(sent, key))
  const plain = asIs.length ? { ...sent } : sent
  for (const key of asIs) plain[key] = null
  const instance = plainToInstance(type, plain)
  for (const key of asIs) Reflect.set(instance, key, sent[key])
  const faults = await validate(instance, {
    whitelist: true,
    forbidNonWhitelisted: true,
  })
  if (faults.length) throw badInput(sentence(faults[0]!))
  return instance
}

/** What is said of the first list that has more entries than it may have; null where none has. */
function longList(type: ClassConstructor<object>, sent: Readonly<Record<string, unknown>>): string | null {
  for (const rule of getMetadataStorage().getTargetValidationMetadatas(type, '', false, false)) {
    if (rule.name !== 'arrayMaxSize') continue
    const list = sent[rule.propertyName]
    const most = Number(rule.constraints?.[0])
    if (Array.isArray(list) && list.length > most)
      return typeof rule.message === 'string'
        ? rule.message
        : `${rule.propertyName} can have ${most} entries at most`
  }
  return null
}

/** What kind of value it must be is said before how long or how large: the order of decorators does not tell. */
const KINDS = ['isString', 'isArray', 'isInt', 'isObject', 'isIso8601'] as const

function sentence(fault: ValidationError, path = ''): string {
  const place = path ? `${path}.${fault.property}` : fault.property
  const constraints = fault.constraints ?? {}
  const message = KINDS.map((kind) => constraints[kind]).find(Boolean) ?? Object.values(constraints)[0]
  if (message) return `${path ? `In ${path}: ` : ''}${message}.`
  const child = fault.children?.[0]
  return child ? sentence(child, place) : `${place} is not valid.`
}
