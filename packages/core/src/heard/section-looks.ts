import { BLOCK, type Bus } from '../engine'
import { lineInCharge, trackLevel, withSetting, type Mix, type TrackMix } from '../mix'
import { levelGain } from '../scale'
import { songTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { BandMeter, BANDS, LOOK } from './bands'
import { isDry } from './dry'
import { trackKey } from './keys'

/** Where the sections of a song start and where it ends, in samples. */
export interface SectionPlaces {
  readonly starts: readonly number[]
  readonly length: number
}

export function sectionPlaces(song: SongVersion): SectionPlaces {
  const { tempo } = songTime(song)
  const at = (tick: number) => Math.round(tempo.secondsAt(tick) * SAMPLE_RATE)
  return { starts: song.sections.map(({ tick }) => at(tick)), length: at(song.length) }
}

/** What a track has in the critical bands is kept under this. */
export interface KeptBands {
  readonly key: string
  /** The mix that they are of. */
  readonly of: Mix
  /** What their energies are to be multiplied by for the mix that was asked about. */
  readonly power: number
}

/** A dry track without a line has at any level what it has at 0 dB, louder or softer: it is kept as that. */
export function keptBands(
  song: SongVersion,
  mix: Mix,
  track: TrackMix,
  { starts }: SectionPlaces,
): KeptBands {
  const still = isDry(mix, track) && !lineInCharge(mix, trackLevel(track.id))
  const of = still ? withSetting(mix, trackLevel(track.id), 0) : mix
  return {
    key: JSON.stringify([starts, trackKey(song, of, track.id)]),
    of,
    power: still ? levelGain(track.level) * levelGain(track.level) : 1,
  }
}

/** Every so manieth look is taken, the same ones of every track: what covers what is told as well by half of a section. */
const EVERY = 2

const meter = new BandMeter()

/** Looks at what a track is in an engine while it plays, and sums what it has in the critical bands section by section. */
export class SectionLooks {
  /** A list of energies for each section. */
  readonly sums: readonly Float64Array[]
  readonly #left = new Float32Array(LOOK)
  readonly #right = new Float32Array(LOOK)
  #filled = 0
  #looks = 0

  constructor(
    private readonly bus: Bus,
    readonly places: SectionPlaces,
  ) {
    this.sums = places.starts.map(() => new Float64Array(BANDS))
  }

  /** Takes the block that was played last, which began at a place of the song. Blocks come in order, from the start. */
  take(at: number): void {
    // less than a block is never the end of a look
    if (at + BLOCK > this.places.length) return
    const taken = this.#looks % EVERY === 0
    if (taken) {
      this.#left.set(this.bus.left.view, this.#filled)
      this.#right.set(this.bus.right.view, this.#filled)
    }
    this.#filled += BLOCK
    if (this.#filled < LOOK) return
    this.#filled = 0
    this.#looks++
    if (!taken) return
    // a look belongs to the section that its middle lies in
    const section = this.places.starts.findLastIndex((start) => at + BLOCK - LOOK / 2 >= start)
    if (section >= 0) meter.add(this.#left, this.#right, this.sums[section]!)
  }
}
