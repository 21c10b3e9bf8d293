import { OUTLINE_RATE } from './outline'

/** A time signature that was heard, to be confirmed or corrected by hand. */
export interface FoundMeter {
  readonly beats: number
  readonly unit: 4 | 8
  /** 0 (a guess) … 1 (plain to hear). */
  readonly confidence: number
  /** How plainly the second half of a beat comes late, as in swing: 0 (even) … 1 (as triplets). */
  readonly swing: number
}

/** A time signature, and what a beat is in it. */
export interface MeterReading {
  readonly meter: FoundMeter
  /** Quarters that a beat lasts: one and a half where its thirds are the eighths of 6/8. */
  readonly quarters: 1 | 1.5
}

/** What a tempo seems to be counted in, and what else it could be. */
export interface MeterReadings {
  readonly found: MeterReading
  /** The same sound counted otherwise, the likelier one first: 6/8 for swing and for 3/4, and the other way round; 4/4 for a doubtful 3/4. */
  readonly others: readonly MeterReading[]
}

/** What bars are looked for: beats in a bar. */
const BARS = [2, 3, 4, 5] as const
/** Beats that bars are compared over. */
const FOLLOWED = 40
/** Beats that are laid on each other at a time: over more of them a tempo that is a little off runs away. */
const WINDOW = 16
/** Places within a beat that are told apart: twelfths, since halves, thirds and quarters fall on them. */
const PLACES = 12

/** Where bars of three or five return better than others by less than this share of a beat, it is chance. */
const ODD = 0.05
/** Below this share a bar of three is in doubt: so much a melody in 4/4 may return by threes as well. */
const DOUBTFUL = 0.25
/** The share from which half a bar of three quarters returns plainly better than its quarters: three are the commoner case. */
const PLAINLY = 0.62

/** How far from where a beat returns it still counts, in steps: hands are never quite in time. */
const NEAR = 2.75

/**
 * The autocorrelation of onsets round a lag, which lies between two steps. What is near is added up, and not the best of it
 * taken: a return is as strong where it falls between two steps as where it falls on one.
 */
function at(again: Float64Array, lag: number): number {
  const [from, to] = [Math.ceil(lag - NEAR), Math.floor(lag + NEAR)]
  if (to >= again.length) return 0
  let sum = 0
  let weight = 0
  for (let k = Math.max(0, from); k <= to; k++) {
    const w = Math.min(1, NEAR - Math.abs(k - lag))
    sum += w * again[k]!
    weight += w
  }
  return sum / weight
}

/**
 * How much better the sound returns after whole bars of so many beats than after other numbers of beats (J. C. Brown 1993 finds
 * metres by autocorrelation like this).
 */
function returnsBy(again: Float64Array, beat: number, beats: number): number {
  let whole = 0
  let wholes = 0
  let other = 0
  let others = 0
  for (let k = 2; k <= FOLLOWED && k * beat + 2 < again.length; k++) {
    const value = at(again, k * beat)
    if (k % beats === 0) {
      whole += value
      wholes++
    } else {
      other += value
      others++
    }
  }
  return wholes && others ? whole / wholes - other / others : 0
}

/** How much of the onsets is on beats and their halves or quarters, or on beats and thirds: 0…1; thirds are rarer. */
export function evenness(onsets: Float64Array, bpm: number): number {
  const places = placesInBeat(onsets, bpm)
  const sum = (list: readonly number[]) => list.reduce((a, p) => a + places[p]!, 0)
  const all = sum([...places.keys()])
  return Math.max(sum([0, 3, 6, 9]), 0.8 * sum([0, 4, 8])) / Math.max(1e-9, all)
}

/** Where within beats onsets are, in twelfths of a beat, all windows together; 1 for where most is. */
function placesInBeat(onsets: Float64Array, bpm: number): Float64Array {
  const beat = (60 / bpm) * OUTLINE_RATE
  const places = new Float64Array(PLACES)
  const length = Math.round(WINDOW * beat)
  for (let from = 0; from + length <= onsets.length; from += length) {
    const here = new Float64Array(PLACES)
    for (let i = from; i < from + length; i++)
      here[Math.round(((i - from) / beat) * PLACES) % PLACES]! += onsets[i]!
    add(places, here)
  }
  const first = places.indexOf(Math.max(...places))
  const most = Math.max(1e-9, places[first]!)
  return places.map((_, p) => places[(p + first) % PLACES]! / most)
}

