import Ajv, { type ValidateFunction } from 'ajv'

type Schema = Readonly<Record<string, unknown>>

const compiler = new Ajv({ discriminator: true, allowUnionTypes: true })
const compiled = new WeakMap<Schema, ValidateFunction>()

function isWholeValid(schema: Schema, value: unknown): boolean {
  let check = compiled.get(schema)
  if (!check) compiled.set(schema, (check = compiler.compile(schema)))
  return check(value)
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Whether a document fits a schema, given one that does and shares with it whatever did not change, as edits and patches leave
 * it. What is the same object at the same place of the schema is not looked into: it was found to fit before. Everything else is.
 * @param schema JSON Schema; kinds other than plain records and lists are compiled as a whole
 * @param before fits the schema; undefined where there is nothing to share with
 */
export function isChangedValid(schema: Schema, after: unknown, before: unknown): boolean {
  if (before !== undefined && after === before) return true
  if (schema['oneOf'] === undefined) {
    if (schema['type'] === 'object' && schema['properties'] && isRecord(after) && isRecord(before))
      return isRecordValid(schema, after, before)
    if (
      schema['type'] === 'array' &&
      isRecord(schema['items']) &&
      Array.isArray(after) &&
      Array.isArray(before)
    )
      return isListValid(schema, schema['items'], after, before)
  }
  return isWholeValid(schema, after)
}

function isRecordValid(
  schema: Schema,
  after: Readonly<Record<string, unknown>>,
  before: Readonly<Record<string, unknown>>,
): boolean {
  const properties = schema['properties'] as Readonly<Record<string, Schema>>
  const required = (schema['required'] ?? []) as readonly string[]
  for (const key of required) if (!Object.hasOwn(after, key)) return false
  for (const key of Object.keys(after)) {
    const of = Object.hasOwn(properties, key) ? properties[key] : undefined
    if (of ? !isChangedValid(of, after[key], before[key]) : schema['additionalProperties'] === false)
      return false
  }
  return true
}

/** What both begin with and what both end with is the same; what lies between is compared in its order. */
function isListValid(
  schema: Schema,
  of: Schema,
  after: readonly unknown[],
  before: readonly unknown[],
): boolean {
  if (after.length > Number(schema['maxItems'] ?? Infinity)) return false
  if (after.length < Number(schema['minItems'] ?? 0)) return false
  let head = 0
  const shorter = Math.min(after.length, before.length)
  while (head < shorter && after[head] === before[head]) head++
  let end = after.length
  for (let b = before.length; end > head && b > head && after[end - 1] === before[b - 1]; b--) end--
  for (let i = head; i < end; i++) if (!isChangedValid(of, after[i], before[i])) return false
  return true
}
