import type { Address } from './address'
import { resolve } from './address'
import { envelopeOf } from './lanes'
import type { Mix } from './mix'
import { withSetting } from './settings'

/**
 * Puts one control back to where another mix has it: its setting, and its line or none. The same mix where the other
 * one has no such control.
 */
export function restoreControl(mix: Mix, from: Mix, address: Address): Mix {
  const found = resolve(from, address)
  if (!found || !resolve(mix, address)) return mix
  return withLinesOf(withSetting(mix, address, found.setting), from, (a) => a === address)
}

/**
 * Puts one track or return back to where another mix has it: settings, regions, effects, sends and lines. Sends to
 * returns that are no longer there stay out. The same mix where the other one has no such track or return.
 */
export function restoreOwner(mix: Mix, from: Mix, owner: string): Mix {
  const source = [...from.tracks, ...from.returns].find((o) => o.id === owner)
  if (!source) return mix
  const returns = new Set(mix.returns.map((r) => r.id))
  const back = { ...source, sends: source.sends.filter((s) => returns.has(s.to)) }
  const next: Mix = {
    ...mix,
    tracks: mix.tracks.map((t) => (t.id === owner ? { ...t, ...back } : t)),
    returns: mix.returns.map((r) => (r.id === owner ? { ...r, ...back } : r)),
  }
  // a line belongs to the owner that has its control, in whichever of the mixes it is found
  const isOwners = (address: Address) => [mix, from].some((m) => resolve(m, address)?.owner === owner)
  return withLinesOf(next, from, isOwners)
}

/** Replaces the lines of some controls by those of another mix; what was placed on the old ones goes. */
function withLinesOf(mix: Mix, from: Mix, concerned: (address: Address) => boolean): Mix {
  const lost = mix.envelopes.filter((e) => concerned(e.address))
  const back = from.envelopes.filter((e) => concerned(e.address) && resolve(mix, e.address))
  if (lost.length === back.length && lost.every((e) => envelopeOf(from, e.address) === e)) return mix
  const kept = mix.envelopes.filter((e) => !lost.includes(e))
  // an envelope keeps the id it has here: whatever refers to it goes on doing so
  const restored = back.map((e) => ({ ...e, id: lost.find((l) => l.address === e.address)?.id ?? e.id }))
  const replaced = new Set(lost.map((e) => e.id))
  return {
    ...mix,
    envelopes: [...kept, ...restored],
    placements: mix.placements.filter((p) => !replaced.has(p.envelope)),
  }
}
