import { SAMPLE_RATE } from '../src/time'

/** A steady rhythm in sixteenths of a bar: which of them are struck, how hard. */
export interface Rhythm {
  readonly name: string
  readonly bpm: number
  /** A sign for each sixteenth of a bar: `x` struck, `X` struck hard, `.` not. */
  readonly low: string
  readonly high: string
  /** Seconds before the first downbeat. */
  readonly lead: number
}

/** Songs of steady tempo: of many styles, slow and fast, with and without off-beats. */
export const RHYTHMS: readonly Rhythm[] = [
  { name: 'march', bpm: 100, low: 'X.......X.......', high: '....x.......x...', lead: 0 },
  { name: 'slow air', bpm: 66, low: 'X...............', high: 'x...x...x...x...', lead: 0.4 },
  { name: 'reel', bpm: 116, low: 'X...x...X...x...', high: 'x.x.x.x.x.x.x.x.', lead: 0 },
  { name: 'off-beat', bpm: 76, low: 'X.......X.......', high: '..x...x...x...x.', lead: 0.25 },
  { name: 'backbeat', bpm: 92.5, low: 'X.....x.X.......', high: '....X.......X...', lead: 0 },
  { name: 'hurried', bpm: 152, low: 'X.......X.......', high: '....X.......X.x.', lead: 0.1 },
  { name: 'eighths', bpm: 128, low: 'X...X...X...X...', high: '..x...x...x...x.', lead: 0 },
  { name: 'pushed', bpm: 104.3, low: 'X..x..x.X..x..x.', high: '....x.......x...', lead: 0.6 },
  { name: 'half time', bpm: 140, low: 'X...............', high: 'x...x...X...x...', lead: 0 },
  { name: 'brisk', bpm: 138, low: 'X...x...X...x...', high: '..x...x...x...xx', lead: 0 },
]

/** How long a stroke rings, in samples. */
const STROKE = Math.floor(SAMPLE_RATE * 0.12)
const made = (of: (n: number) => number) => new Float64Array(STROKE).map((_, n) => of(n))
/** A thump without its noise, and how its noise and a hiss die away. */
const THUMP = made((n) => Math.exp(-n / 1800) * Math.sin(n * 0.012))
const RUSTLE = made((n) => 0.3 * Math.exp(-n / 1800 - n / 90))
const HISS = made((n) => Math.exp(-n / 700))

/** Plays a rhythm: a thump for the low signs, a hiss for the high ones, with hands that are never quite in time. */
export function playRhythm({ bpm, low, high, lead }: Rhythm, seconds = 30): Int16Array {
  const out = new Float32Array(seconds * SAMPLE_RATE)
  let seed = 7
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647
  const sixteenth = 15 / bpm
  for (let i = 0; ; i++) {
    const start = lead + i * sixteenth
    if (start > seconds) break
    const strike = (sign: string, isLow: boolean) => {
      if (sign === '.') return
      const hard = sign === 'X' ? 0.5 : 0.28
      const at = Math.round((start + (random() - 0.5) * 0.008) * SAMPLE_RATE)
      for (let n = 0; n < STROKE; n++) {
        const noise = random() - 0.5
        const sound = isLow ? THUMP[n]! + noise * RUSTLE[n]! : noise * HISS[n]!
        if (at + n >= 0 && at + n < out.length) out[at + n]! += hard * sound
      }
    }
    strike(low[i % low.length]!, true)
    strike(high[i % high.length]!, false)
  }
  // `Int16Array.from` walks through it by an iterator, which takes nine tenths of the time
  return new Int16Array(out.length).map((_, n) =>
    Math.max(-32_768, Math.min(32_767, Math.round(out[n]! * 30_000))),
  )
}
