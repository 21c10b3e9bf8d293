import { words } from '@rudlo/words'
import type { Points } from '../envelope'
import type { SongVersion } from '../song'
import { resolve, TEMPO } from './address'
import { LIMITS, type Mix, type Send } from './mix'

/**
 * What a mix must keep that a schema cannot say: sorted points in range, unique ids, references that exist,
 * sends that lead to later returns only.
 * @returns one clear sentence about the first thing wrong, or null
 */
export function mixProblem(mix: Mix, song: SongVersion): string | null {
  return (
    duplicateId(mix) ??
    tracksProblem(mix, song) ??
    sendsProblem(mix) ??
    envelopesProblem(mix) ??
    placementsProblem(mix)
  )
}

function duplicateId(mix: Mix): string | null {
  const seen = new Set<string>()
  const owners = [...mix.tracks, ...mix.returns]
  const ids = [
    ...owners.flatMap((o) => [o.id, ...o.sends.map((s) => s.id), ...o.effects.map((e) => e.id)]),
    ...mix.tracks.flatMap((t) => t.regions.map((r) => r.id)),
    ...mix.envelopes.map((e) => e.id),
    ...mix.motifs.map((m) => m.id),
    ...mix.placements.map((p) => p.id),
  ]
  for (const id of ids) {
    if (seen.has(id)) return words('mix.id-used-twice', { id })
    seen.add(id)
  }
  return null
}

function tracksProblem(mix: Mix, song: SongVersion): string | null {
  const assets = new Map(song.assets.map((a) => [a.id, a]))
  if (mix.tracks.length !== song.tracks.length || song.tracks.some((t, i) => mix.tracks[i]?.id !== t.id)) {
    return words('mix.tracks-not')
  }
  for (const track of mix.tracks) {
    for (const region of track.regions) {
      const asset = assets.get(region.asset)
      if (!asset) return words('mix.region-uses-audio', { id: region.id })
      if (region.offset + region.length > asset.frames) {
        return words('mix.region-runs-past', { id: region.id })
      }
      if (region.fadeIn + region.fadeOut > region.length) {
        return words('mix.fades-region-longer', { id: region.id })
      }
    }
  }
  return null
}

function sendsProblem(mix: Mix): string | null {
  const order = new Map(mix.returns.map((r, i) => [r.id, i]))
  const check = (sends: readonly Send[], after: number) => {
    for (const { id, to } of sends) {
      const at = order.get(to)
      if (at === undefined) return words('mix.send-leads-return', { id })
      if (at <= after) return words('mix.send-lead-back', { id })
    }
    return null
  }
  for (const track of mix.tracks) {
    const problem = check(track.sends, -1)
    if (problem) return problem
  }
  for (const [i, back] of mix.returns.entries()) {
    const problem = check(back.sends, i)
    if (problem) return problem
  }
  return null
}

function envelopesProblem(mix: Mix): string | null {
  const addresses = new Set<string>()
  let total = 0
  for (const [i, { address, points }] of mix.envelopes.entries()) {
    const found = resolve(mix, address)
    if (!found) return words('mix.envelope-does', { i: i + 1, address })
    if (addresses.has(address)) return words('mix.two-envelopes', { address })
    addresses.add(address)
    if (address === TEMPO && !points.length) return words('refused.tempo-empty')
    total += points.length
    const problem = pointsProblem(points, found.control.scale.min, found.control.scale.max)
    if (problem) return words('mix.envelope', { i: i + 1, address, problem })
  }
  return total > LIMITS.points ? words('mix.points-most', { total, most: LIMITS.points }) : null
}

function pointsProblem(points: Points, min: number, max: number): string | null {
  let last = -1
  // a plain loop: a save walks thousands of points
  for (let i = 0; i < points.length; i++) {
    const { tick, value } = points[i]!
    if (tick <= last) return words('mix.point-not-after', { i: i + 1 })
    if (!(value >= min && value <= max)) return words('mix.point-outside', { i: i + 1, min, max })
    last = tick
  }
  return null
}

function placementsProblem(mix: Mix): string | null {
  const motifs = new Set(mix.motifs.map((m) => m.id))
  const envelopes = new Set(mix.envelopes.map((e) => e.id))
  for (const { id, motif, envelope } of mix.placements) {
    if (!motifs.has(motif) || !envelopes.has(envelope)) return words('mix.placement-refers-something', { id })
  }
  for (const { name, points } of mix.motifs) {
    const problem = pointsProblem(points, -100_000, 100_000)
    if (problem) return words('mix.motif', { name, problem })
  }
  return null
}
