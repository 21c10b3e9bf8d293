import type { EffectKind } from '../../scale'
import { BLOCK, type BlockTime } from '../block'
import { ControlSignal } from '../control-signal'
import type { EffectProgram } from '../program'
import { muteQuantity, plainQuantity, shareQuantity } from '../quantity'
import { makeChopper } from './chopper'
import { makeDelay } from './delay'
import type { MakeProcessor, Processor } from './effect'
import { makeEq } from './eq'
import { makeFilter } from './filter'
import { makeFlanger } from './flanger'
import { makeReverb } from './reverb'

const MAKERS: Readonly<Record<EffectKind, MakeProcessor>> = {
  eq: makeEq,
  filter: makeFilter,
  delay: makeDelay,
  reverb: makeReverb,
  flanger: makeFlanger,
  chopper: makeChopper,
}

/**
 * An effect in its place: bypass and wet around what it does. Bypass fades what goes in, so what still rings goes
 * on ringing; wet scales what comes out, and cuts it.
 */
export class EffectSlot {
  readonly id: string
  readonly #kind: EffectKind
  readonly #mode: string
  readonly #wet = new ControlSignal(shareQuantity)
  /** 1 where the sound goes through the effect, 0 where it is bypassed. */
  readonly #through = new ControlSignal(muteQuantity)
  readonly #params: Readonly<Record<string, ControlSignal>>
  readonly #controls: readonly ControlSignal[]
  readonly #processor: Processor
  readonly #inside: readonly Float32Array[]

  constructor(program: EffectProgram, channels: 1 | 2) {
    this.id = program.id
    this.#kind = program.kind
    this.#mode = program.mode
    this.#params = Object.fromEntries(
      Object.entries(program.params).map(([word]) => [
        word,
        new ControlSignal(plainQuantity(program.kind, word)),
      ]),
    )
    this.#controls = [this.#wet, this.#through, ...Object.values(this.#params)]
    this.#processor = MAKERS[program.kind](this.#params, program.mode, channels)
    this.#inside = Array.from({ length: channels }, () => new Float32Array(BLOCK))
    this.load(program)
  }

  /** Whether this slot can go on with a changed program, or a fresh one is needed. */
  fits({ id, kind, mode }: EffectProgram): boolean {
    return this.id === id && this.#kind === kind && this.#mode === mode
  }

  load(program: EffectProgram): void {
    this.#wet.load(program.wet)
    this.#through.load(program.bypass)
    for (const word in this.#params) this.#params[word]!.load(program.params[word]!)
  }

  /** Samples for which it may still sound after silence came in. */
  get tail(): number {
    return this.#processor.tail
  }

  reset(): void {
    for (const control of this.#controls) control.reset()
    this.#processor.reset()
  }

  process(block: BlockTime, moves: boolean, channels: readonly Float32Array[]): void {
    const { frames } = block
    for (let i = 0; i < this.#controls.length; i++) this.#controls[i]!.run(block, moves)
    const wet = this.#wet
    const through = this.#through
    if (wet.uniform && wet.value === 1 && through.uniform && through.value === 1) {
      return this.#processor.process(block, channels)
    }
    for (let c = 0; c < channels.length; c++) {
      const x = channels[c]!
      const y = this.#inside[c]!
      if (through.uniform) for (let n = 0; n < frames; n++) y[n] = x[n]! * through.value
      else for (let n = 0; n < frames; n++) y[n] = x[n]! * through.values[n]!
    }
    this.#processor.process(block, this.#inside)
    for (let c = 0; c < channels.length; c++) {
      const x = channels[c]!
      const y = this.#inside[c]!
      for (let n = 0; n < frames; n++) {
        const w = wet.uniform ? wet.value : wet.values[n]!
        const t = through.uniform ? through.value : through.values[n]!
        x[n] = x[n]! * (1 - w * t) + y[n]! * w
      }
    }
  }
}
