import type { Points } from '../envelope'
import type { SongVersion } from '../song'
import { resolve } from './address'
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
    if (seen.has(id)) return `The id "${id}" is used twice.`
    seen.add(id)
  }
  return null
}

function tracksProblem(mix: Mix, song: SongVersion): string | null {
  const assets = new Map(song.assets.map((a) => [a.id, a]))
  if (mix.tracks.length !== song.tracks.length || song.tracks.some((t, i) => mix.tracks[i]?.id !== t.id)) {
    return 'The tracks of the mix are not those of the song.'
  }
  for (const track of mix.tracks) {
    for (const region of track.regions) {
      const asset = assets.get(region.asset)
      if (!asset) return `Region "${region.id}" uses audio that the song does not have.`
      if (region.offset + region.length > asset.frames) {
        return `Region "${region.id}" runs past the end of its audio.`
      }
      if (region.fadeIn + region.fadeOut > region.length) {
        return `The fades of region "${region.id}" are longer than the region.`
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
      if (at === undefined) return `Send "${id}" leads to a return that does not exist.`
      if (at <= after) return `Send "${id}" would lead back: a return can only feed later returns.`
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
    if (!found) return `Envelope ${i + 1} is for "${address}", which this mix does not have.`
    if (addresses.has(address)) return `There are two envelopes for "${address}".`
    addresses.add(address)
    total += points.length
    const problem = pointsProblem(points, found.control.scale.min, found.control.scale.max)
    if (problem) return `Envelope ${i + 1} ("${address}"): ${problem}`
  }
  return total > LIMITS.points
    ? `The mix has ${total} points; ${LIMITS.points} are the most there can be.`
    : null
}

function pointsProblem(points: Points, min: number, max: number): string | null {
  let last = -1
  // a plain loop: a save walks thousands of points
  for (let i = 0; i < points.length; i++) {
    const { tick, value } = points[i]!
    if (tick <= last) return `point ${i + 1} is not after the one before it.`
    if (!(value >= min && value <= max)) return `point ${i + 1} is outside ${min} to ${max}.`
    last = tick
  }
  return null
}

function placementsProblem(mix: Mix): string | null {
  const motifs = new Set(mix.motifs.map((m) => m.id))
  const envelopes = new Set(mix.envelopes.map((e) => e.id))
  for (const { id, motif, envelope } of mix.placements) {
    if (!motifs.has(motif) || !envelopes.has(envelope))
      return `Placement "${id}" refers to something that is gone.`
  }
  for (const { name, points } of mix.motifs) {
    const problem = pointsProblem(points, -100_000, 100_000)
    if (problem) return `Motif "${name}": ${problem}`
  }
  return null
}
