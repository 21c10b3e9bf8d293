import { copySpan, pasteAt, travelAt, type LineSpan, type Points } from '../envelope'
import type { Scale } from '../scale'
import { resolve, type Address } from './address'
import { envelopeOf, withPoints } from './lanes'
import type { Mix, Motif, Placement } from './mix'

/** Two lines are the same where they are no further apart than this, in travel. */
const SAME = 1e-6
/** Places at which a copy is held against its motif. */
const LOOKS = 33

/**
 * The kind of control that a motif was taken from, and for which it can be placed: the last word of the address, with the
 * effect's kind before it.
 */
export function motifKind(mix: Mix, address: Address): string {
  const [kind, id, word] = address.split('/')
  if (kind !== 'effect') return kind === 'send' ? `send/${word}` : (word ?? address)
  const effect = [...mix.tracks, ...mix.returns].flatMap((o) => o.effects).find((e) => e.id === id)
  return `${effect?.kind ?? 'effect'}/${word}`
}

/** The motifs that can be placed on a lane. */
export function motifsFor(mix: Mix, address: Address): readonly Motif[] {
  const kind = motifKind(mix, address)
  return mix.motifs.filter((m) => m.control === kind)
}

/** Ids that a change of motifs needs. */
export interface MotifIds {
  readonly motif: string
  readonly placement: string
}

/**
 * Keeps a span of a lane as a motif; where it was taken from is its first copy.
 * @param points of the lane, begun
 */
export function keepMotif(
  mix: Mix,
  address: Address,
  points: Points,
  span: LineSpan,
  name: string,
  ids: MotifIds,
): Mix {
  const found = resolve(mix, address)
  const envelope = envelopeOf(mix, address)
  if (!found) return mix
  const motif: Motif = {
    id: ids.motif,
    name,
    control: motifKind(mix, address),
    length: span.to - span.from,
    points: copySpan(points, found.control.scale, span),
  }
  const first = envelope && { id: ids.placement, motif: ids.motif, envelope: envelope.id, start: span.from }
  return {
    ...mix,
    motifs: [...mix.motifs, motif],
    placements: first ? [...mix.placements, first] : mix.placements,
  }
}

/**
 * Places a motif on a lane, over what is there.
 * @param points of the lane, begun
 * @throws EditRefused where the lane is locked or a limit would be passed
 */
export function placeMotif(
  mix: Mix,
  id: string,
  address: Address,
  points: Points,
  start: number,
  ids: { readonly placement: string; readonly envelope: string },
): Mix {
  const motif = mix.motifs.find((m) => m.id === id)
  const found = resolve(mix, address)
  if (!motif || !found) return mix
  const line = pasteAt(points, found.control.scale, motif.points, motif.length, start, 'returns')
  const placed = withPoints(mix, address, line, () => ids.envelope)
  const envelope = envelopeOf(placed, address)!
  const placement: Placement = { id: ids.placement, motif: id, envelope: envelope.id, start }
  return freeChanged(mix, { ...placed, placements: [...placed.placements, placement] })
}

/** Gives a motif another form of the same length; every placed copy follows, but those on locked lanes. */
export function editMotif(mix: Mix, id: string, points: Points): Mix {
  const motif = mix.motifs.find((m) => m.id === id)
  if (!motif) return mix
  const next = { ...mix, motifs: mix.motifs.map((m) => (m === motif ? { ...m, points } : m)) }
  const copies = mix.placements.filter((p) => p.motif === id)
  const envelopes = mix.envelopes.map((e) => {
    const scale = resolve(mix, e.address)?.control.scale
    if (!scale || !e.open) return e
    const line = copies
      .filter((p) => p.envelope === e.id)
      .reduce((l, p) => pasteAt(l, scale, points, motif.length, p.start, 'returns'), e.points)
    return line === e.points ? e : { ...e, points: line }
  })
  return freeChanged(mix, { ...next, envelopes })
}

/** Gives a motif another name. */
export function renameMotif(mix: Mix, id: string, name: string): Mix {
  return { ...mix, motifs: mix.motifs.map((m) => (m.id === id ? { ...m, name } : m)) }
}

/** Takes a motif away. Its placed copies stay as they are, and are free from then on. */
export function removeMotif(mix: Mix, id: string): Mix {
  return {
    ...mix,
    motifs: mix.motifs.filter((m) => m.id !== id),
    placements: mix.placements.filter((p) => p.motif !== id),
  }
}

/** Whether a placed copy still is what its motif is. */
function follows(points: Points, scale: Scale, motif: Motif, start: number): boolean {
  const ticks = Array.from({ length: LOOKS }, (_, i) => Math.floor((motif.length * i) / LOOKS))
  return [...ticks, ...motif.points.map((p) => p.tick).filter((t) => t < motif.length)].every(
    (t) => Math.abs(travelAt(points, scale, start + t) - travelAt(motif.points, scale, t)) < SAME,
  )
}

/**
 * Sets those copies free that an edit has made different from their motif: they are placements no longer. The mix itself
 * where nothing of the kind happened.
 */
export function freeChanged(before: Mix, after: Mix): Mix {
  if (!after.placements.length || before.envelopes === after.envelopes) return after
  const unchanged = new Set(before.envelopes)
  const byId = new Map(after.envelopes.map((e) => [e.id, e]))
  const motifs = new Map(after.motifs.map((m) => [m.id, m]))
  const kept = after.placements.filter((p) => {
    const envelope = byId.get(p.envelope)
    const motif = motifs.get(p.motif)
    if (!envelope || !motif) return false
    if (unchanged.has(envelope) && before.motifs.includes(motif)) return true
    const scale = resolve(after, envelope.address)?.control.scale
    return (
      scale !== undefined && envelope.points.length > 0 && follows(envelope.points, scale, motif, p.start)
    )
  })
  return kept.length === after.placements.length ? after : { ...after, placements: kept }
}

/** The names of the motifs of which an edit has set copies free. */
export function freedMotifs(before: Mix, after: Mix): readonly string[] {
  const left = new Set(after.placements.map((p) => p.id))
  const still = new Map(after.motifs.map((m) => [m.id, m.name]))
  const names = before.placements.filter((p) => !left.has(p.id)).map((p) => still.get(p.motif))
  return [...new Set(names.filter((n) => n !== undefined))]
}
