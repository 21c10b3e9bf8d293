import { MAIN_LEVEL, TEMPO, resolve, type Address, type Mix } from '@rudlo/core/mix'
import { decibels, gainDecibels, MIXER_CONTROLS, onOff, panning } from '@rudlo/core/scale'
import { hasWords, lengthInWords, listText, shortNumber, signedText, words } from '@rudlo/words'
import type { AmountUnit, Figure, Finding, Part, Saying } from '@rudlo/core/evidence'
import { songTime, type SongTime, type SongVersion } from '@rudlo/core/song'
import { laneControlName } from '@rudlo/core/assess'

/** What names and places are taken from. */
export interface SayerContext {
  readonly song: SongVersion
  readonly mix: Mix
  /** Where the mix does not have a control any more; the same, if missing. */
  readonly start?: Mix
}

/** A figure as it is read. */
export interface SaidFigure {
  readonly name: string
  readonly value: string
  /** Empty where nothing is asked. */
  readonly wanted: string
}

/** The key of what an earlier version kept as prose. */
const PROSE = 'prose'
/** A hair before a beat is that beat: so much of it. */
const HAIR = 1 / 6

/** Says findings about one mix of one song. */
export class Sayer {
  readonly #time: SongTime

  constructor(private readonly context: SayerContext) {
    this.#time = songTime(context.song)
  }

  /** A whole sentence, with a capital. */
  say({ key, parts }: Saying): string {
    const text = this.#plain({ key, parts })
    return text.charAt(0).toUpperCase() + text.slice(1)
  }

  /** Several sentences, each by itself. */
  all(sayings: readonly Saying[]): string[] {
    return sayings.map((saying) => this.say(saying))
  }

  /** What is no sentence of its own, but a part of a line: without a capital. */
  phrase(saying: Saying): string {
    return this.#plain(saying)
  }

  /** The sentence of a finding, with the way in which it was done where that was another than the one asked for. */
  finding({ says, way }: Pick<Finding, 'says' | 'way'>): string {
    const sentence = this.say(says)
    return way?.length ? words('way', { sentence, way: listText(way.map((w) => this.part(w))) }) : sentence
  }

  figure({ name, value, wanted }: Figure): SaidFigure {
    // figures of an earlier version have their names in words
    const key = `figure.${name}`
    return {
      name: hasWords(key) ? words(key) : name,
      value: this.part(value),
      wanted: wanted ? this.#plain(wanted) : '',
    }
  }

  part(part: Part): string {
    if ('at' in part) return this.#place(part.at)
    if ('span' in part) return this.#span(...part.span)
    if ('lane' in part) return this.#lane(part.lane)
    if ('lanes' in part) return listText(part.lanes.map((l) => this.#lane(l)))
    if ('track' in part)
      return this.context.song.tracks.find((t) => t.id === part.track)?.name ?? words('track.gone')
    if ('of' in part) return this.#value(part.value, part.of)
    if ('amount' in part) return amountText(part.amount, part.unit, part.digits ?? 1)
    if ('count' in part) return String(part.count)
    if ('late' in part) return lateText(part.late)
    if ('word' in part) return words(hasWords(`word.${part.word}`) ? `word.${part.word}` : part.word)
    return 'name' in part ? part.name : part.prose
  }

  /** A sentence as it stands, without a capital. */
  #plain({ key, parts }: Saying): string {
    if (key === PROSE) return this.part(parts['text'] ?? { prose: '' })
    const values = Object.fromEntries(Object.entries(parts).map(([name, part]) => [name, this.part(part)]))
    const counted = Object.values(parts).find((p) => 'count' in p)
    return words(key, values, counted && 'count' in counted ? counted.count : undefined)
  }

  #place(tick: number): string {
    const { meter, length } = this.#time
    if (tick >= length) return words('place.end')
    const { beat } = meter.lengthsAt(tick)
    const { bar, beat: number } = meter.placeAt(Math.max(0, Math.round(tick + beat * HAIR)))
    return number === 1 ? words('place.bar', { bar }) : words('place.beat', { bar, beat: number })
  }

  #span(from: number, to: number): string {
    const { meter, length } = this.#time
    const last = meter.placeAt(Math.min(length, Math.max(from, to) - 1)).bar
    const hair = meter.lengthsAt(from).beat * HAIR
    const first = Math.min(last, meter.placeAt(Math.max(0, Math.round(from + hair))).bar)
    return first === last ? words('span.bar', { from: first }) : words('span.bars', { from: first, to: last })
  }

  #lane(address: Address): string {
    const { song, mix, start = mix } = this.context
    if (address === MAIN_LEVEL) return words('lane.main')
    if (address === TEMPO) return words('lane.the-tempo')
    const where = resolve(mix, address) ? mix : start
    const found = resolve(where, address)
    const owner =
      song.tracks.find((t) => t.id === found?.owner)?.name ??
      where.returns.find((r) => r.id === found?.owner)?.name
    if (!found || !owner) return words('lane.gone')
    if (found.control === MIXER_CONTROLS.level) return owner
    return words('lane.of-owner', { owner, control: this.#control(where, address) })
  }

  /** "pan", "send to Echo", "filter frequency". */
  #control(mix: Mix, address: Address): string {
    const [kind, id] = address.split('/')
    if (kind !== 'effect') return laneControlName(mix, address)
    const effect = [...mix.tracks, ...mix.returns].flatMap((o) => o.effects).find((e) => e.id === id)
    const control = resolve(mix, address)?.control.name ?? ''
    return words('lane.effect', {
      effect: effect?.name || (effect?.kind ?? ''),
      control: control.toLowerCase(),
    })
  }

  #value(value: number, of: Address): string {
    const { mix, start = mix } = this.context
    const unit = (resolve(mix, of) ?? resolve(start, of))?.control.unit ?? decibels
    if (unit === decibels) return value <= -90 ? words('word.silence') : amountText(value, 'dB', 1)
    if (unit === gainDecibels) return `${signedText(value, Number.isInteger(value) ? 0 : 1)} dB`
    if (unit === onOff) return words(value >= 0.5 ? 'on' : 'off')
    if (unit === panning) {
      const n = Math.round(Math.abs(value) * 100)
      return n === 0
        ? words('side.middle')
        : words('side.off', { n, side: words(value < 0 ? 'side.left' : 'side.right') })
    }
    return unit.format(value)
  }
}

function amountText(value: number, unit: AmountUnit, digits: number): string {
  if (unit === 'bars' || unit === 'beats') return lengthInWords(unit, value)
  if (unit === 'points') return shortNumber(value, digits)
  const n = shortNumber(value, digits)
  if (unit === 'octaves') return n === '1' ? words('octaves.one') : words('octaves.more', { n })
  return `${n} ${unit === 'seconds' ? 's' : unit}`
}

function lateText(beats: number): string {
  const off = Math.round(Math.abs(beats) * 2) / 2
  if (off === 0 && Math.abs(beats) < 0.1) return words('late.on-time')
  return words(beats < 0 ? 'late.early' : 'late.late', { beats: lengthInWords('beats', Math.abs(beats)) })
}
