import { words } from '@rudlo/words'
import { checkProblem, type Check, type Values } from '../checks'
import { followsTempo, resolve, TEMPO, type Mix } from '../mix'
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
  const file = record(document, words('bad-brief.not'))
  const tasks = list(file['tasks'], words('bad-brief.list-tasks'))
  if (!tasks.length) throw new RangeError(words('bad-brief.assignment-needs-least'))
  if (tasks.length > BRIEF_LIMITS.tasks)
    throw new RangeError(words('bad-brief.most-tasks', { most: BRIEF_LIMITS.tasks }))
  const answers = ANSWER_TIMES.find((t) => t === file['answers'])
  if (!answers) throw new RangeError(words('bad-brief.does-not'))
  const ids = new Set<string>()
  const brief: Brief = {
    purpose: text(file['purpose'], BRIEF_LIMITS.purpose, words('bad-brief.purpose')),
    open: lanes(file['open'], song, mix, words('bad-brief.may-changed')),
    answers,
    hintsAfter: number(file['hintsAfter'], 0, 20, words('bad-brief.tries-before-hints')),
    repairs: file['repairs'] === true,
    tasks: tasks.map((task, i) => readTask(task, i, song, mix)),
  }
  for (const { id } of brief.tasks.flatMap((t) => [t, ...t.checks])) {
    if (ids.has(id)) throw new RangeError(words('bad-brief.two-parts', { id }))
    ids.add(id)
  }
  return brief
}

function readTask(value: unknown, i: number, song: SongVersion, mix: Mix): BriefTask {
  const task = record(value, words('bad-brief.task-not-task', { i: i + 1 }))
  const title = text(task['title'], BRIEF_LIMITS.title, words('bad-brief.title-task', { i: i + 1 }))
  if (!title.trim()) throw new RangeError(words('bad-brief.task-needs-title', { i: i + 1 }))
  const where = words('bad-brief.task', { i: i + 1, title })
  const from = place(task['from'], song, words('bad-brief.beginning', { where }))
  const to = place(task['to'], song, words('bad-brief.end', { where }))
  if (to <= from) throw new RangeError(words('bad-brief.end-lie-after', { where }))
  const checks = list(task['checks'], words('bad-brief.no-list-checks', { where }))
  if (checks.length > BRIEF_LIMITS.checks)
    throw new RangeError(words('bad-brief.more-checks', { where, most: BRIEF_LIMITS.checks }))
  const hints = list(task['hints'], words('bad-brief.no-list-hints', { where }))
  if (hints.length > HINT_LEVELS.length) throw new RangeError(words('bad-brief.more-three-hints', { where }))
  return {
    id: idOf(task['id'], where),
    title,
    text: text(task['text'], BRIEF_LIMITS.text, words('bad-brief.text', { where })),
    lanes: lanes(task['lanes'], song, mix, where),
    from,
    to,
    checks: checks.map((check) => readCheck(check, where, song, mix)),
    hints: hints.map((hint, k) =>
      text(hint, BRIEF_LIMITS.hint, words('bad-brief.hint', { where, k: k + 1 })),
    ),
    weight: number(task['weight'], 0, 10, words('bad-brief.weight', { where }), false),
    ...otherWays(task['otherWays'], where),
  }
}

function otherWays(value: unknown, where: string): Pick<BriefTask, 'otherWays'> {
  if (value === undefined) return {}
  if (typeof value !== 'boolean') throw new RangeError(words('bad-brief.whether-other-ways', { where }))
  return { otherWays: value }
}

function readCheck(value: unknown, where: string, song: SongVersion, mix: Mix): Check {
  const check = record(value, words('bad-brief.check-not-check', { where }))
  const values = record(check['values'], words('bad-brief.check-no-values', { where })) as Values
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
  if (typeof value !== 'string') throw new RangeError(words('bad-brief.text-2', { what }))
  if (value.length > most) throw new RangeError(words('bad-brief.characters-most', { what, most }))
  return value
}

/** A tick inside the song. */
function place(value: unknown, song: SongVersion, what: string): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < 0 || value > song.length)
    throw new RangeError(words('bad-brief.outside-song', { what }))
  return value
}

function number(value: unknown, least: number, most: number, what: string, whole = true): number {
  const fits =
    typeof value === 'number' && value >= least && value <= most && (!whole || Number.isInteger(value))
  if (!fits)
    throw new RangeError(words(whole ? 'bad-brief.whole' : 'bad-brief.between', { what, least, most }))
  return value
}

function lanes(value: unknown, song: SongVersion, mix: Mix, where: string): string[] {
  return list(value, words('bad-brief.list-lanes-wanted', { where })).map((lane) => {
    // the tempo gets its line where somebody draws on it
    const isThere =
      typeof lane === 'string' && (resolve(mix, lane) !== null || (lane === TEMPO && followsTempo(song)))
    if (!isThere) throw new RangeError(words('bad-brief.song-no-lane', { where, lane: String(lane) }))
    return lane
  })
}

function idOf(value: unknown, where: string): string {
  if (typeof value !== 'string' || !/^[A-Za-z0-9_-]{1,64}$/.test(value))
    throw new RangeError(words('bad-brief.id-missing', { where }))
  return value
}
