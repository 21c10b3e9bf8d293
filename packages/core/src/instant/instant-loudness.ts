import { changedSpan, LineCursor } from '../envelope'
import {
  gainQuantity,
  levelQuantity,
  muteQuantity,
  panMono,
  panQuantity,
  panStereo,
  widthQuantity,
} from '../engine'
import type { ControlProgram, Program, Quantity, Sides } from '../engine'
import { TempoMap } from '../time'
import { triangle, type CrossEnergy } from './cross-energy'

/** Looks at the gains in each hop: their products are averaged. */
const LOOKS = 4
/** Gains of a signal in a hop: to the left at each look, then to the right. */
const SIDES = 2 * LOOKS
/** Steps after which everything is summed anew, so that rounding cannot add up. */
const AFRESH = 256

/** What the gains of a track follow from: the same controls give the same gains. */
interface Controls {
  readonly level: ControlProgram
  readonly gain: ControlProgram
  readonly mute: ControlProgram
  readonly pan: ControlProgram
  readonly width: ControlProgram
}
type Word = keyof Controls

const QUANTITIES: Readonly<Record<Word, Quantity>> = {
  level: levelQuantity,
  gain: gainQuantity,
  mute: muteQuantity,
  pan: panQuantity,
  width: widthQuantity,
}

/** A control as it was followed last: its values at every look, and what they follow from. */
interface Followed {
  readonly control: ControlProgram
  readonly moves: boolean
  readonly values: Float32Array
}

/** The values of the controls of a track, and of the main volume, at every look. */
type Values = Readonly<Record<Word | 'overall', Float32Array>>

const EVERYWHERE = { from: -Infinity, to: Infinity }

/** The hops in which something changed, from the first to before the last; none where `to` is not after `from`. */
interface Changed {
  from: number
  to: number
}

/**
 * Loudness of any mix of dry tracks without rendering: K-weighting is linear, so the energy of a hop is the sum of
 * the products of the gains and the table's entries. Effects and sends it knows nothing of. Between two steps only
 * what a changed track adds or takes away is summed, and only where its lines changed.
 */
