import { words } from '@rudlo/words'
import type { Unit } from './unit'

const TICKS_PER_WHOLE = 3840
/** Parts of a whole note. */
const PARTS = [1, 2, 4, 8, 16, 32, 64] as const
/** What a note can be besides straight, and how much longer it is then. */
const KINDS = [
  { key: 'straight', factor: 1, marks: '' },
  { key: 'dotted', factor: 1.5, marks: '.|d' },
  { key: 'triplet', factor: 2 / 3, marks: 't' },
] as const

interface Note {
  readonly part: (typeof PARTS)[number]
  readonly kind: (typeof KINDS)[number]
  /** Ticks. */
  readonly length: number
}

const NOTES: readonly Note[] = KINDS.flatMap((kind) =>
  PARTS.map((part) => ({ part, kind, length: Math.round((TICKS_PER_WHOLE / part) * kind.factor) })),
)

/** Every note value within a range, in ticks: straight, dotted and triplet, in rising order. */
export const noteValues = (least: number, most: number): readonly number[] =>
  [...new Set(NOTES.map((n) => n.length))].filter((n) => n >= least && n <= most).sort((a, b) => a - b)

const fraction = ({ part, kind }: Note): string => {
  if (kind.key === 'straight') return `1/${part}`
  return words(`unit.note.${kind.key}`, { note: `1/${part}` })
}

/** A note value, kept in ticks: "1/8" is 480, "1/8 dotted", "1/8 triplet". */
export const noteValue: Unit = {
  format: (ticks) => {
    const note = NOTES.find((n) => n.length === Math.round(ticks))
    return note ? fraction(note) : words('unit.ticks', { n: ticks })
  },
  parse: (text) => {
    const typed = text.trim().toLowerCase().replace(/\s+/g, ' ')
    // as it is written, or by its name: "1/8 dotted", "dotted eighth"
    const named = NOTES.find((note) => {
      const name = words(`unit.note.${note.part}`)
      if (note.kind.key === 'straight') return [fraction(note), name].includes(typed)
      const kind = words(`unit.note.${note.kind.key}.word`)
      const ways = [`${kind} ${name}`, `${name} ${kind}`]
      return [fraction(note), ...ways].includes(typed)
    })
    if (named) return named.length
    const match = /^(\d{1,2})\/(1|2|4|8|16|32|64)\s*(\.|d|t)?$/.exec(typed)
    if (!match) return null
    const factor = KINDS.find((k) => match[3] && k.marks.split('|').includes(match[3]))?.factor ?? 1
    const length = Math.round(((TICKS_PER_WHOLE * Number(match[1])) / Number(match[2])) * factor)
    // 3/16 is a dotted eighth; what is no note at all is none here either
    return NOTES.some((n) => n.length === length) ? length : null
  },
}
