import { PEAK_LIMIT } from '../../assess'
import { travelAt } from '../../envelope'
import { energies, HOPS, loudnessIn } from '../../heard'
import { resolve, withSetting, type Address, type Mix } from '../../mix'
import { hysteresis } from '../../moves'
import { raised } from '../../scale'
import { type Evidence, amount, at, laneOf, say } from '../../evidence'
import { drawnLines, repaired, type DrawnLine } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'

/** It has to be so much louder there than it was, in LU, or to peak so much higher, in dB, to be made by the student. */
const ADDS = 0.5
/** Around a peak loudness is looked at over so many hops. */
const AROUND = 2
/** What can make something too loud: levels, gains, sends, what an effect lets through or raises. */
const LOUDER = /\/(level|gain|wet|low|mid|high|lowGain|midGain|highGain|[a-z]*Gain|resonance|feedback)$/i

/** What the student did that is up there: a line, or a setting that was raised. */
interface Cause {
  readonly lane: Address
  readonly line: DrawnLine | null
  /** How far it is up, in travel. */
  readonly up: number
}

/** Too hot: what was raised drives the true peak over the limit. */
export const tooHot: MistakeKind = {
  kind: 'too hot',
  needs: 'sound',
  find: (evidence) => {
    const { heard } = evidence
    if (!heard) return []
    const found: Mistake[] = []
    let last = -Infinity
    for (const hop of hotHops(evidence)) {
      // one mistake for one place
      const { bar } = evidence.time.meter.lengthsAt(tickOf(evidence, hop))
      if (tickOf(evidence, hop) - last < bar * APART_BARS) continue
      const cause = causeAt(evidence, tickOf(evidence, hop))
      if (!cause || found.some((m) => m.place.lane === cause.lane)) continue
      last = tickOf(evidence, hop)
      found.push(mistake(evidence, cause, hop))
    }
    return found
  },
}

/** Places nearer than this are one. */
const APART_BARS = 2

const tickOf = ({ time }: Evidence, hop: number) => Math.round(time.tempo.tickAt(hop / HOPS))

/** Hops that peak over the limit, and did not before the student's work, highest first. */
function hotHops({ heard, first }: Evidence): number[] {
  const { peaks, mix, still } = heard!
  const hot = [...peaks.keys()].filter((i) => peaks[i]! > PEAK_LIMIT)
  return hot
    .filter((i) => {
      if (first) return peaks[i]! - (first.peaks[i] ?? -Infinity) >= ADDS
      const around = { from: (i - AROUND) / HOPS, to: (i + AROUND + 1) / HOPS }
      return loudnessIn(energies(mix), around) - loudnessIn(energies(still), around) >= ADDS
    })
    .sort((a, b) => peaks[b]! - peaks[a]!)
}

/** What is furthest up at a tick. */
function causeAt(evidence: Evidence, tick: number): Cause | null {
  const { mix, start } = evidence
  const lines: Cause[] = drawnLines(evidence)
    .filter((l) => LOUDER.test(l.lane))
    .map((line) => {
      const { scale } = line.control
      const rest = Math.min(scale.toTravel(line.setting), ...line.points.map((p) => scale.toTravel(p.value)))
      return { lane: line.lane, line, up: travelAt(line.points, scale, tick) - rest }
    })
  const settings: Cause[] = raisedSettings(start, mix)
  return (
    [...lines, ...settings]
      .filter(({ lane, up }) => {
        const found = resolve(mix, lane)
        return found && up > hysteresis(found.control.scale, 0.75)
      })
      .sort((a, b) => b.up - a.up)[0] ?? null
  )
}

/** Settings that stand higher than in the starting mix, with no line in charge of them. */
function raisedSettings(start: Mix, mix: Mix): Cause[] {
  const addresses = mix.tracks.flatMap((t) => [
    `track/${t.id}/level`,
    `track/${t.id}/gain`,
    ...t.sends.map((s) => `send/${s.id}/level`),
    ...t.effects.flatMap((e) => Object.keys(e.params).map((param) => `effect/${e.id}/${param}`)),
  ])
  return [...addresses, ...mix.returns.map((r) => `return/${r.id}/level`), 'main/level']
    .filter(
      (lane) =>
        LOUDER.test(lane) && !mix.envelopes.some((e) => e.address === lane && e.on && e.points.length),
    )
    .flatMap((lane) => {
      const [now, was] = [resolve(mix, lane), resolve(start, lane)]
      if (!now) return []
      const { scale, neutral } = now.control
      return [{ lane, line: null, up: scale.toTravel(now.setting) - scale.toTravel(was?.setting ?? neutral) }]
    })
}

function mistake(evidence: Evidence, { lane, line }: Cause, hop: number): Mistake {
  const { time, mix, heard } = evidence
  const tick = tickOf(evidence, hop)
  const peak = heard!.peaks[hop]!
  const excess = peak - PEAK_LIMIT + 0.3
  const name = laneOf(lane)
  const { beat } = time.meter.lengthsAt(tick)
  return {
    kind: 'too hot',
    severity: 3,
    place: { lane, from: Math.max(0, tick - beat), to: tick + beat },
    says: say('mistake.too-hot.says', { name, at: at(tick), db: amount(Math.ceil(excess), 'dB', 0) }),
    repair: () => ({
      label: say('mistake.too-hot.repair', { name, db: amount(excess, 'dB') }),
      mix: lowered(mix, lane, line, tick, -excess),
    }),
  }
}

/** What is up comes down by so many dB: a line where it is high around the tick, a setting altogether. */
function lowered(mix: Mix, lane: Address, line: DrawnLine | null, tick: number, by: number): Mix {
  if (!line) {
    const { control, setting } = resolve(mix, lane)!
    return withSetting(mix, lane, raised(control.scale, setting, by))
  }
  const { scale } = line.control
  const high = travelAt(line.points, scale, tick)
  const isHigh = (value: number) => Math.abs(scale.toTravel(value) - high) <= SAME_HEIGHT
  return repaired(
    mix,
    lane,
    line.points.map((p) => (isHigh(p.value) ? { ...p, value: raised(scale, p.value, by) } : p)),
  )
}

/** Points within this of a height belong to it, in travel. */
const SAME_HEIGHT = 0.1
