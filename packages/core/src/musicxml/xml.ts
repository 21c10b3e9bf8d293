import { XMLParser } from 'fast-xml-parser'

/** An element with what is in it, in its order. */
export interface Element {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly Element[]
  readonly text: string
}

type Raw = Readonly<Record<string, unknown>>

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null
const listOf = (value: unknown): readonly Raw[] => (Array.isArray(value) ? value.filter(isRaw) : [])

function elementOf(raw: Raw): Element | null {
  const name = Object.keys(raw).find((key) => key !== ':@')
  if (name === undefined || name === '#text') return null
  const inner = listOf(raw[name])
  const attributes = isRaw(raw[':@']) ? raw[':@'] : {}
  return {
    name,
    attributes: Object.fromEntries(
      Object.entries(attributes).map(([k, v]) => [k.replace(/^@_/, ''), String(v)]),
    ),
    children: inner.flatMap((child) => elementOf(child) ?? []),
    text: inner
      .map((child) => ('#text' in child ? String(child['#text']) : ''))
      .join('')
      .trim(),
  }
}

/**
 * The root of an XML document. Entities of its own are not followed.
 * @throws Error where it is none
 */
export function parseXml(text: string): Element | null {
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    parseTagValue: false,
    parseAttributeValue: false,
    processEntities: true,
  })
  const parsed: unknown = parser.parse(text, true)
  return (
    listOf(parsed)
      .map(elementOf)
      .find((e) => e !== null && !e.name.startsWith('?')) ?? null
  )
}

export const childOf = (element: Element | undefined, name: string): Element | undefined =>
  element?.children.find((c) => c.name === name)

export const childrenOf = (element: Element | undefined, name: string): readonly Element[] =>
  element?.children.filter((c) => c.name === name) ?? []

/** The text of a child; empty where there is none. */
export const textOf = (element: Element | undefined, name: string): string =>
  childOf(element, name)?.text ?? ''

/** The number in a child; undefined where there is none. */
export function numberOf(element: Element | undefined, name: string): number | undefined {
  const text = textOf(element, name)
  const value = Number(text)
  return text !== '' && Number.isFinite(value) ? value : undefined
}
