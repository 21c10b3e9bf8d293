import { plainToInstance, type ClassConstructor } from 'class-transformer'
import { validate, type ValidationError } from 'class-validator'
import type { Context } from 'hono'
import { badInput, Problem } from './problem'

/** Bytes a body may have where its route does not say otherwise. */
export const USUAL_LIMIT = 64 * 1024

/** Reads a JSON body of at most `limit` bytes. @throws Problem 413, or 400 where it is not JSON */
export async function readJson(c: Context, limit: number): Promise<unknown> {
  const said = Number(c.req.header('content-length') ?? 0)
  const tooLarge = () =>
    new Problem(
      413,
      'too-large',
      `That is more than the ${Math.round(limit / 1024)} KiB that can be sent at once.`,
    )
  if (said > limit) throw tooLarge()
  const bytes = await c.req.arrayBuffer()
  if (bytes.byteLength > limit) throw tooLarge()
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    throw badInput('The request is not valid JSON.')
  }
}

/** Checks a value against a class with class-validator decorators. @throws Problem 400 with the first fault */
export async function checked<T extends object>(type: ClassConstructor<T>, value: unknown): Promise<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw badInput('The request must be a JSON object.')
  }
  const instance = plainToInstance(type, value)
  const faults = await validate(instance, {
    whitelist: true,
    forbidNonWhitelisted: true,
  })
  if (faults.length) throw badInput(sentence(faults[0]!))
  return instance
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
