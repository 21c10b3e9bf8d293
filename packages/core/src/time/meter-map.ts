import { words } from '@rudlo/words'
import { TICKS_PER_QUARTER } from './ticks'

/** A time signature from `tick` on, which must be the start of a bar. */
export interface MeterChange {
  readonly tick: number
  readonly beats: number
  /** What one beat is: 4 for a quarter, 8 for an eighth. */
  readonly unit: 1 | 2 | 4 | 8 | 16 | 32
}

/** A place in the song as musicians count it: bars and beats from 1, and ticks after the beat. */
export interface Place {
  readonly bar: number
  readonly beat: number
  readonly tick: number
}

interface Run extends MeterChange {
  readonly bar: number
  readonly beatTicks: number
  readonly barTicks: number
}

/** Turns ticks into bars and beats and back. */
export class MeterMap {
  readonly #runs: readonly Run[]

  /**
   * @param changes sorted by tick, the first at tick 0, each at the start of a bar
   * @throws RangeError where they are not
   */
  constructor(readonly changes: readonly MeterChange[]) {
    if (changes[0]?.tick !== 0) throw new RangeError(words('time.signature-given'))
    const runs: Run[] = []
    for (const change of changes) {
      const beatTicks = (TICKS_PER_QUARTER * 4) / change.unit
      const before = runs.at(-1)
      let bar = 1
      if (before) {
        const bars = (change.tick - before.tick) / before.barTicks
        if (!(bars > 0) || bars !== Math.floor(bars)) {
          throw new RangeError(words('time.signature-tick', { tick: change.tick }))
        }
        bar = before.bar + bars
      }
      runs.push({ ...change, bar, beatTicks, barTicks: beatTicks * change.beats })
    }
    this.#runs = runs
  }

  /** The place of a tick. Ticks before the song count as bar 1, beat 1. */
  placeAt(tick: number): Place {
    const run = this.#runAtTick(tick)
    const into = Math.max(0, Math.floor(tick) - run.tick)
    const bars = Math.floor(into / run.barTicks)
    const inBar = into - bars * run.barTicks
    const beats = Math.floor(inBar / run.beatTicks)
    return { bar: run.bar + bars, beat: beats + 1, tick: inBar - beats * run.beatTicks }
  }

  /** The tick of a place; beats beyond the bar run on into the next. */
  tickOf({ bar, beat, tick }: Place): number {
    const run = this.#runAtBar(bar)
    return run.tick + (bar - run.bar) * run.barTicks + (beat - 1) * run.beatTicks + tick
  }

  /** The tick at which a bar starts. */
  barStart(bar: number): number {
    return this.tickOf({ bar, beat: 1, tick: 0 })
  }

  /** Length of the beat and of the bar around `tick`, in ticks. */
  lengthsAt(tick: number): { beat: number; bar: number } {
    const run = this.#runAtTick(tick)
    return { beat: run.beatTicks, bar: run.barTicks }
  }

  /** A length in bars between two ticks, counted in the bars it crosses (a half bar is 0.5). */
  barsBetween(from: number, to: number): number {
    return this.#barPosition(to) - this.#barPosition(from)
  }

  #barPosition(tick: number): number {
    const run = this.#runAtTick(tick)
    return run.bar + (tick - run.tick) / run.barTicks
  }

  #runAtTick(tick: number): Run {
    return this.#runs.findLast((run) => run.tick <= tick) ?? this.#runs[0]!
  }

  #runAtBar(bar: number): Run {
    return this.#runs.findLast((run) => run.bar <= bar) ?? this.#runs[0]!
  }
}