export class InstantLoudness {
  readonly #ticks: Float64Array
  /** Gains of every signal in every hop, {@link SIDES} of each. */
  readonly #gains: Float32Array
  /** The same of the one or two signals of the track that changes, as they were. */
  readonly #before: Float64Array
  readonly #energy: Float64Array
  /** The same of single tracks, as far as they were asked for. */
  readonly #alone = new Map<number, Float64Array>()
  readonly #followed = new Map<string, Followed>()
  #known: {
    readonly main: ControlProgram
    readonly moves: boolean
    readonly tracks: readonly Controls[]
  } | null = null
  #steps = 0
  /** Where what was followed last has changed. */
  readonly #changed: Changed = { from: 0, to: 0 }

  constructor(
    private readonly table: CrossEnergy,
    tempo: Program['tempo'],
  ) {
    const map = new TempoMap(tempo)
    const looks = table.hops * LOOKS
    this.#ticks = new Float64Array(looks)
    for (let i = 0; i < looks; i++) this.#ticks[i] = map.tickAt((i + 0.5) / (10 * LOOKS))
    this.#gains = new Float32Array(table.hops * table.signals * SIDES)
    this.#before = new Float64Array(table.hops * 2 * SIDES)
    this.#energy = new Float64Array(table.hops)
  }

  /**
   * Mean square of each hop after K-weighting, both sides together: what the gates and traces of `loudness` take.
   * @param only the track to hear, by index; all if not given
   */
  hops(program: Program, moves = true, only?: number): Float64Array {
    this.#update(program, moves)
    const energy = only === undefined ? this.#energy : this.#own(only)
    const out = new Float64Array(energy.length)
    for (let h = 0; h < out.length; h++) out[h] = Math.max(0, energy[h]! / LOOKS)
    return out
  }

  #update(program: Program, moves: boolean): void {
    const { tracks, main } = program
    const known = this.#known
    const afresh = !known || known.moves !== moves || !sameControl(known.main, main) || ++this.#steps > AFRESH
    this.#known = { main, moves, tracks }
    const overall = this.#follow('main', main, levelQuantity, moves)
    for (let i = 0; i < tracks.length; i++) {
      if (!afresh && known.tracks[i] && sameControls(known.tracks[i]!, tracks[i]!)) continue
      const changed = this.#changed
      changed.from = afresh ? 0 : this.table.hops
      changed.to = afresh ? this.table.hops : 0
      const follow = (word: Word) => this.#follow(`${i} ${word}`, tracks[i]![word], QUANTITIES[word], moves)
      const values: Values = {
        level: follow('level'),
        gain: follow('gain'),
        mute: follow('mute'),
        pan: follow('pan'),
        width: follow('width'),
        overall,
      }
      if (!afresh) this.#keep(i)
      this.#writeGains(i, values)
      if (!afresh) this.#addChange(i)
    }
    if (afresh) this.#sumAll()
  }

  #sumAll(): void {
    this.#steps = 0
    this.#alone.clear()
    this.#energy.fill(0)
    const all = { from: 0, to: this.table.hops }
    this.#addPairs(this.#energy, this.#gains, this.table.signals, 0, 0, this.table.signals, 1, all)
  }

  /** Puts the gains of a track by, before they change. */
  #keep(track: number): void {
    const { signals, first, channels } = this.table
    const count = channels[track]! * SIDES
    for (let h = this.#changed.from; h < this.#changed.to; h++) {
      const at = (h * signals + first[track]!) * SIDES
      for (let i = 0; i < count; i++) this.#before[h * 2 * SIDES + i] = this.#gains[at + i]!
    }
  }

  /** Adds what the changed gains of a track bring, and takes away what those before brought. */
  #addChange(track: number): void {
    const { signals, first, channels } = this.table
    const changed = this.#changed
    const from = first[track]!
    const count = channels[track]!
    for (const energy of [this.#energy, this.#alone.get(track)]) {
      if (!energy) continue
      this.#addPairs(energy, this.#before, 2, 0, from, count, -1, changed)
      this.#addPairs(energy, this.#gains, signals, from, from, count, 1, changed)
    }
    // with the other tracks: only what changed, which is left where the gains were
    for (let h = changed.from; h < changed.to; h++) {
      const at = (h * signals + from) * SIDES
      const before = h * 2 * SIDES
      for (let i = 0; i < count * SIDES; i++)
        this.#before[before + i] = this.#gains[at + i]! - this.#before[before + i]!
    }
    for (let k = 0; k < count; k++) this.#addCross(from + k, k, from, from + count)
  }

  /**
   * Adds twice the products of a change with the signals of the other tracks.
   * @param signal the one that changed, its change being the one at `kept`
   * @param from first signal of its own track, and
   * @param to the one after its last
   */
  #addCross(signal: number, kept: number, from: number, to: number): void {
    const { signals, products } = this.table
    const size = triangle(signals)
    const gains = this.#gains
    const change = this.#before
    for (let h = this.#changed.from; h < this.#changed.to; h++) {
      const c = (h * 2 + kept) * SIDES
      const c0 = change[c]!
      const c1 = change[c + 1]!
      const c2 = change[c + 2]!
      const c3 = change[c + 3]!
      const c4 = change[c + 4]!
      const c5 = change[c + 5]!
      const c6 = change[c + 6]!
      const c7 = change[c + 7]!
      if (c0 === 0 && c1 === 0 && c2 === 0 && c3 === 0 && c4 === 0 && c5 === 0 && c6 === 0 && c7 === 0)
        continue
      const base = h * size
      let row = base + triangle(signal)
      let sum = 0
      let g = h * signals * SIDES
      for (let l = 0; l < signals; l++, g += SIDES) {
        // left of the diagonal the products of a signal lie side by side, below it row by row
        if (l > signal) row = base + triangle(l) + signal - l
        if (l >= from && l < to) continue
        const left = c0 * gains[g]! + c1 * gains[g + 1]! + c2 * gains[g + 2]! + c3 * gains[g + 3]!
        const right = c4 * gains[g + 4]! + c5 * gains[g + 5]! + c6 * gains[g + 6]! + c7 * gains[g + 7]!
        sum += (left + right) * products[row + l]!
      }
      this.#energy[h]! += 2 * sum
    }
  }

  /**
   * Adds the products of some signals with one another: twice off the diagonal, once on it.
   * @param gains of `width` signals a hop, those meant beginning with the one at `at`
   * @param first index in the table of the first of them, `count` in all
   */
  #addPairs(
    to: Float64Array,
    gains: Float32Array | Float64Array,
    width: number,
    at: number,
    first: number,
    count: number,
    sign: 1 | -1,
    within: Changed,
  ): void {
    const { signals, products } = this.table
    const size = triangle(signals)
    for (let h = within.from; h < within.to; h++) {
      let sum = 0
      for (let k = 0; k < count; k++) {
        const row = h * size + triangle(first + k) + first
        const a = (h * width + at + k) * SIDES
        for (let l = 0; l <= k; l++) {
          const b = (h * width + at + l) * SIDES
          const left = sumOfProducts(gains, a, b)
          const right = sumOfProducts(gains, a + LOOKS, b + LOOKS)
          sum += (l === k ? 1 : 2) * (left + right) * products[row + l]!
        }
      }
      to[h]! += sign * sum
    }
  }

  /** Energy of one track by itself. */
  #own(track: number): Float64Array {
    const known = this.#alone.get(track)
    if (known) return known
    const out = new Float64Array(this.table.hops)
    this.#alone.set(track, out)
    const first = this.table.first[track]!
    const all = { from: 0, to: this.table.hops }
    this.#addPairs(out, this.#gains, this.table.signals, first, first, this.table.channels[track]!, 1, all)
    return out
  }

  /** Writes the gains of a track where they changed. */
  #writeGains(index: number, { level, gain, mute, pan, width, overall }: Values): void {
    const { signals, first } = this.table
    const sides: Sides = { left: 1, right: 1 }
    const stereo = this.table.channels[index] === 2
    const gains = this.#gains
    let turned = NaN
    for (let i = this.#changed.from * LOOKS; i < this.#changed.to * LOOKS; i++) {
      const all = level[i]! * gain[i]! * mute[i]! * overall[i]!
      if (pan[i] !== turned) {
        turned = pan[i]!
        ;(stereo ? panStereo : panMono)(turned, sides)
      }
      const look = i % LOOKS
      const at = (((i - look) / LOOKS) * signals + first[index]!) * SIDES + look
      const near = stereo ? 0.5 * (1 + width[i]!) : 1
      const far = 0.5 * (1 - width[i]!)
      gains[at] = all * sides.left * near
      gains[at + LOOKS] = all * sides.right * (stereo ? far : 1)
      if (!stereo) continue
      gains[at + SIDES] = all * sides.left * far
      gains[at + SIDES + LOOKS] = all * sides.right * near
    }
  }

  /** The values of a control at every look; those that it had the last time, where they are still the same. */
  #follow(name: string, control: ControlProgram, quantity: Quantity, moves: boolean): Float32Array {
    const known = this.#followed.get(name)
    if (known && known.moves === moves && sameControl(known.control, control)) return known.values
    const values = known?.values ?? new Float32Array(this.#ticks.length)
    this.#followed.set(name, { control, moves, values })
    const line = moves ? control.line : null
    const before = known?.moves ? known.control.line : null
    const span = line && before ? changedSpan(before, line) : EVERYWHERE
    // a line that is the same hides its setting
    if (!span) return values
    const from = this.#lookAfter(span.from)
    const to = this.#lookAfter(span.to)
    this.#changed.from = Math.min(this.#changed.from, Math.floor(from / LOOKS))
    this.#changed.to = Math.max(this.#changed.to, Math.ceil(to / LOOKS))
    if (!line) return values.fill(quantity.ofValue(control.setting))
    const cursor = new LineCursor(line)
    for (let i = from; i < to; i++) values[i] = quantity.ofTravel(cursor.travelAt(this.#ticks[i]!))
    return values
  }

  /** Index of the first look at a tick or after it. */
  #lookAfter(tick: number): number {
    let low = 0
    let high = this.#ticks.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.#ticks[middle]! < tick) low = middle + 1
      else high = middle
    }
    return low
  }
}

/** Products of the gains of one side, look by look, summed. */
function sumOfProducts(gains: Float32Array | Float64Array, a: number, b: number): number {
  return (
    gains[a]! * gains[b]! +
    gains[a + 1]! * gains[b + 1]! +
    gains[a + 2]! * gains[b + 2]! +
    gains[a + 3]! * gains[b + 3]!
  )
}

/** Whether two programs of a control are the same: programs share the lines that did not change. */
function sameControl(a: ControlProgram, b: ControlProgram): boolean {
  return a.setting === b.setting && a.line === b.line
}

function sameControls(a: Controls, b: Controls): boolean {
  for (const word in QUANTITIES) if (!sameControl(a[word as Word], b[word as Word])) return false
  return true
}
