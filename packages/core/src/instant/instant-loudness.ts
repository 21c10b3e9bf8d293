import { LineCursor } from '../envelope'
import {
  gainQuantity,
  levelQuantity,
  muteQuantity,
  panMono,
  panQuantity,
  panStereo,
  widthQuantity,
} from '../engine'
import type { ControlProgram, Program, Quantity, Sides, TrackProgram } from '../engine'
import { TempoMap } from '../time'
import { triangle, type CrossEnergy } from './cross-energy'

/** Looks at the gains in each hop: their products are averaged. */
const LOOKS = 4
/** Steps after which everything is summed anew, so that rounding cannot add up. */
const AFRESH = 256

/** What the gains of a track follow from: the same controls give the same gains. */
type Controls = readonly ControlProgram[]

/**
 * Loudness of any mix of dry tracks without rendering: K-weighting is linear, so the energy of a hop is the sum of
 * the products of the gains and the table's entries. Effects and sends it knows nothing of. Between two steps only
 * the rows of tracks that changed are summed.
 */
export class InstantLoudness {
  readonly #ticks: Float64Array
  /** Gain of each signal to each side, look after look. */
  readonly #left: Float32Array
  readonly #right: Float32Array
  readonly #energy: Float64Array
  #known: {
    readonly main: ControlProgram
    readonly moves: boolean
    readonly tracks: readonly Controls[]
  } | null = null
  #steps = 0

  constructor(
    private readonly table: CrossEnergy,
    tempo: Program['tempo'],
  ) {
    const map = new TempoMap(tempo)
    const looks = table.hops * LOOKS
    this.#ticks = new Float64Array(looks)
    for (let i = 0; i < looks; i++) this.#ticks[i] = map.tickAt((i + 0.5) / (10 * LOOKS))
    this.#left = new Float32Array(looks * table.signals)
    this.#right = new Float32Array(looks * table.signals)
    this.#energy = new Float64Array(table.hops)
  }

  /**
   * Mean square of each hop after K-weighting, both sides together: what the gates and traces of `loudness` take.
   * @param only the track to hear, by index; all if not given
   */
  hops(program: Program, moves = true, only?: number): Float64Array {
    this.#update(program, moves)
    if (only === undefined) return this.#energy.map((e) => Math.max(0, e / LOOKS))
    return this.#own(only).map((e) => Math.max(0, e / LOOKS))
  }

  #update(program: Program, moves: boolean): void {
    const tracks = program.tracks.map((t): Controls => [t.level, t.gain, t.mute, t.pan, t.width])
    const { main } = program
    const known = this.#known
    const afresh = !known || known.moves !== moves || !sameControl(known.main, main) || ++this.#steps > AFRESH
    this.#known = { main, moves, tracks }
    const overall = this.#follow(main, levelQuantity, moves)
    for (let i = 0; i < tracks.length; i++) {
      if (!afresh && known.tracks[i] && sameControls(known.tracks[i]!, tracks[i]!)) continue
      const first = this.table.first[i]!
      const last = first + this.table.channels[i]!
      if (!afresh) for (let k = first; k < last; k++) this.#addRow(k, -1, first)
      this.#writeGains(program.tracks[i]!, first, moves, overall)
      if (!afresh) for (let k = first; k < last; k++) this.#addRow(k, 1, first)
    }
    if (afresh) this.#sumAll()
  }

  #sumAll(): void {
    this.#steps = 0
    this.#energy.fill(0)
    for (let k = 0; k < this.table.signals; k++) this.#addLower(k, 0)
  }

  /** Adds all products of signal k with the signals from `from` to k. */
  #addLower(k: number, from: number): void {
    this.#addProducts(k, from, k, 1)
  }

  /**
   * Adds or takes away all products of signal k, but those with the signals of its own track before it, which they
   * brought along.
   */
  #addRow(k: number, sign: 1 | -1, first: number): void {
    this.#addProducts(k, 0, first - 1, sign)
    this.#addProducts(k, first, k, sign)
    const last = first + this.table.channels[this.table.first.indexOf(first)]!
    this.#addProducts(k, last, this.table.signals - 1, sign)
  }

  /** Adds the products of signal k with signals `from` to `to`: twice off the diagonal, once on it. */
  #addProducts(k: number, from: number, to: number, sign: 1 | -1): void {
    if (to < from) return
    const { hops, signals, products } = this.table
    const left = this.#left
    const right = this.#right
    const size = triangle(signals)
    for (let h = 0; h < hops; h++) {
      let sum = 0
      const row = h * LOOKS * signals
      const base = h * size
      for (let l = from; l <= to; l++) {
        const product = products[base + (l <= k ? triangle(k) + l : triangle(l) + k)]!
        let gains = 0
        for (let at = row; at < row + LOOKS * signals; at += signals) {
          gains += left[at + k]! * left[at + l]! + right[at + k]! * right[at + l]!
        }
        sum += (l === k ? 1 : 2) * gains * product
      }
      this.#energy[h]! += sign * sum
    }
  }

  /** Energy of one track by itself. */
  #own(track: number): Float64Array {
    const { hops, signals, products, first, channels } = this.table
    const out = new Float64Array(hops)
    const size = triangle(signals)
    const k0 = first[track]!
    const k1 = k0 + channels[track]!
    for (let h = 0; h < hops; h++) {
      for (let k = k0; k < k1; k++) {
        for (let l = k0; l <= k; l++) {
          let gains = 0
          for (let look = 0; look < LOOKS; look++) {
            const at = (h * LOOKS + look) * signals
            gains += this.#left[at + k]! * this.#left[at + l]! + this.#right[at + k]! * this.#right[at + l]!
          }
          out[h]! += (l === k ? 1 : 2) * gains * products[h * size + triangle(k) + l]!
        }
      }
    }
    return out
  }

  #writeGains(track: TrackProgram, first: number, moves: boolean, overall: Float32Array): void {
    const level = this.#follow(track.level, levelQuantity, moves)
    const gain = this.#follow(track.gain, gainQuantity, moves)
    const mute = this.#follow(track.mute, muteQuantity, moves)
    const pan = this.#follow(track.pan, panQuantity, moves)
    const width = this.#follow(track.width, widthQuantity, moves)
    const { signals } = this.table
    const sides: Sides = { left: 1, right: 1 }
    const stereo = track.channels === 2
    let turned = NaN
    for (let i = 0; i < level.length; i++) {
      const all = level[i]! * gain[i]! * mute[i]! * overall[i]!
      if (pan[i] !== turned) {
        turned = pan[i]!
        ;(stereo ? panStereo : panMono)(turned, sides)
      }
      const at = i * signals + first
      const near = stereo ? 0.5 * (1 + width[i]!) : 1
      this.#left[at] = all * sides.left * near
      this.#right[at] = stereo ? all * sides.right * 0.5 * (1 - width[i]!) : all * sides.right
      if (!stereo) continue
      this.#left[at + 1] = all * sides.left * 0.5 * (1 - width[i]!)
      this.#right[at + 1] = all * sides.right * near
    }
  }

  #follow({ setting, line }: ControlProgram, quantity: Quantity, moves: boolean): Float32Array {
    const out = new Float32Array(this.#ticks.length)
    if (!line || !moves) return out.fill(quantity.ofValue(setting))
    const cursor = new LineCursor(line)
    for (let i = 0; i < out.length; i++) out[i] = quantity.ofTravel(cursor.travelAt(this.#ticks[i]!))
    return out
  }
}

/** Whether two programs of a control are the same: programs share the lines that did not change. */
function sameControl(a: ControlProgram, b: ControlProgram): boolean {
  return a.setting === b.setting && a.line === b.line
}

function sameControls(a: Controls, b: Controls): boolean {
  return a.every((control, i) => sameControl(control, b[i]!))
}
