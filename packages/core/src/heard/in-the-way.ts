import { gainOfDb } from '../maths'
import { BANDS, BARK_EDGES } from './bands'

/** Energies of a track in the critical bands. */
export type Bands = ArrayLike<number>

/** Who lies over the lead in one section, and what would help. Plain data, kept as JSON. */
export interface InTheWay {
  /** Id of the track that lies over it. */
  readonly track: string
  /** Share of the lead's energy that it covers, 0…1. */
  readonly share: number
  /** Where, in Hz. */
  readonly low: number
  readonly high: number
  /** How far it would have to step back so that hardly anything is covered by it, in dB; null where that is more than anybody would. */
  readonly back: number | null
}

/** The rest lies over the lead in a band where it is this far above it, in dB. */
const OVER_DB = 6
/** Less is not worth saying. */
const LEAST_SHARE = 0.1
/** A band with less of the lead's energy is not named. */
const SAID = 0.02
/** After stepping back it covers at most this share of what it covered. */
const HARDLY = 0.25
/** Nobody steps back further than this, in dB. */
const MOST_BACK = 12

const OVER = gainOfDb(OVER_DB) * gainOfDb(OVER_DB)

/** The bands in which the rest lies over the lead by a track that is the loudest of it. */
function coveredBy(
  lead: Bands,
  others: ReadonlyMap<string, Bands>,
  gain: (track: string) => number,
): Map<string, number[]> {
  const by = new Map<string, number[]>()
  for (let band = 0; band < BANDS; band++) {
    let rest = 0
    let loudest: readonly [string, number] | null = null
    for (const [track, bands] of others) {
      const energy = bands[band]! * gain(track)
      rest += energy
      if (!loudest || energy > loudest[1]) loudest = [track, energy]
    }
    if (!loudest || rest <= (lead[band] ?? 0) * OVER || !lead[band]) continue
    by.set(loudest[0], [...(by.get(loudest[0]) ?? []), band])
  }
  return by
}

/**
 * Who is in the way of the lead: in every critical band in which the rest is more than 6 dB above it, its energy counts as covered,
 * and is laid at the door of the loudest other track.
 * @param lead energies of the lead in the bands
 * @param others the same of everybody else, by id
 * @returns whoever covers a tenth of it or more, the most first
 */
export function inTheWay(lead: Bands, others: ReadonlyMap<string, Bands>): InTheWay[] {
  const total = Array.from(lead).reduce((a, b) => a + b, 0)
  if (!(total > 0)) return []
  const shareOf = (bands: readonly number[]) => bands.reduce((sum, band) => sum + lead[band]!, 0) / total
  return [...coveredBy(lead, others, () => 1)]
    .map(([track, bands]): InTheWay => {
      const share = shareOf(bands)
      const heard = bands.filter((band) => lead[band]! / total >= SAID)
      const told = heard.length ? heard : bands
      return {
        track,
        share: Math.round(share * 100) / 100,
        low: BARK_EDGES[Math.min(...told)]!,
        high: BARK_EDGES[Math.max(...told) + 1]!,
        back: stepBack(track, share, lead, others, shareOf),
      }
    })
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share)
}

/**
 * How many dB the lead has to come forward so that hardly anything of it is covered: where nobody alone can make room for it.
 * @returns null where that is more than anybody would, or nothing is covered
 */
export function comeForward(lead: Bands, others: ReadonlyMap<string, Bands>): number | null {
  const covered = (db: number) => {
    const gain = gainOfDb(db) * gainOfDb(db)
    const louder = Array.from(lead, (energy) => energy * gain)
    const bands = [...coveredBy(louder, others, () => 1).values()].flat()
    return bands.reduce((sum, band) => sum + lead[band]!, 0)
  }
  const before = covered(0)
  if (!before) return null
  for (let db = 1; db <= MOST_BACK; db++) if (covered(db) <= before * HARDLY) return db
  return null
}

/** How many dB a track has to step back, tried one after the other: energies in bands scale with its gain. */
function stepBack(
  track: string,
  share: number,
  lead: Bands,
  others: ReadonlyMap<string, Bands>,
  shareOf: (bands: readonly number[]) => number,
): number | null {
  const covered = (db: number) => {
    const gain = gainOfDb(-db) * gainOfDb(-db)
    const by = coveredBy(lead, others, (id) => (id === track ? gain : 1))
    // what another one covers then is no help
    return [...by.values()].reduce((sum, bands) => sum + shareOf(bands), 0)
  }
  const before = covered(0)
  for (let db = 1; db <= MOST_BACK; db++) if (covered(db) <= before - share * (1 - HARDLY)) return db
  return null
}
