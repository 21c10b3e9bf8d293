import { songTime, type SongVersion } from '../song'
import { energies, hopsIn, loudnessIn, over, sounding, together } from './part'
import type { HeardTracks } from './hear'

/** Who is how loud in one section of the song. Plain data, kept as JSON. */
export interface SectionBalance {
  /** Id of the section. */
  readonly section: string
  /** The lead, with its share of the returns, over everything else where it sounds, in LU; null where it does not. */
  readonly lead: number | null
  /** Each track in the mix where it sounds, in LU; null where it does not. */
  readonly tracks: Readonly<Record<string, number | null>>
  /** Loudness of the section, in LUFS; null for silence. */
  readonly loudness: number | null
}

const LEADS: readonly string[] = ['lead', 'voice']

/** A lead that sounds in less than this share of a section does not lead it. */
const LEADS_SHARE = 0.1

const tenth = (lu: number | null) => (lu === null || !Number.isFinite(lu) ? null : Math.round(lu * 10) / 10)

/** The balance of a mix, section by section. Where several tracks may lead, the one that sounds most in it does. */
export function balanceOf(song: SongVersion, heard: HeardTracks): SectionBalance[] {
  const { tempo } = songTime(song)
  const whole = energies(heard.mix)
  const leads = song.tracks
    .filter((t) => LEADS.includes(t.role) && heard.tracks[t.id])
    .map((t) => ({ id: t.id, on: sounding(heard.tracks[t.id]!) }))
  return song.sections.map(({ id, tick }, i) => {
    const end = song.sections[i + 1]?.tick ?? song.length
    const stretch = { from: tempo.secondsAt(tick), to: tempo.secondsAt(end) }
    const [first, last] = hopsIn(stretch, heard.hops)
    const sounds = (on: readonly boolean[]) => on.slice(first, last).filter(Boolean).length
    const lead = leads
      .filter((l) => sounds(l.on) > (last - first) * LEADS_SHARE)
      .sort((a, b) => sounds(b.on) - sounds(a.on))[0]
    const others = Object.entries(heard.tracks).flatMap(([track, part]) => (track === lead?.id ? [] : [part]))
    return {
      section: id,
      lead: lead ? tenth(over(heard.tracks[lead.id]!, together(others, heard.hops), stretch)) : null,
      tracks: Object.fromEntries(
        Object.entries(heard.tracks).map(([track, part]) => [track, tenth(over(part, whole, stretch))]),
      ),
      loudness: tenth(loudnessIn(whole, stretch)),
    }
  })
}
