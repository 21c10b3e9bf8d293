import { words } from '@rudlo/words'
import { FORMS, type Form, type Point } from '../envelope'
import { laneName } from '../assess'
import { envelopeOf, resolve, withPoints, type Address, type Mix } from '../mix'
import { readValue } from '../scale'
import { songTime, type SongVersion } from '../song'
import { parsePlace, placeShort } from '../time'
import Papa from 'papaparse'
import { csvText } from './csv'

/** Columns of the table of lines, in their order. */
const COLUMNS = [
  'lane',
  'address',
  'bar and beat',
  'tick',
  'seconds',
  'value',
  'unit',
  'form',
  'bend',
] as const

/** The lines of a mix, one point a row, as CSV. */
export function linesToCsv(song: SongVersion, mix: Mix): string {
  const { tempo, meter } = songTime(song)
  const rows = mix.envelopes
    .filter((e) => e.points.length)
    .flatMap(({ address, points }) => {
      const found = resolve(mix, address)
      return points.map(({ tick, value, form, bend }) => [
        laneName(song, mix, address),
        address,
        placeShort(meter.placeAt(tick)),
        tick,
        Math.round(tempo.secondsAt(tick) * 1e6) / 1e6,
        value,
        // what a person reads: numbers in the column before are the control's own
        found?.control.unit.format(value) ?? '',
        form,
        bend,
      ])
    })
  return csvText([[...COLUMNS], ...rows])
}

/** What was read of lines that somebody sent. */
export interface ReadLines {
  readonly mix: Mix
  /** Lanes that were set. */
  readonly lanes: readonly Address[]
  /** Lanes that the mix does not have: they were left out. */
  readonly unknown: readonly string[]
}

/**
 * Reads lines from the table that {@link linesToCsv} writes, also where a spreadsheet has rewritten it. Lanes that the
 * table names are replaced whole; others stay.
 * @throws RangeError with the line of the first thing wrong
 */
export function linesFromCsv(song: SongVersion, mix: Mix, text: string, freshId: () => string): ReadLines {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { delimitersToGuess: [',', ';', '\t'] })
  const header = (data[0] ?? []).map((c) => c.trim().toLowerCase())
  const at = (name: (typeof COLUMNS)[number]) => header.indexOf(name)
  if (at('address') < 0 || at('value') < 0 || (at('tick') < 0 && at('bar and beat') < 0))
    throw new RangeError('The table needs the columns address, tick (or bar and beat) and value.')
  const { meter } = songTime(song)
  const byLane = new Map<Address, Point[]>()
  data.slice(1).forEach((row, i) => {
    if (row.every((c) => c.trim() === '')) return
    const fail = (what: string) => new RangeError(words('lines-file.line', { i: i + 2, what }))
    const cell = (name: (typeof COLUMNS)[number]) => (at(name) < 0 ? '' : (row[at(name)] ?? '').trim())
    const address = cell('address')
    const control = resolve(mix, address)?.control
    const tickText = cell('tick')
    const tick = tickText ? Number(tickText) : parsePlace(meter, cell('bar and beat'))
    if (tick === null || !Number.isInteger(tick) || tick < 0 || tick > song.length)
      throw fail(words('lines-file.no-place-song', { place: tickText || cell('bar and beat') }))
    const plain = Number(cell('value').replace(',', '.'))
    const value =
      cell('value') === ''
        ? NaN
        : Number.isFinite(plain)
          ? plain
          : control && readValue(control, cell('value'))?.value
    if (value === undefined || !Number.isFinite(value))
      throw fail(words('lines-file.no-value', { cell: cell('value') }))
    const form = (cell('form') || 'straight') as Form
    if (!FORMS.includes(form)) throw fail(words('lines-file.no-form-line', { form }))
    const bend = Number(cell('bend') || 0)
    if (!Number.isFinite(bend) || Math.abs(bend) > 8)
      throw fail(words('lines-file.no-bend', { cell: cell('bend') }))
    const list = byLane.get(address) ?? []
    list.push({ tick, value, form, bend })
    byLane.set(address, list)
  })
  return put(mix, byLane, freshId)
}

/** The lines of a mix as a document of their own. */
export interface LinesDocument {
  readonly format: 'rudlo-lines'
  readonly version: 1
  readonly lines: readonly { readonly address: Address; readonly points: readonly Point[] }[]
}

export function linesToJson(mix: Mix): LinesDocument {
  return {
    format: 'rudlo-lines',
    version: 1,
    lines: mix.envelopes.filter((e) => e.points.length).map(({ address, points }) => ({ address, points })),
  }
}

/** Reads the document that {@link linesToJson} writes. @throws RangeError with a sentence */
export function linesFromJson(mix: Mix, text: string, freshId: () => string): ReadLines {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    throw new RangeError(words('lines-file.not-json'))
  }
  const document: { format?: unknown; version?: unknown; lines?: unknown } = Object(read)
  if (document.format !== 'rudlo-lines' || !Array.isArray(document.lines))
    throw new RangeError(words('lines-file.these-no-lines'))
  if (document.version !== 1) throw new RangeError(words('lines-file.these-lines-written'))
  const byLane = new Map<Address, Point[]>()
  for (const line of document.lines as readonly { address?: unknown; points?: unknown }[]) {
    if (typeof line?.address !== 'string' || !Array.isArray(line.points))
      throw new RangeError(words('lines-file.line-no'))
    byLane.set(line.address, line.points.map(checkedPoint))
  }
  return put(mix, byLane, freshId)
}

function checkedPoint(point: unknown): Point {
  const { tick, value, form, bend } = (point ?? {}) as Record<string, unknown>
  if (
    !Number.isInteger(tick) ||
    typeof value !== 'number' ||
    !FORMS.includes(form as Form) ||
    typeof bend !== 'number'
  )
    throw new RangeError(words('lines-file.point-not'))
  return { tick: tick as number, value, form: form as Form, bend }
}

export function put(
  mix: Mix,
  byLane: ReadonlyMap<Address, readonly Point[]>,
  freshId: () => string,
): ReadLines {
  const unknown = [...byLane.keys()].filter((lane) => !resolve(mix, lane))
  const lanes = [...byLane.keys()].filter((lane) => resolve(mix, lane))
  let next = mix
  for (const lane of lanes) {
    const { scale } = resolve(mix, lane)!.control
    const points = [...byLane.get(lane)!].sort((a, b) => a.tick - b.tick)
    for (const [i, p] of points.entries()) {
      if (i > 0 && p.tick === points[i - 1]!.tick)
        throw new RangeError(words('lines-file.two-points-lie', { lane, tick: p.tick }))
      if (p.value < scale.min || p.value > scale.max)
        throw new RangeError(
          words('lines-file.beyond', { value: p.value, lane, min: scale.min, max: scale.max }),
        )
    }
    if (JSON.stringify(envelopeOf(next, lane)?.points ?? []) !== JSON.stringify(points))
      next = withPoints(next, lane, points, freshId)
  }
  return { mix: next, lanes, unknown }
}
