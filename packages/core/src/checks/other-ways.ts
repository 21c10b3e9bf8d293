import {
  besideLevel,
  echoPath,
  effectiveAgainst,
  effectiveEcho,
  effectiveLevel,
  touched,
  type Effective,
} from '../effective'
import { evidenceOf, laneOf, word, type Evidence, type Part } from '../evidence'
import type { Points } from '../envelope'
import { trackLevel, type Address, type Mix } from '../mix'
import type { CheckKind, Values } from './check'

/** A way in which an answer may have been found, as evidence of its own, and by what it was done. */
export interface OtherWay {
  readonly evidence: Evidence
  readonly by: readonly Part[]
  /** What is asked otherwise of this way. */
  readonly values?: Values
}

/** Checks that are about the way itself, and those that hear what comes out anyway. */
const ABOUT_THE_WAY = ['only lanes', 'few points', 'by pass', 'no mistake', 'tail kept', 'form']

/**
 * The same work as if one control did what several do: the volume of a track all that makes it louder or softer, a send all that lets
 * an echo through. A check that looks at a line can be asked about it as about any other.
 */
export function otherWaysOf(evidence: Evidence, kind: CheckKind, values: Values): OtherWay[] {
  if (kind.needs === 'sound' || ABOUT_THE_WAY.includes(kind.kind)) return []
  const lanes = lanesOf(kind, values)
  const ways = [together(evidence, lanes)]
  const [lane] = lanes
  if (kind.kind === 'dip' && lane) ways.push(...leadsForward(evidence, lane))
  return ways.filter((way) => way !== null)
}

/**
 * The same work as what is heard of the tracks that a check looks at: what another control of theirs takes back was not done. The
 * main output is left out: it moves for everybody, and may have a task of its own. Null where nothing else takes part.
 */
export function heardOf(evidence: Evidence, kind: CheckKind, values: Values): OtherWay | null {
  if (kind.needs === 'sound' || ABOUT_THE_WAY.includes(kind.kind)) return null
  const { song, start, mix } = evidence
  return together(evidence, lanesOf(kind, values), (lane) => {
    const [owner, id, word] = lane.split('/')
    if (owner !== 'track' || word !== 'level') return null
    const own = besideLevel(id!).filter((a) => a.startsWith('track/'))
    return effectiveLevel(song, start, mix, id!, own)
  })
}

/** The lanes that a check looks at. */
function lanesOf(kind: CheckKind, values: Values): Address[] {
  return Object.entries(kind.fields).flatMap(([name, field]) => {
    const value = values[name]
    if (typeof value !== 'string') return []
    return field.type === 'lane' ? [value] : field.type === 'track' ? [trackLevel(value)] : []
  })
}

/** All lanes by what is heard of them; null where nothing else takes part. */
function together(
  evidence: Evidence,
  lanes: readonly Address[],
  heard: (lane: Address) => Effective | null = (lane) => effective(evidence, lane),
): OtherWay | null {
  const by = new Map<string, Part>()
  let mix = evidence.mix
  for (const lane of lanes) {
    const found = heard(lane)
    if (!found || (!found.by.length && !found.regions)) continue
    for (const address of found.by) by.set(address, laneOf(address))
    if (found.regions) by.set('regions', word('way.regions'))
    mix = audibly(withLine(mix, lane, found.points), lane)
  }
  if (!by.size) return null
  // the fade of a region has one form, which nobody can change
  const values = by.has('regions') ? { values: { even: 100 } } : {}
  return { evidence: as(evidence, mix), by: [...by.values()], ...values }
}

function effective({ song, start, mix }: Evidence, lane: Address): Effective | null {
  const [kind, id, word] = lane.split('/')
  if (kind === 'track' && word === 'level') return effectiveLevel(song, start, mix, id!)
  const path = echoPath(mix, lane)
  return path ? effectiveEcho(song, start, mix, path) : null
}

/** A mix with another line on a lane. It is only looked at: what may be drawn is no limit. */
const withLine = (mix: Mix, address: Address, points: Points): Mix => ({
  ...mix,
  envelopes: [
    ...mix.envelopes.filter((e) => e.address !== address),
    { id: `effective-${address}`, address, on: true, open: true, points },
  ],
})

/** The track of a lane without its mute: the line that is shown has it in it. */
function audibly(mix: Mix, lane: Address): Mix {
  const id = lane.split('/')[1]
  return {
    ...mix,
    tracks: mix.tracks.map((t) => (t.id === id ? { ...t, mute: false } : t)),
    envelopes: mix.envelopes.filter((e) => e.address !== `track/${id}/mute`),
  }
}

/** Evidence of a mix that is only shown: what was heard of it stays. */
const as = ({ song, start, ...more }: Evidence, mix: Mix) => evidenceOf(song, start, mix, more)

/** Room may be made by raising who needs it. */
function leadsForward(evidence: Evidence, lane: Address): OtherWay[] {
  const { song, start, mix } = evidence
  const [kind, id, word] = lane.split('/')
  if (kind !== 'track' || word !== 'level') return []
  return song.tracks
    .filter(
      (t) =>
        t.id !== id && (t.role === 'lead' || t.role === 'voice') && touched(start, mix, trackLevel(t.id)),
    )
    .map((t) => {
      const { points } = effectiveAgainst(song, start, mix, id!, t.id)
      return {
        evidence: as(evidence, audibly(withLine(mix, lane, points), lane)),
        by: [laneOf(trackLevel(t.id))],
      }
    })
}
