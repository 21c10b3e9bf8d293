import { checkProblem, kindOf, type Check, type Values } from '../checks'
import { evidenceOf, type Evidence } from '../evidence'
import { envelopeOf, resolve, type Mix } from '../mix'
import { songTime, type SongVersion } from '../song'
import type { BriefTask } from './brief'
import { variationsOf } from './variations'
import { judgeTasks, needsSound } from './verdicts'

/** So many of the other good answers have to be accepted. */
const ACCEPTED = 0.9
/** What is loosened, and by how much each time, where a check is too strict for them. */
const LOOSER: Readonly<Record<string, number>> = {
  beats: 1.5,
  tolerance: 1.4,
  even: 1.3,
  steady: 0.8,
  least: 0.8,
}
const TIMES = 4

/** What a proposed task is held against. */
export interface Proof {
  readonly song: SongVersion
  readonly start: Mix
  readonly model: Mix
}

/**
 * Proves a proposed task before anybody sees it: each of its checks can be saved, is met by the model and by other good answers, and
 * at least one is not met by what everybody begins with. Checks that are too strict are loosened; what cannot be proved is left out.
 * @returns null where nothing is left
 */
export function proved(task: BriefTask, { song, start, model }: Proof): BriefTask | null {
  const others = goodAnswers(task, song, model)
  const evidence = (mix: Mix) => evidenceOf(song, start, mix)
  const [first, ideal, good] = [evidence(start), evidence(model), others.map(evidence)]
  const checks = task.checks.flatMap((check) => {
    const fits = loosened(check, (c) => !checkProblem(c, song, model) && accepted(c, ideal, good))
    return fits ? [fits] : []
  })
  // what is heard cannot be tried here: it stays as it is
  const tried = checks.filter((c) => !needsSound(c))
  if (!checks.length || (tried.length === checks.length && tried.every((c) => isMet(c, first)))) return null
  return { ...task, checks }
}

/** The model with other lines on the lanes of the task. */
function goodAnswers({ lanes }: BriefTask, song: SongVersion, model: Mix): Mix[] {
  const time = songTime(song)
  return lanes.flatMap((lane) => {
    const envelope = envelopeOf(model, lane)
    const scale = resolve(model, lane)?.control.scale
    if (!envelope || !scale) return []
    return variationsOf(envelope.points, scale, time).map((points) => ({
      ...model,
      envelopes: model.envelopes.map((e) => (e === envelope ? { ...e, points } : e)),
    }))
  })
}

const isMet = (check: Check, evidence: Evidence) =>
  judgeTasks(evidence, [{ id: 'proof', checks: [check] }])[0]!.verdict === 'met'

function accepted(check: Check, ideal: Evidence, good: readonly Evidence[]): boolean {
  if (needsSound(check)) return true
  if (!isMet(check, ideal)) return false
  return good.filter((e) => isMet(check, e)).length >= ACCEPTED * good.length
}

/** A check as strict as it can be; null where it never fits. */
function loosened(check: Check, fits: (check: Check) => boolean): Check | null {
  let now = check
  for (let k = 0; k <= TIMES; k++) {
    if (fits(now)) return now
    now = { ...now, values: looser(now) }
  }
  return null
}

function looser({ kind, values }: Check): Values {
  const { fields } = kindOf(kind)
  return Object.fromEntries(
    Object.entries(values).map(([name, value]) => {
      const field = fields[name]
      const by = LOOSER[name]
      if (!by || field?.type !== 'number' || typeof value !== 'number') return [name, value]
      // a bound below 0 gets looser by getting lower
      const next = value < 0 ? value / by : value * by
      const limit =
        name === 'tolerance' && typeof values['depth'] === 'number' ? values['depth'] - 0.25 : Infinity
      return [name, Math.min(limit, field.max, Math.max(field.min, Math.round(next * 4) / 4))]
    }),
  )
}
