import { log } from '../maths'
import type { Address } from '../mix'
import type { SongTime } from '../song'
import { brightness, energies, hopsIn, loudnessIn, type Part, type Seconds } from './part'
import type { Heard } from './hear'

/** One bar of a build. */
export interface BuiltBar {
  readonly bar: number
  /** Ticks. */
  readonly from: number
  readonly to: number
  /** How much the lines add: loudness with them − loudness without them, in LU; null for silence without them. */
  readonly adds: number | null
  /** The share of each lane in it, in LU: what is missing where that lane's line is left out. */
  readonly lanes: Readonly<Record<Address, number>>
  /** What is left over, in LU: what the lanes do only together. */
  readonly together: number
  /** Where the middle of the spectrum lies over where it lay without the lines, in octaves; null where it is not known. */
  readonly octaves: number | null
}

/** A build as it is heard, bar by bar. Plain data, kept as JSON. */
export interface BuildPicture {
  readonly bars: readonly BuiltBar[]
  /** The tick at which it should arrive. */
  readonly arrives: number
  /** The bar that grows most over the one before; null where none grows. */
  readonly steepest: number | null
  /** Bars that are not louder than the one before. */
  readonly falls: readonly number[]
  /** Room left below full scale in its loudest bar, in dB: minus the true peak. Null for silence. */
  readonly room: number | null
  /** The lane whose frequency moves; null where none does. */
  readonly brightens: Address | null
  /** How many more lanes move here whose share is not told from the others': it is in what they do together. */
  readonly unsplit: number
  /** How much louder the bar after it is than its last one, in LU, by the lines alone; null at the end of the song. */
  readonly after: number | null
}

/** A track that gets brighter: as it sounds, and without the line of its frequency. */
export interface Brightened {
  readonly lane: Address
  readonly now: Part
  readonly before: Part
}

/** What is heard beside the mix: the same with the line of one lane left out, by address. */
export type LeftOut = Readonly<Record<Address, Part>>

const LN2 = 0.6931471805599453
/** Less loud than so far below the song as it was counts as gone, in LU. */
const GONE = -60
/** A bar that grows by less has not grown, in LU. */
const GROWS = 0.1

const hundredth = (x: number) => Math.round(x * 100) / 100

/** Loudness of one part over another in a stretch, in LU; null where the other is silent. */
function louderBy(part: Part, other: Part, stretch: Seconds): number | null {
  const [mine, theirs] = [part, other].map((p) => loudnessIn(energies(p), stretch)) as [number, number]
  if (!Number.isFinite(theirs)) return null
  return Number.isFinite(mine) ? Math.max(GONE, mine - theirs) : GONE
}

/**
 * What a build does bar by bar: how much louder its lines make the song than it would be without them, and who of them does it.
 * @param stretch ticks: from where it grows to where it should arrive
 * @param leftOut one part for every lane whose share is asked for
 * @param unsplit how many more lanes move there
 * @param bright what gets brighter and the same without its lines; left out where no frequency moves
 */
export function buildPicture(
  time: SongTime,
  stretch: { readonly from: number; readonly to: number },
  { mix, still, peaks }: Pick<Heard, 'mix' | 'still' | 'peaks'>,
  leftOut: LeftOut,
  bright?: Brightened,
  unsplit = 0,
): BuildPicture {
  const { meter, tempo, length } = time
  const secondsOf = (from: number, to: number): Seconds => ({
    from: tempo.secondsAt(from),
    to: tempo.secondsAt(to),
  })
  const first = meter.placeAt(stretch.from).bar
  const last = meter.placeAt(Math.max(stretch.from, stretch.to - 1)).bar
  const bars = Array.from({ length: last - first + 1 }, (_, i): BuiltBar => {
    const bar = first + i
    const [from, to] = [
      Math.max(stretch.from, meter.barStart(bar)),
      Math.min(stretch.to, meter.barStart(bar + 1)),
    ]
    const where = secondsOf(from, to)
    const adds = louderBy(mix, still, where)
    const lanes = Object.entries(leftOut).map(([lane, without]) => {
      const rest = louderBy(without, still, where)
      return [lane, adds === null || rest === null ? 0 : hundredth(adds - rest)] as const
    })
    const together = (adds ?? 0) - lanes.reduce((sum, [, share]) => sum + share, 0)
    return {
      bar,
      from,
      to,
      adds: adds === null ? null : hundredth(adds),
      lanes: Object.fromEntries(lanes),
      together: hundredth(together),
      octaves: bright ? octavesOver(bright, where) : null,
    }
  })
  const steps = bars.slice(1).map((b, i) => (b.adds ?? 0) - (bars[i]!.adds ?? 0))
  const top = steps.indexOf(Math.max(...steps))
  const next = secondsOf(stretch.to, Math.min(length, meter.barStart(last + 2)))
  const then = stretch.to < length ? louderBy(mix, still, next) : null
  const highest = peakIn(peaks, secondsOf(stretch.from, stretch.to))
  return {
    bars,
    arrives: stretch.to,
    steepest: top >= 0 && steps[top]! > GROWS ? bars[top + 1]!.bar : null,
    falls: steps.flatMap((step, i) => (step < GROWS ? [bars[i + 1]!.bar] : [])),
    room: Number.isFinite(highest) ? Math.round(-highest * 10) / 10 : null,
    brightens: bright?.lane ?? null,
    unsplit,
    after: then === null ? null : hundredth(then - (bars.at(-1)?.adds ?? 0)),
  }
}

function octavesOver({ now, before }: Brightened, where: Seconds): number | null {
  const [high, low] = [brightness(now, where), brightness(before, where)]
  return high && low ? hundredth(log(high / low) / LN2) : null
}

/** Highest true peak of a stretch, in dBTP; −Infinity for silence. */
const peakIn = (peaks: Float64Array, where: Seconds): number =>
  peaks.subarray(...hopsIn(where, peaks.length)).reduce((a, b) => Math.max(a, b), -Infinity)
