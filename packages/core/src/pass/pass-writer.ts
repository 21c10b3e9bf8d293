import { replaceSpan, thin, valueAt, type LineSpan, type Points, type Sample } from '../envelope'
import { clamp, raised, riseBetween, type Scale } from '../scale'
import { SampleList } from './sample-list'
import { unstepped } from './unstepped'
import type { Way } from './way'

/** The lane that a pass writes on. */
export interface PassLane {
  /** Its points, begun: a lane without a line is level at the control's setting. */
  readonly points: Points
  readonly scale: Scale
  /** The control's own setting. */
  readonly setting: number
}

/** What a person has chosen for a pass. */
export interface PassRules {
  readonly way: Way
  /** Where a glide that begins at a tick arrives. */
  readonly glideEnd: (tick: number) => number
  /** Whether what was shifted stays shifted after the hand lets go, instead of gliding back. */
  readonly shiftStays: boolean
}

/** What a pass has written on one lane. */
export interface Written {
  readonly points: Points
  /** Where the line is another one now, glides included; in rising time. */
  readonly spans: readonly LineSpan[]
}

/** A hand counts as having moved, or left the line, by more than this share of the travel: the bound of thinning. */
const LEFT = 0.005
/** No more samples than a screen can show are laid into a line that is still being written. */
const SHOWN = 400

/** The way back to the old line: from a value at a tick, to arrive at another. */
interface Glide {
  readonly from: number
  readonly value: number
  readonly to: number
}

/** One stretch that is being written. */
interface Stretch {
  readonly from: number
  readonly samples: SampleList
}

/**
 * Writes one lane in one pass: a state machine that is told the time, whether the control is held, and its value, and gives
 * back the line. It knows no clock. Outside what was written the line is what it was.
 */
export class PassWriter {
  #stretch: Stretch | null = null
  #glide: Glide | null = null
  #done: { readonly span: LineSpan; readonly samples: readonly Sample[] }[] = []
  /** The value of the control when the pass began: where it was before the hand came. */
  #rest: number | null = null
  #held = false
  #value: number
  /** What the hand adds to the old line, in dB of a level, else in travel. */
  #offset = 0
  #grip: { readonly value: number; readonly offset: number } | null = null
  #tick = 0

  constructor(
    private readonly lane: PassLane,
    private readonly rules: PassRules,
  ) {
    this.#value = lane.setting
  }

  /** Whether something is being written at this moment, a glide included. */
  get writing(): boolean {
    return this.#stretch !== null || this.#glide !== null
  }

  /** Whether anything has been written. */
  get wrote(): boolean {
    return this.#done.length > 0 || this.writing
  }

