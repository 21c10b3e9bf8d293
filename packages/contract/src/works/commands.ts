import { words } from '@rudlo/words'
import { registerDecorator, type ValidationArguments } from 'class-validator'
import type { Moment } from '../fields'

/** How a command was made: by hand, or by one of the ways of writing in a pass. */
export const WAYS = ['hand', 'hold', 'move', 'play to stop', 'shift', 'meet'] as const
export type Way = (typeof WAYS)[number]

/** Commands that one save can bring: a browser with more sends them in several. */
export const MOST_COMMANDS = 500
const MOST_LANES = 128
const FURTHEST = 1e9

/** A command as the browser reports it. */
export interface CommandReport {
  /** What was done, in at most 200 characters. */
  readonly label: string
  /** Addresses of the lanes that it changed, at most 128. */
  readonly lanes: readonly string[]
  /** The stretch that it changed, in ticks. */
  readonly from: number
  readonly to: number
  readonly how: Way
  /** When it was made, by the browser's clock. */
  readonly at: Moment
}

const FIELDS = ['label', 'lanes', 'from', 'to', 'how', 'at']

const isText = (value: unknown, least: number, most: number): value is string =>
  typeof value === 'string' && value.length >= least && value.length <= most
const isTick = (value: unknown) =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= FURTHEST
const areLanes = (value: unknown) =>
  Array.isArray(value) && value.length <= MOST_LANES && value.every((lane) => isText(lane, 0, 160))
const isWay = (value: unknown) => WAYS.some((way) => way === value)

/** What is wrong with a list of commands; null for nothing. Read in one go: a long lesson brings thousands. */
function commandsProblem(value: unknown): string | null {
  if (!Array.isArray(value)) return words('bad.commands.commands-list')
  if (value.length > MOST_COMMANDS) return words('bad.commands.most-commands-sent', { most: MOST_COMMANDS })
  for (const [i, sent] of (value as unknown[]).entries()) {
    if (typeof sent !== 'object' || sent === null || Array.isArray(sent))
      return words('bad.commands.none', { n: i + 1 })
    const { label, lanes, from, to, how, at } = sent as Record<string, unknown>
    const stranger = Object.keys(sent).find((key) => !FIELDS.includes(key))
    const wrong =
      (stranger && 'unknown') ||
      (!isText(label, 1, 200) && 'label') ||
      (!areLanes(lanes) && 'lanes') ||
      (!(isTick(from) && isTick(to)) && 'place') ||
      (!isWay(how) && 'way') ||
      (!(isText(at, 1, 40) && Number.isFinite(Date.parse(at))) && 'time')
    if (wrong) return words(`bad.commands.${wrong}`, { n: i + 1, what: stranger?.slice(0, 40) ?? '' })
  }
  return null
}

/** A list of {@link CommandReport}. */
export const AreCommands = (): PropertyDecorator => (target, property) =>
  registerDecorator({
    name: 'areCommands',
    target: target.constructor,
    propertyName: String(property),
    validator: {
      validate: (value: unknown) => commandsProblem(value) === null,
      defaultMessage: (about?: ValidationArguments) => commandsProblem(about?.value) ?? '',
    },
  })
