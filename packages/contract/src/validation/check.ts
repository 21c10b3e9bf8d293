import { words } from '@rudlo/words'
import 'reflect-metadata'
import { plainToInstance, type ClassConstructor } from 'class-transformer'
import { getMetadataStorage, validate, type ValidationError } from 'class-validator'
import { sentAsIs } from '../fields'

/** A request as its class wants it, or one sentence on the first thing that is wrong. */
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: string }

const STRICT = { whitelist: true, forbidNonWhitelisted: true } as const

/**
 * Checks a value against a request class. Lists that are too long are refused before anything in them is looked at; what is
 * declared `@AsSent()` is not copied.
 */
export async function check<T extends object>(
  type: ClassConstructor<T>,
  value: unknown,
): Promise<Checked<T>> {
  const made = instanceOf(type, value)
  return made.ok ? judged(made.value, await validate(made.value, STRICT)) : made
}

/**
 * What is wrong with a request, by field, in the words of its class: for a form, before it is sent. Nothing where it is right.
 * @throws Error with one sentence where it is no request at all, or a list in it is far too long
 */
export async function faultsIn<T extends object>(
  type: ClassConstructor<T>,
  value: object,
): Promise<Readonly<Partial<Record<keyof T & string, string>>>> {
  const made = instanceOf(type, value)
  if (!made.ok) throw new Error(made.problem)
  const faults = await validate(made.value, STRICT)
  const said: Partial<Record<keyof T & string, string>> = {}
  for (const fault of faults) said[fault.property as keyof T & string] = sentence(fault)
  return said
}

function instanceOf<T extends object>(type: ClassConstructor<T>, value: unknown): Checked<T> {
  if (!isPlainObject(value)) return { ok: false, problem: words('bad.request.request-json-object') }
  const tooLong = longList(type, value)
  if (tooLong) return { ok: false, problem: `${tooLong}.` }
  const asIs = sentAsIs(type).filter((key) => Object.hasOwn(value, key))
  const plain = asIs.length ? { ...value } : value
  for (const key of asIs) plain[key] = null
  const instance = plainToInstance(type, plain)
  for (const key of asIs) Reflect.set(instance, key, value[key])
  return { ok: true, value: instance }
}

const isPlainObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const judged = <T>(value: T, faults: readonly ValidationError[]): Checked<T> =>
  faults[0] ? { ok: false, problem: sentence(faults[0]) } : { ok: true, value }

/** What is said of the first list that has more entries than it may have; null where none has. */
function longList(type: ClassConstructor<object>, sent: Readonly<Record<string, unknown>>): string | null {
  for (const rule of getMetadataStorage().getTargetValidationMetadatas(type, '', false, false)) {
    if (rule.name !== 'arrayMaxSize') continue
    const list = sent[rule.propertyName]
    const most = Number(rule.constraints?.[0])
    if (Array.isArray(list) && list.length > most)
      return typeof rule.message === 'function'
        ? rule.message({
            value: list,
            constraints: [most],
            targetName: type.name,
            object: sent,
            property: rule.propertyName,
          })
        : words('bad.request.entries-most', { name: rule.propertyName, most })
  }
  return null
}

/** What kind of value it must be is said before how long or how large: the order of decorators does not tell. */
const KINDS = ['isString', 'isArray', 'isInt', 'isObject', 'isIso8601'] as const

function sentence(fault: ValidationError, path = ''): string {
  const place = path ? `${path}.${fault.property}` : fault.property
  const constraints = fault.constraints ?? {}
  const message = KINDS.map((kind) => constraints[kind]).find(Boolean) ?? Object.values(constraints)[0]
  if (message) return `${path ? words('bad.request.inside', { path, message }) : message}.`
  const child = fault.children?.[0]
  return child ? sentence(child, place) : words('bad.request.not-valid', { place })
}
