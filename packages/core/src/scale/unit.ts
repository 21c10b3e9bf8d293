import { numberText, signedText, words } from '@rudlo/words'

/** A unit of measure: how its values are written on screen and read from what people type. */
export interface Unit {
  /** Short text with a true minus sign: "−6.0 dB", "L30", "2.4 kHz". */
  format(value: number): string
  /** The value that the text means, or null where it means none. The range is not checked here. */
  parse(text: string): number | null
}

const MINUS = '\u2212'

function plain(text: string): string {
  return text.trim().toLowerCase().replaceAll(MINUS, '-').replaceAll(',', '.')
}

const NUMBER = '([+-]?(?:\\d+\\.?\\d*|\\.\\d+))'

/** Reads a number followed by one of some suffixes, each with its factor. */
function parseWith(text: string, suffixes: Readonly<Record<string, number>>): number | null {
  const match = new RegExp(`^${NUMBER}\\s*([a-z%/]*)$`).exec(plain(text))
  if (!match) return null
  const factor = suffixes[match[2] ?? '']
  return factor === undefined ? null : Number(match[1]) * factor
}

/** Decibels of a fader or send, where −90 is silence. */
export const decibels: Unit = {
  format: (db) => (db <= -90 ? words('unit.silent') : `${signedText(db, 1)} dB`),
  parse: (text) =>
    /^(-\s*(inf|infinity|∞)(\s*db)?|silent|silence|off)$/.test(plain(text))
      ? -90
      : parseWith(text, { '': 1, db: 1 }),
}

/** Decibels of a gain that is never silent (EQ, pre-fader gain). */
export const gainDecibels: Unit = {
  format: (db) => `${signedText(db, 1)} dB`,
  parse: (text) => parseWith(text, { '': 1, db: 1 }),
}

/** Place between left (−1) and right (+1): L100 … C … R100. */
export const panning: Unit = {
  format: (pan) => {
    const percent = Math.round(Math.abs(pan) * 100)
    return percent === 0 ? words('unit.centre') : words(pan < 0 ? 'unit.left' : 'unit.right', { n: percent })
  },
  parse: (text) => {
    const typed = plain(text)
    if (/^(c|centre|center|middle|0)$/.test(typed)) return 0
    const side =
      /^(l|left|r|right)\s*(\d+(?:\.\d+)?)?$/.exec(typed) ?? /^(\d+(?:\.\d+)?)\s*(l|r)$/.exec(typed)
    if (side) {
      const amount = Number(/^\d/.test(side[1] ?? '') ? side[1] : (side[2] ?? 100)) / 100
      return /^\d*\.?\d*\s*l/.test(typed) ? -amount : amount
    }
    const number = parseWith(text, { '': 1, '%': 1 })
    return number === null ? null : number / 100
  },
}

export const hertz: Unit = {
  format: (hz) =>
    hz >= 1000 ? `${numberText(hz / 1000, hz < 10_000 ? 2 : 1)} kHz` : `${numberText(hz, 0)} Hz`,
  parse: (text) => parseWith(text, { '': 1, hz: 1, k: 1000, khz: 1000 }),
}

export const milliseconds: Unit = {
  format: (ms) => (ms >= 1000 ? `${numberText(ms / 1000, 2)} s` : `${numberText(ms, ms < 10 ? 1 : 0)} ms`),
  parse: (text) => parseWith(text, { '': 1, ms: 1, s: 1000 }),
}

/** A share of a whole, kept as a ratio: 0.35 is "35 %". */
export const percent: Unit = {
  format: (ratio) => `${numberText(ratio * 100, 0)} %`,
  parse: (text) => parseWith(text, { '': 0.01, '%': 0.01 }),
}

/**
 * A leaning to one side or the other of what is usual, −1…+1: "30 % softer", "as it is", "30 % harder".
 * @param less key of the word for below 0
 * @param more key of the word for above it
 */
export function leaning(less: string, more: string): Unit {
  const wordOf = (key: string) => words(`unit.${key}`)
  return {
    format: (lean) => {
      const size = Math.round(Math.abs(lean) * 100)
      return size === 0 ? words('unit.as-it-is') : `${size} % ${wordOf(lean < 0 ? less : more)}`
    },
    parse: (text) => {
      const typed = plain(text)
      if (typed === words('unit.as-it-is')) return 0
      const sided = new RegExp(`^(\\d+(?:\\.\\d+)?)?\\s*%?\\s*(${wordOf(less)}|${wordOf(more)})$`).exec(typed)
      if (sided) return ((sided[2] === wordOf(less) ? -1 : 1) * Number(sided[1] ?? 100)) / 100
      return parseWith(text, { '': 0.01, '%': 0.01 })
    },
  }
}

/** Quarters a minute: "96 BPM". */
export const beatsPerMinute: Unit = {
  format: (bpm) => `${numberText(bpm, 0)} BPM`,
  parse: (text) => parseWith(text, { '': 1, bpm: 1 }),
}

/** A bare number. */
export const ratio: Unit = {
  format: (value) => numberText(value, 2),
  parse: (text) => parseWith(text, { '': 1 }),
}

export const onOff: Unit = {
  format: (value) => words(value >= 0.5 ? 'on' : 'off'),
  parse: (text) => {
    const typed = plain(text)
    return /^(on|yes|1)$/.test(typed) ? 1 : /^(off|no|0)$/.test(typed) ? 0 : null
  },
}

/** One of a few choices, counted from 0 and shown from 1. A line may run through them: the nearest counts. */
export const choice: Unit = {
  format: (value) => String(Math.round(value) + 1),
  parse: (text) => {
    const typed = parseWith(text, { '': 1 })
    return typed === null ? null : Math.round(typed) - 1
  },
}