/** Adds a window to those before, turned so that they fit best: each begins where it may. */
function add(places: Float64Array, here: Float64Array): void {
  let best = 0
  let most = -1
  for (let turn = 0; turn < PLACES; turn++) {
    let sum = 0
    for (let p = 0; p < PLACES; p++) sum += here[(p + turn) % PLACES]! * places[p]!
    if (sum > most) [best, most] = [turn, sum]
  }
  for (let p = 0; p < PLACES; p++) places[p]! += here[(p + best) % PLACES]!
}

/**
 * Finds the time signature of a tempo by how bars and beats return, and what beats are divided into.
 * @param again autocorrelation of onsets at the rate of an outline
 * @param onsets their strength, low and high together
 */
export function findMeter(again: Float64Array, onsets: Float64Array, bpm: number): MeterReadings {
  const beat = (60 / bpm) * OUTLINE_RATE
  const ranked = BARS.map((beats) => ({ beats, score: returnsBy(again, beat, beats) })).sort(
    (a, b) => b.score - a.score,
  )
  const best = ranked.find((r) => r.beats % 2 === 0 || r.score > ODD * at(again, beat))!
  const rival = ranked.find((r) => r.beats !== best.beats && !(r.beats % 2 === 0 && best.beats % 2 === 0))!
  /** Of a beat: by how much bars return better than what is no bar. */
  const share = best.score / Math.max(1e-9, at(again, beat))
  const plainly = Math.min(1, share / ODD)
  const confidence =
    best.score > 0 ? plainly * Math.max(0, Math.min(1, 1 - Math.max(0, rival.score) / best.score)) : 0
  const places = placesInBeat(onsets, bpm)
  const half = places[6]!
  const [early, late] = [places[4]!, places[8]!]
  const third = Math.max(early, late)
  const swing = third > half ? (third - half) / third : 0
  const plain: FoundMeter = { beats: best.beats === 2 ? 4 : best.beats, unit: 4, confidence, swing }
  if (!swing && plain.beats === 3) return threeOrSix(again, beat, plain, share)
  if (!swing || plain.beats % 2) {
    // where no bar is heard it is the commonest one, or a bar of three
    const three: MeterReading = { meter: { ...plain, beats: 3, confidence: 0 }, quarters: 1 }
    return { found: { meter: plain, quarters: 1 }, others: share < ODD ? [three] : [] }
  }
  // all three parts of a beat are played in 6/8, two of them where it swings
  const full = Math.min(early, late) / third
  const compound: FoundMeter = { beats: 6, unit: 8, confidence: confidence * full, swing: 0 }
  const simple = { ...plain, confidence: confidence * (1 - full) }
  return likelier({ meter: compound, quarters: 1.5 }, { meter: simple, quarters: 1 }, full > 0.5)
}

/**
 * A bar of three quarters is one of six eighths as well: the one whose beats return, three of them or two. One of four is offered
 * where three are in doubt.
 * @param share of a beat by which bars of three return better than others
 */
function threeOrSix(again: Float64Array, beat: number, three: FoundMeter, share: number): MeterReadings {
  const thirds = (at(again, beat) + at(again, 2 * beat)) / 2
  const half = at(again, 1.5 * beat)
  const ofSix = half > 0 ? half / (half + Math.max(0, thirds)) : 0
  const six: FoundMeter = { beats: 6, unit: 8, confidence: three.confidence * ofSix, swing: 0 }
  const meter = { ...three, confidence: three.confidence * (1 - ofSix) }
  const { found, others } = likelier({ meter: six, quarters: 1 }, { meter, quarters: 1 }, ofSix > PLAINLY)
  if (share >= DOUBTFUL) return { found, others }
  const doubt = 1 - Math.max(0, share) / DOUBTFUL
  const four: FoundMeter = { beats: 4, unit: 4, confidence: three.confidence * doubt, swing: 0 }
  const byConfidence = (a: MeterReading, b: MeterReading) => b.meter.confidence - a.meter.confidence
  return { found, others: [...others, { meter: four, quarters: 1 as const }].sort(byConfidence) }
}

const likelier = (a: MeterReading, b: MeterReading, isFirst: boolean): MeterReadings =>
  isFirst ? { found: a, others: [b] } : { found: b, others: [a] }
