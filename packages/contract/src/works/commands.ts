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
  if (!Array.isArray(value)) return 'The commands must be a list'
  if (value.length > MOST_COMMANDS) return `At most ${MOST_COMMANDS} commands can be sent at once`
  for (const [i, sent] of (value as unknown[]).entries()) {
    if (typeof sent !== 'object' || sent === null || Array.isArray(sent))
      return `Number ${i + 1} of the commands is none`
    const { label, lanes, from, to, how, at } = sent as Record<string, unknown>
    const stranger = Object.keys(sent).find((key) => !FIELDS.includes(key))
    const wrong =
      (stranger && `has something unknown, "${stranger.slice(0, 40)}"`) ||
      (!isText(label, 1, 200) && 'has no label of at most 200 characters') ||
      (!areLanes(lanes) && 'has no list of lanes') ||
      (!(isTick(from) && isTick(to)) && 'has no place') ||
      (!isWay(how) && 'was made in a way that is not known') ||
      (!(isText(at, 1, 40) && Number.isFinite(Date.parse(at))) && 'has no time')
    if (wrong) return `Number ${i + 1} of the commands ${wrong}`
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
