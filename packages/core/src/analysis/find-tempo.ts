import { exp, log } from '../maths'
import { evenness, findMeter, type FoundMeter, type MeterReading } from './find-meter'
import { OUTLINE_RATE, type Outline } from './outline'

/** A tempo that was heard in recordings, to be confirmed or corrected by hand. */
export interface FoundTempo {
  /** Quarters a minute. */
  readonly bpm: number
  /** 0 (a guess) … 1 (plain to hear). */
  readonly confidence: number
  readonly meter: FoundMeter
  /** Other ways to count the same beat: in other bars, the likelier first, then twice or half as fast. */
  readonly also: readonly { readonly bpm: number; readonly meter: FoundMeter }[]
  /** Where the first beat of a bar seems to be, in seconds. */
  readonly downbeat: number
}

const SLOWEST = 50
const FASTEST = 210
/** Eighths of 6/8 a minute that are still counted: those of a quick jig. */
const FASTEST_EIGHTHS = 380
/** Tempi are tried in such steps, in BPM, and then finer around the best. */
const COARSE = 0.5
const FINE = 0.02
/** Beats that a tempo is followed over. */
const FOLLOWED = 16
/** People tap most readily about here (D. Moelants 2002), within about an octave. */
const COMFORT = 112
const WIDTH = 0.95

/**
 * Finds a steady tempo: the one whose beats return best in the strength of onsets, looked at over sixteen beats
 * (autocorrelation with a comb, as E. D. Scheirer 1998 and D. P. W. Ellis 2007 use it), weighed by what people would tap.
 * @param outlines of the tracks, which all start together
 * @returns null for what has no onsets
 */
export function findTempo(outlines: readonly Outline[]): FoundTempo | null {
  // low and high apart: a drum is followed by the same drum, not by another one
  const low = together(outlines.map((o) => o.thump))
  const high = together(outlines.map((o) => o.flux))
  const lags = Math.min(Math.floor(low.length * 0.6), Math.ceil((60 / SLOWEST) * OUTLINE_RATE * FOLLOWED * 2))
  if (lags < OUTLINE_RATE * 4) return null
  const [of, more] = [autocorrelation(low, lags), autocorrelation(high, lags)]
  const onsets = low.map((x, i) => x + high[i]!)
  const again = of.map((x, i) => x + more[i]!)
  if (!(again[0]! > 0)) return null
  const score = (bpm: number) => comb(again, bpm) * comfort(bpm)
  const tried: { bpm: number; score: number }[] = []
  for (let bpm = SLOWEST; bpm <= FASTEST; bpm += COARSE) tried.push({ bpm, score: score(bpm) })
  const rough = best(tried)
  const near: { bpm: number; score: number }[] = []
  for (let bpm = rough.bpm - 1; bpm <= rough.bpm + 1; bpm += FINE) near.push({ bpm, score: comb(again, bpm) })
  const bpm = countable(tidy(byDivision(best(near).bpm, again, onsets)), again, onsets)
  // a rival is another tempo, not the same one counted in twos, threes or halves
  const rivals = tried.filter(
    (t) => ![0.5, 2 / 3, 1, 1.5, 2].some((r) => Math.abs(t.bpm / (bpm * r) - 1) < 0.06),
  )
  const second = rivals.length ? best(rivals).score : 0
  const confidence = Math.max(0, Math.min(1, 1.6 * (1 - Math.max(0, second) / rough.score)))
  const { found, others } = findMeter(again, onsets, bpm)
  const { meter } = found
  const beatsInBar = (meter.beats * 4) / meter.unit / found.quarters
  const downbeat = findDownbeat(low, high, bpm, beatsInBar)
  const quarters = quartersOf(bpm, found)
  const octaves = octavesOf(quarters, (b) => comb(again, b) * comfort(b))
  const also = [
    ...others.map((other) => ({ bpm: quartersOf(bpm, other), meter: other.meter })),
    ...octaves.map((b) => ({ bpm: b, meter })),
  ]
  return { bpm: quarters, confidence, meter, also, downbeat }
}

/** Beats whose thirds come faster than anybody counts eighths are the halves of slower ones. */
const countable = (bpm: number, again: Float64Array, onsets: Float64Array): number =>
  3 * bpm > FASTEST_EIGHTHS && findMeter(again, onsets, bpm).found.quarters === 1.5 ? bpm / 2 : bpm

/** A tempo counts quarters, whatever a beat is. */
const quartersOf = (bpm: number, { quarters }: MeterReading): number => tidy(bpm * quarters)

