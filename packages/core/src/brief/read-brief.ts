import { checkProblem, type Check, type Values } from '../checks'
import { resolve, type Mix } from '../mix'
import type { SongVersion } from '../song'
import { ANSWER_TIMES, HINT_LEVELS, type Brief, type BriefTask } from './brief'

/** How much a brief can hold. */
export const BRIEF_LIMITS = {
  tasks: 30,
  checks: 20,
  title: 120,
  text: 4000,
  purpose: 2000,
  hint: 1000,
} as const

/**
 * Reads a brief that somebody wrote for a song.
 * @param mix the starting mix: its lanes are the ones that there are
 * @throws RangeError one sentence that says what is wrong and where
 */
export function readBrief(document: unknown, song: SongVersion, mix: Mix): Brief {
  const file = record(document, 'This is not a brief.')
  const tasks = list(file['tasks'], 'A brief has a list of tasks.')
  if (!tasks.length) throw new RangeError('An assignment needs at least one task.')
  if (tasks.length > BRIEF_LIMITS.tasks)
    throw new RangeError(`A brief has at most ${BRIEF_LIMITS.tasks} tasks.`)
  const answers = ANSWER_TIMES.find((t) => t === file['answers'])
  if (!answers) throw new RangeError('The brief does not say when its checks answer.')
  const ids = new Set<string>()
  const brief: Brief = {
    purpose: text(file['purpose'], BRIEF_LIMITS.purpose, 'The purpose'),
    open: lanes(file['open'], mix, 'What may be changed'),
    answers,
    hintsAfter: number(file['hintsAfter'], 0, 20, 'The tries before hints'),
    repairs: file['repairs'] === true,
    tasks: tasks.map((task, i) => readTask(task, i, song, mix)),
  }
  for (const { id } of brief.tasks.flatMap((t) => [t, ...t.checks])) {
    if (ids.has(id)) throw new RangeError(`Two parts of the brief have the same id, "${id}".`)
    ids.add(id)
  }
  return brief
}

function readTask(value: unknown, i: number, song: SongVersion, mix: Mix): BriefTask {
  const task = record(value, `Task ${i + 1} is not a task.`)
  const title = text(task['title'], BRIEF_LIMITS.title, `The title of task ${i + 1}`)
  if (!title.trim()) throw new RangeError(`Task ${i + 1} needs a title.`)
  const where = `Task ${i + 1}, "${title}"`
  const from = number(task['from'], 0, song.length, `${where}: its beginning`)
  const to = number(task['to'], 0, song.length, `${where}: its end`)
  if (to <= from) throw new RangeError(`${where}: its end must lie after its beginning.`)
  const checks = list(task['checks'], `${where} has no list of checks.`)
  if (checks.length > BRIEF_LIMITS.checks)
    throw new RangeError(`${where} has more than ${BRIEF_LIMITS.checks} checks.`)
  const hints = list(task['hints'], `${where} has no list of hints.`)
  if (hints.length > HINT_LEVELS.length) throw new RangeError(`${where} has more than three hints.`)
  return {
    id: idOf(task['id'], where),
    title,
    text: text(task['text'], BRIEF_LIMITS.text, `${where}: its text`),
    lanes: lanes(task['lanes'], mix, where),
    from,
    to,
    checks: checks.map((check) => readCheck(check, where, song, mix)),
    hints: hints.map((hint, k) => text(hint, BRIEF_LIMITS.hint, `${where}: hint ${k + 1}`)),
    weight: number(task['weight'], 0, 10, `${where}: its weight`, false),
    ...otherWays(task['otherWays'], where),
  }
}

function otherWays(value: unknown, where: string): Pick<BriefTask, 'otherWays'> {
  if (value === undefined) return {}
  if (typeof value !== 'boolean') throw new RangeError(`${where}: whether other ways count is yes or no.`)
  return { otherWays: value }
}

function readCheck(value: unknown, where: string, song: SongVersion, mix: Mix): Check {
  const check = record(value, `${where}: a check is not a check.`)
  const values = record(check['values'], `${where}: a check has no values.`) as Values
  const read: Check = { id: idOf(check['id'], where), kind: String(check['kind']), values }
  const problem = checkProblem(read, song, mix)
  if (problem) throw new RangeError(`${where}. ${problem}`)
  return read
}

function record(value: unknown, problem: string): Record<string, unknown> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new RangeError(problem)
  return value as Record<string, unknown>
}

function list(value: unknown, problem: string): readonly unknown[] {
  if (!Array.isArray(value)) throw new RangeError(problem)
  return value
}

function text(value: unknown, most: number, what: string): string {
  if (typeof value !== 'string') throw new RangeError(`${what} must be text.`)
  if (value.length > most) throw new RangeError(`${what} can have ${most} characters at most.`)
  return value
}

function number(value: unknown, least: number, most: number, what: string, whole = true): number {
  const fits =
    typeof value === 'number' && value >= least && value <= most && (!whole || Number.isInteger(value))
  if (!fits)
    throw new RangeError(`${what} must be ${whole ? 'a whole number ' : ''}between ${least} and ${most}.`)
  return value
}

function lanes(value: unknown, mix: Mix, where: string): string[] {
  return list(value, `${where}: a list of lanes is wanted.`).map((lane) => {
    if (typeof lane !== 'string' || !resolve(mix, lane))
      throw new RangeError(`${where}: the song has no lane "${String(lane)}".`)
    return lane
  })
}

function idOf(value: unknown, where: string): string {
  if (typeof value !== 'string' || !/^[A-Za-z0-9_-]{1,64}$/.test(value))
    throw new RangeError(`${where}: its id is missing.`)
  return value
}
