import { words } from '@rudlo/words'
import { effectiveLevel } from '../../effective'
import { valueAt } from '../../envelope'
import { energyOfLufs } from '../../loudness'
import { drawnLines, isLevel, isMute } from '../../mistakes/lines'
import { levelScale } from '../../scale'
import { log } from '../../maths'
import { energies, brightness, loudnessIn, type Heard, type Part, type Seconds } from '../../heard'
import { resolve } from '../../mix'
import {
  type Evidence,
  type Finding,
  type Verdict,
  amount,
  at,
  count,
  say,
  secondsOf,
  wanted,
  word,
} from '../../evidence'
import { checkKind, number, place, unheard, choice } from '../check'
import { conclude } from '../conclude'

const LN2 = 0.6931471805599453
/** Less loud than so far below the song as it was counts as gone, in LU. */
const GONE = -60

/** Bars of a stretch, as [start, end) in ticks. */
function barsOf(
  meter: { placeAt(t: number): { bar: number }; barStart(b: number): number },
  from: number,
  to: number,
) {
  const first = meter.placeAt(from).bar
  const last = meter.placeAt(Math.max(from, to - 1)).bar
  return Array.from(
    { length: last - first + 1 },
    (_, i) =>
      [Math.max(from, meter.barStart(first + i)), Math.min(to, meter.barStart(first + i + 1))] as const,
  )
}

/** How much the lines add in a stretch: loudness with them − loudness without them, in LU. */
function adds({ mix, still }: Heard, stretch: Seconds): number {
  const [moved, before] = [mix, still].map((part) => loudnessIn(energies(part), stretch)) as [number, number]
  if (!Number.isFinite(before)) return 0
  return Number.isFinite(moved) ? Math.max(GONE, moved - before) : GONE
}

/**
 * How much the lines take away in the bar after the arrival, in dB: each by how loud its track was before. What the song itself does
 * next, who comes in or stops, is nobody's fault.
 */
function takenAway(evidence: Evidence, heard: Heard, before: number, after: number, to: number): number {
  const { song, start, mix, time } = evidence
  const tracks = new Set(
    drawnLines(evidence).flatMap(({ lane }) => (isLevel(lane) || isMute(lane) ? [lane.split('/')[1]!] : [])),
  )
  let [sum, weight] = [0, 0]
  for (const id of tracks) {
    const part = heard.tracks[id]
    if (!part) continue
    const { points } = effectiveLevel(song, start, mix, id)
    const level = (from: number, end: number) =>
      meanOf(LOOKS.map((u) => valueAt(points, levelScale, from + (end - from) * u)))
    const loud = energyOfLufs(Math.max(GONE, loudnessIn(energies(part), secondsOf(time, before, to))))
    // under −60 dB nobody hears a difference
    sum += loud * (Math.max(GONE, level(before + (to - before) / 2, to)) - Math.max(GONE, level(to, after)))
    weight += loud
  }
  return weight > 0 ? sum / weight : 0
}

/** Places in a stretch at which a line is looked at. */
const LOOKS = [0.1, 0.3, 0.5, 0.7, 0.9]
const meanOf = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length

/**
 * What gets brighter, and the same without its lines: the track on which a frequency moves, alone, beside the starting mix; the
 * whole where it is not known.
 */
function brightParts(evidence: Evidence, heard: Heard): { now: Part; before: Part } {
  const owner = drawnLines(evidence)
    .filter(({ lane }) => /frequency$/i.test(lane))
    .map(({ lane }) => resolve(evidence.mix, lane)?.owner)
    .find((id) => id && heard.tracks[id]?.bright && evidence.first?.tracks[id]?.bright)
  if (!owner) return { now: heard.mix, before: heard.still }
  return { now: heard.tracks[owner]!, before: evidence.first!.tracks[owner]! }
}

export const build = checkKind({
  kind: 'build',
  needs: 'sound',
  fields: {
    from: place('grows-from'),
    to: place('arrives-at'),
    by: choice('grows-in', ['loudness', 'brightness']),
    least: number('by-at-least', 'lu-or-octave', 4, 0.5, 40),
    steady: number('bars-that-grow', '%', 70, 10, 100),
  },
  impossible: ({ from, to }, song) =>
    to <= from
      ? words('impossible.build-arrives-after')
      : to > song.length
        ? words('impossible.arrives-after-end')
        : null,
  judge(evidence, { from, to, by, least, steady }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const bright = by === 'brightness'
    const stretches = barsOf(time.meter, from, to)
    const { now, before } = brightParts(evidence, heard)
    const values = bright
      ? stretches.map(([a, b]) => brighter(now, before, secondsOf(time, a, b)))
      : stretches.map(([a, b]) => adds(heard, secondsOf(time, a, b)))
    // as it is said: to a tenth
    const gain = Math.round((values.at(-1)! - values[0]!) * 10) / 10
    const grows = values.slice(1).filter((v, i) => v > values[i]!).length
    const steps = values.length - 1
    const share = steps > 0 ? (100 * grows) / steps : 100
    const top = values.indexOf(Math.max(...values))
    const { bar } = time.meter.lengthsAt(to)
    const drop =
      bright || to >= time.length
        ? 0
        : takenAway(evidence, heard, stretches.at(-1)![0], Math.min(time.length, to + bar), to)
    const enough: Verdict = gain >= least ? 'met' : gain >= least * 0.6 ? 'close' : 'not yet'
    const steadily: Verdict = share >= steady ? 'met' : share >= steady * 0.7 ? 'close' : 'not yet'
    const arrives: Verdict = top >= steps ? 'met' : top >= steps - 1 ? 'close' : 'not yet'
    const follows: Verdict = drop <= 1 ? 'met' : drop <= 3 ? 'close' : 'not yet'
    const measured = (value: number) => (bright ? amount(value / 10, 'octaves') : amount(value, 'LU'))
    const said = (value: number) => (bright ? amount(value / 10, 'octaves') : amount(value, 'dB'))
    const parts = {
      from: at(from),
      to: at(to),
      gain: said(Math.max(0, gain)),
      asked: said(least),
      grows: count(grows),
      steps: amount(steps, 'points', 0),
      top: at(stretches[Math.max(0, top)]![0]),
      drop: amount(drop, 'dB'),
      more: word(bright ? 'brighter' : 'louder'),
    }
    const flat = gain < Math.min(1, least / 4)
    return conclude(
      place,
      [
        { name: 'grows-by', value: measured(gain), wanted: wanted('least', measured(least)) },
        { name: 'a-bar', value: measured(gain / Math.max(1, steps)), wanted: null },
        {
          name: 'bars-that-grow',
          value: amount(share, '%', 0),
          wanted: wanted('least', amount(steady, '%', 0)),
        },
        { name: 'after', value: amount(-drop, 'LU'), wanted: wanted('least', amount(0, 'LU', 0)) },
      ],
      [
        { verdict: enough, says: say(flat ? 'check.build.flat' : 'check.build.little', parts) },
        { verdict: arrives, says: say('check.build.early', parts) },
        { verdict: follows, says: say('check.build.falls', parts) },
        { verdict: steadily, says: say('check.build.stairs', parts) },
      ],
      say('check.build.met', parts),
    )
  },
})

/** How much brighter one is than the other in a stretch, in tenths of an octave; 0 where one of them is silent. */
function brighter(now: Part, before: Part, stretch: Seconds): number {
  const [a, b] = [brightness(now, stretch), brightness(before, stretch)]
  return a && b ? (10 * log(a / b)) / LN2 : 0
}
