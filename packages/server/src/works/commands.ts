import { registerDecorator, type ValidationArguments } from 'class-validator'

/** How a command was made: by hand, or by one of the ways of writing in a pass. */
const WAYS = new Set(['hand', 'hold', 'move', 'play to stop', 'shift', 'meet'])

/** Commands that one save can bring: a browser with more sends them in several. */
export const MOST_COMMANDS = 500
const MOST_LANES = 128
const FURTHEST = 1e9

/** A command as the browser reports it. */
export interface CommandReport {
  readonly label: string
  readonly lanes: readonly string[]
  readonly from: number
  readonly to: number
  readonly how: string
  /** When it was made, by the browser's clock. */
  readonly at: string
}

const FIELDS = ['label', 'lanes', 'from', 'to', 'how', 'at']

const isText = (value: unknown, least: number, most: number) =>
  typeof value === 'string' && value.length >= least && value.length <= most
const isTick = (value: unknown) =>
  Number.isInteger(value) && (value as number) >= 0 && (value as number) <= FURTHEST
const areLanes = (value: unknown) =>
  Array.isArray(value) && value.length <= MOST_LANES && value.every((lane) => isText(lane, 0, 160))

/** What is wrong with a list of commands; null for nothing. Read in one go: a long lesson brings thousands. */
function commandsProblem(value: unknown): string | null {
  if (!Array.isArray(value)) return 'The commands must be a list'
  if (value.length > MOST_COMMANDS) return `At most ${MOST_COMMANDS} commands can be sent at once`
  for (const [i, sent] of value.entries()) {
    if (typeof sent !== 'object' || sent === null || Array.isArray(sent))
      return `Number ${i + 1} of the commands is none`
    const { label, lanes, from, to, how, at } = sent as Record<string, unknown>
    const stranger = Object.keys(sent).find((key) => !FIELDS.includes(key))
    const wrong =
      (stranger && `has something unknown, "${stranger.slice(0, 40)}"`) ||
      (!isText(label, 1, 200) && 'has no label of at most 200 characters') ||
      (!areLanes(lanes) && 'has no list of lanes') ||
      (!(isTick(from) && isTick(to)) && 'has no place') ||
      (!WAYS.has(how as string) && 'was made in a way that is not known') ||
      (!(isText(at, 1, 40) && Number.isFinite(Date.parse(at as string))) && 'has no time')
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

/**
 * When something was done, by the server's clock: a browser's may be years off, but it knows how long ago it was.
 * @param at by the browser's clock
 * @param now the browser's clock when it sent this; missing where it does not say
 */
export function momentOf(at: string, now: string | undefined, here: number): Date {
  const ago = now === undefined ? 0 : Date.parse(now) - Date.parse(at)
  const longest = 400 * 86_400_000
  return new Date(here - (Number.isFinite(ago) ? Math.min(Math.max(0, ago), longest) : 0))
}
