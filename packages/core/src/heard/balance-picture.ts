import { songTime, type SongVersion } from '../song'
import { balanceOf, type SectionBalance } from './balance'
import type { HeardTracks } from './hear'
import type { SectionBands } from './hear-bands'
import { comeForward, inTheWay, type InTheWay } from './in-the-way'
import { hopsIn, over, sounding, together, type Seconds } from './part'

/** The lead over everything else in one bar. */
export interface LeadBar {
  readonly bar: number
  /** Ticks. */
  readonly from: number
  readonly to: number
  /** In LU; null where it does not sound. */
  readonly lead: number | null
}

/** Who lies over the lead in one section. */
export interface SectionWay {
  readonly section: string
  /** Id of the track that leads there. */
  readonly lead: string
  readonly by: readonly InTheWay[]
  /** How far the lead would have to come forward so that hardly anything of it is covered, in dB; null where that is too much, or nothing is. */
  readonly forward: number | null
}

/** The balance of a mix as it is heard. Plain data, kept as JSON. */
export interface BalancePicture {
  readonly sections: readonly SectionBalance[]
  readonly bars: readonly LeadBar[]
  readonly way: readonly SectionWay[]
}

const LEADS: readonly string[] = ['lead', 'voice']
const tenth = (lu: number | null) => (lu === null || !Number.isFinite(lu) ? null : Math.round(lu * 10) / 10)

/** Who of those that may lead sounds most in a stretch; undefined where none does. */
function leadIn(song: SongVersion, heard: HeardTracks, where: Seconds): string | undefined {
  const [first, last] = hopsIn(where, heard.hops)
  const counted = song.tracks
    .filter((t) => LEADS.includes(t.role) && heard.tracks[t.id])
    .map((t) => ({ id: t.id, hops: sounding(heard.tracks[t.id]!).slice(first, last).filter(Boolean).length }))
    .filter(({ hops }) => hops > 0)
    .sort((a, b) => b.hops - a.hops)
  return counted[0]?.id
}

/**
 * How the tracks of a mix stand to each other: section by section, the lead bar by bar, and who is in its way.
 * @param bands what each track has in the critical bands; left out where it is not asked for
 */
export function balancePicture(song: SongVersion, heard: HeardTracks, bands?: SectionBands): BalancePicture {
  const { tempo, meter, length } = songTime(song)
  const secondsOf = (from: number, to: number): Seconds => ({
    from: tempo.secondsAt(from),
    to: tempo.secondsAt(to),
  })
  const last = meter.placeAt(length - 1).bar
  const bars = Array.from({ length: last }, (_, i): LeadBar => {
    const [from, to] = [meter.barStart(i + 1), Math.min(length, meter.barStart(i + 2))]
    const where = secondsOf(from, to)
    const lead = leadIn(song, heard, where)
    const others = Object.entries(heard.tracks).flatMap(([id, part]) => (id === lead ? [] : [part]))
    const stands = lead ? over(heard.tracks[lead]!, together(others, heard.hops), where) : null
    return { bar: i + 1, from, to, lead: tenth(stands) }
  })
  const way = song.sections.flatMap(({ id, tick }, i): SectionWay[] => {
    const where = secondsOf(tick, song.sections[i + 1]?.tick ?? length)
    const lead = leadIn(song, heard, where)
    const here = bands?.get(id)
    if (!lead || !here) return []
    const others = new Map([...here].filter(([track]) => track !== lead))
    const own = here.get(lead)!
    return [{ section: id, lead, by: inTheWay(own, others), forward: comeForward(own, others) }]
  })
  return { sections: balanceOf(song, heard), bars, way }
}
