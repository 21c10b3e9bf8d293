/** Finds how loud the takes of a piece have to be together. */
import { levelOfMix, MIX_LUFS, MIX_PEAK } from '@rudlo/core/analysis'
import { MixLoudnessMeter } from '@rudlo/core/assess'
import { gainOfDb } from '@rudlo/core/maths'
import { plainMix, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { heldTake, type Take } from './take'

/** Takes of a song, and how much louder each has to be beside the others. */
export interface WeighTask {
  readonly kind: 'weigh'
  /** The song with takes as its assets, in their order. */
  readonly song: SongVersion
  readonly takes: readonly Take[]
  /** dB, one a take. */
  readonly gains: readonly number[]
  /** The mix that the file brings along; null where it brings none. */
  readonly brought: Mix | null
}

/** How loud a mix is, in LUFS and dBTP. */
export interface Weight {
  readonly loudness: number | null
  readonly truePeak: number
}

/** What was found. */
export interface Weighed {
  /** dB that all takes have to be louder beside their own gains. */
  readonly louder: number
  /** The amplitude, before any gain, that the peaks of each take are held down to. */
  readonly ceilings: readonly number[]
  /** How loud they then are with the mix that the file brings along; the same as without where it brings none. */
  readonly brought: Weight
}

/** Peaks of a take are held down to these levels of the mix, in dBFS, one after the other until there is room. */
const CEILINGS = [0, -8, -11, -14, -17, -20]

/**
 * A piece is as loud as asked for, and its peaks leave the room asked for: where they do not by themselves, those of single takes
 * are held down, and no further than has to be.
 */
export async function weigh({ song, takes, gains, brought }: WeighTask): Promise<Weighed> {
  let louder = 0
  let ceilings = gains.map(() => 1)
  for (const [i, ceiling] of CEILINGS.entries()) {
    if (i) ceilings = gains.map((gain) => gainOfDb(ceiling - gain - louder))
    const meter = await meterOf(song, takes, ceilings)
    const plain = measure(meter, rawMix(plainMix(song), gains))
    if (plain.loudness === null) return { louder: 0, ceilings, brought: plain }
    const isLast = i === CEILINGS.length - 1
    // the next ones are held down where the piece will be as loud as asked for
    louder = MIX_LUFS - plain.loudness
    if (plain.truePeak + louder > MIX_PEAK && !isLast) continue
    louder = levelOfMix(plain.loudness, plain.truePeak)
    const own = brought ? measure(meter, rawMix(brought, gains)) : plain
    return {
      louder,
      ceilings,
      brought: { loudness: plus(own.loudness, louder), truePeak: own.truePeak + louder },
    }
  }
  throw new Error('No ceiling was tried.')
}

const plus = (loudness: number | null, by: number) => (loudness === null ? null : loudness + by)

async function meterOf(song: SongVersion, takes: readonly Take[], ceilings: readonly number[]) {
  const sounds = await Promise.all(takes.map((take, i) => heldTake(take, ceilings[i]!)))
  const audio = song.assets.map(({ id, frames }, i) => [id, { channels: sounds[i]!, frames }] as const)
  return new MixLoudnessMeter(song, new Map(audio))
}

function measure(meter: MixLoudnessMeter, mix: Mix): Weight {
  const { integrated, truePeak } = meter.measure(mix)!
  return { loudness: integrated, truePeak }
}

/** A mix of takes that are not balanced yet, each made louder or softer by so many dB. */
const rawMix = (mix: Mix, gains: readonly number[]): Mix => ({
  ...mix,
  tracks: mix.tracks.map((track, i) => ({
    ...track,
    regions: track.regions.map((region) => ({ ...region, level: gains[i]! })),
  })),
})