  /**
   * Tells it where the song is and what the hand does. Ticks rise; after a jump back begin with a new writer.
   * @param value of the control, as it is held
   */
  feed(tick: number, held: boolean, value: number): void {
    const grabbed = held && !this.#held
    const released = !held && this.#held
    this.#rest ??= value
    if (grabbed) this.#grip = { value: this.#old(tick), offset: this.#offset }
    this.#held = held
    this.#tick = tick
    if (held) this.#value = value
    switch (this.rules.way) {
      case 'follow':
        return
      case 'hold':
        if (grabbed) this.#begin(tick)
        if (released) this.#letGo(tick)
        break
      case 'moved':
      case 'meet':
        if (held && !this.#stretch && this.#moved(value, tick)) this.#begin(tick)
        break
      case 'throughout':
        if (!this.#stretch) this.#begin(tick)
        break
      case 'shift':
        if (grabbed) this.#begin(tick)
        if (held) this.#offset = this.#grip!.offset + riseBetween(this.lane.scale, this.#grip!.value, value)
        if (released && !this.rules.shiftStays) this.#letGo(tick)
        break
    }
    if (this.#stretch) this.#write(tick)
    else if (this.#glide && tick >= this.#glide.to) this.#arrive()
  }

  /** Ends the pass at a tick: what is still being written joins the old line by a glide. */
  finish(tick: number): Written {
    if (this.#stretch) {
      this.#write(tick)
      this.#letGo(tick)
    }
    if (this.#glide) this.#arrive()
    return this.#written(this.#done, true)
  }

  /**
   * The line as it is now: with what was written, and the hand's value a little further, so that it is heard although
   * the engine is ahead of the ear.
   * @param ahead ticks
   */
  preview(ahead: number): Written {
    const stretch = this.#stretch
    const glide = this.#glide
    if (stretch) {
      const to = Math.round(this.#tick + ahead)
      const last = { tick: to, value: this.#target(to) }
      const samples = [...stretch.samples.every(Math.ceil(stretch.samples.length / SHOWN)), last]
      return this.#written([...this.#done, { span: { from: stretch.from, to }, samples }], false)
    }
    if (glide) return this.#written([...this.#done, this.#glided(glide)], false)
    return this.#written(this.#done, false)
  }

  /** The old line. */
  #old(tick: number): number {
    return valueAt(this.lane.points, this.lane.scale, tick)
  }

  /** What is written at a tick: the hand's value, or the old line with what the hand adds. */
  #target(tick: number): number {
    if (this.rules.way !== 'shift') return this.#value
    return raised(this.lane.scale, this.#old(tick), this.#offset)
  }

  #travel(value: number): number {
    return this.lane.scale.toTravel(value)
  }

  /** Whether the hand has moved the control; to meet the line it must have left it. */
  #moved(value: number, tick: number): boolean {
    const from = this.rules.way === 'meet' ? this.#old(tick) : this.#rest!
    return Math.abs(this.#travel(value) - this.#travel(from)) > LEFT
  }

  #begin(tick: number): void {
    // taken again while it glides back: what was glided so far stays
    if (this.#glide) {
      const { from } = this.#glide
      const samples = [
        { tick: from, value: this.#glide.value },
        { tick, value: this.#glideValue(tick) },
      ]
      this.#done.push({ span: { from, to: tick }, samples })
      this.#glide = null
    }
    this.#stretch = { from: tick, samples: new SampleList() }
  }

  #write(tick: number): void {
    const stretch = this.#stretch!
    const value = this.#target(tick)
    const { last } = stretch.samples
    stretch.samples.push({ tick, value })
    if (this.rules.way === 'meet' && !this.#held && last && this.#crosses(last, { tick, value }))
      this.#close(tick)
  }

  /** Whether the old line was crossed between two samples. */
  #crosses(a: Sample, b: Sample): boolean {
    const before = this.#travel(a.value) - this.#travel(this.#old(a.tick))
    const after = this.#travel(b.value) - this.#travel(this.#old(b.tick))
    return before * after <= 0 || Math.abs(after) <= LEFT / 5
  }

  /** Ends the stretch without a glide: the line was met. */
  #close(tick: number): void {
    const { from, samples } = this.#stretch!
    samples.push({ tick, value: this.#old(tick) })
    this.#done.push({ span: { from, to: tick }, samples: samples.every(1) })
    this.#stretch = null
  }

  /** The hand lets go: it glides back to the old line. */
  #letGo(tick: number): void {
    const stretch = this.#stretch
    if (!stretch) return
    this.#write(tick)
    const { from, samples } = stretch
    this.#done.push({ span: { from, to: tick }, samples: samples.every(1) })
    this.#stretch = null
    this.#glide = { from: tick, value: this.#target(tick), to: Math.max(tick + 1, this.rules.glideEnd(tick)) }
    this.#offset = 0
  }

  #arrive(): void {
    this.#done.push(this.#glided(this.#glide!))
    this.#glide = null
  }

  #glideValue(tick: number): number {
    const { from, value, to } = this.#glide!
    const { scale } = this.lane
    const share = clamp((tick - from) / (to - from), 0, 1)
    const travel = this.#travel(value)
    const end = this.#travel(this.#old(to))
    return scale.kind === 'switch'
      ? share < 1
        ? value
        : this.#old(to)
      : scale.toValue(travel + (end - travel) * share)
  }

  #glided(glide: Glide): { span: LineSpan; samples: readonly Sample[] } {
    const { from, value, to } = glide
    return {
      span: { from, to },
      samples: [
        { tick: from, value },
        { tick: to, value: this.#old(to) },
      ],
    }
  }

  /** Puts what was written into the line: stretches that touch are one span. */
  #written(
    parts: readonly { readonly span: LineSpan; readonly samples: readonly Sample[] }[],
    thinned: boolean,
  ): Written {
    const spans: LineSpan[] = []
    let points = this.lane.points
    const { scale } = this.lane
    const joined: { from: number; to: number; samples: readonly Sample[] }[] = []
    for (const { span, samples } of parts) {
      const last = joined.at(-1)
      if (last && last.to >= span.from) {
        const end = last.samples.at(-1)?.tick ?? -1
        last.samples = last.samples.concat(samples.filter((s) => s.tick > end))
        last.to = span.to
      } else joined.push({ from: span.from, to: span.to, samples })
    }
    for (const { from, to, samples } of joined) {
      if (!samples.length || to <= from) continue
      const span = { from: samples[0]!.tick, to: samples.at(-1)!.tick }
      if (span.to <= span.from) continue
      const inner =
        scale.kind === 'switch'
          ? steps(samples)
          : thinned
            ? thin(unstepped(samples, scale), scale)
            : plain(samples)
      points = replaceSpan(points, scale, span, inner, 'returns')
      spans.push(span)
    }
    return { points, spans }
  }
}

const plain = (samples: readonly Sample[]): Points =>
  samples.map(({ tick, value }) => ({ tick, value, form: 'straight' as const, bend: 0 }))

/** Of a switch only the changes count, and it jumps. */
const steps = (samples: readonly Sample[]): Points =>
  samples
    .filter((s, i) => i === 0 || i === samples.length - 1 || s.value !== samples[i - 1]!.value)
    .map(({ tick, value }) => ({ tick, value, form: 'jump' as const, bend: 0 }))