/** Beats are also grouped wrongly by threes: what a tempo is then mistaken for. */
const MISTAKEN = [1, 1.5, 2 / 3, 3, 1 / 3]

/** Of a tempo and those that it may be mistaken for, the one whose beats return well and are divided most plainly. */
function byDivision(bpm: number, again: Float64Array, onsets: Float64Array): number {
  const tried = MISTAKEN.map((r) => bpm * r)
    .filter((b) => b >= SLOWEST && b <= FASTEST)
    .map((b) => ({
      bpm: b,
      score: comb(again, b) * comfort(b) * Math.sqrt(evenness(onsets, b)),
    }))
  return best(tried).bpm
}

/** The octaves of a tempo that somebody would count, the better one first. */
const octavesOf = (bpm: number, score: (bpm: number) => number): number[] =>
  [bpm * 2, bpm / 2].filter((b) => b >= SLOWEST && b <= FASTEST).sort((a, b) => score(b) - score(a))

const best = <T extends { readonly score: number }>(tried: readonly T[]): T =>
  tried.reduce((a, b) => (b.score > a.score ? b : a))

/** Songs are mostly made at whole tempi: what is heard as one within a tenth is one. */
const tidy = (bpm: number) =>
  Math.abs(bpm - Math.round(bpm)) < 0.1 ? Math.round(bpm) : Math.round(bpm * 100) / 100

/** The strength of onsets of all tracks, less its own neighbourhood. */
function together(parts: readonly Float32Array[]): Float64Array {
  const length = Math.max(0, ...parts.map((p) => p.length))
  const sum = new Float64Array(length)
  for (const part of parts) for (let i = 0; i < part.length; i++) sum[i]! += part[i]!
  const around = OUTLINE_RATE / 2
  const out = new Float64Array(length)
  let window = 0
  for (let i = 0; i < length; i++) {
    window += sum[i]!
    if (i >= 2 * around) window -= sum[i - 2 * around]!
    out[i] = sum[i]! - window / Math.min(i + 1, 2 * around)
  }
  return out.map((x) => Math.max(0, x))
}

function autocorrelation(x: Float64Array, lags: number): Float64Array {
  const mean = x.reduce((a, b) => a + b, 0) / x.length
  const out = new Float64Array(lags + 1)
  for (let lag = 0; lag <= lags; lag++) {
    let sum = 0
    for (let i = lag; i < x.length; i++) sum += (x[i]! - mean) * (x[i - lag]! - mean)
    out[lag] = sum / (x.length - lag)
  }
  return out
}

/** How well beats of a tempo return: near ones count more, far ones tell the tempo more exactly. */
function comb(again: Float64Array, bpm: number): number {
  const beat = (60 / bpm) * OUTLINE_RATE
  let sum = 0
  let weight = 0
  for (let k = 1; k <= FOLLOWED; k++) {
    const at = k * beat
    const below = Math.floor(at)
    if (below + 1 >= again.length) break
    const value = again[below]! + (again[below + 1]! - again[below]!) * (at - below)
    const w = 1 / Math.sqrt(k)
    sum += w * value
    weight += w
  }
  return weight ? sum / weight : 0
}

function comfort(bpm: number): number {
  const octaves = log(bpm / COMFORT) / log(2)
  return exp(-(octaves * octaves) / (2 * WIDTH * WIDTH))
}

/** The place of the first downbeat: the phase of the beats by all onsets, then of the bars by the low ones. */
function findDownbeat(low: Float64Array, high: Float64Array, bpm: number, beatsInBar: number): number {
  const beat = (60 / bpm) * OUTLINE_RATE
  const on = (strength: Float64Array, phase: number, every: number) => {
    let sum = 0
    for (let at = phase; at < strength.length; at += every) {
      const i = Math.round(at)
      sum += Math.max(strength[i] ?? 0, strength[i - 1] ?? 0, strength[i + 1] ?? 0)
    }
    return sum
  }
  const all = low.map((x, i) => x + high[i]!)
  let phase = 0
  let most = -1
  for (let p = 0; p < beat; p++) {
    const sum = on(all, p, beat)
    if (sum > most) [phase, most] = [p, sum]
  }
  let first = 0
  most = -1
  for (let k = 0; k < beatsInBar; k++) {
    const sum = on(low, phase + k * beat, beat * beatsInBar)
    if (sum > most * 1.15) [first, most] = [k, sum]
  }
  return (phase + first * beat) / OUTLINE_RATE
}
