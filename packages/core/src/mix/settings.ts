import { clamp } from '../scale'
import { resolve, type Address } from './address'
import type { Effect, Mix, ReturnMix, Send, TrackMix } from './mix'

type Owner = TrackMix | ReturnMix

/**
 * Sets a control's own setting. Everything else is shared with the mix before; the same mix where nothing changes.
 * @param value in the control's unit; clamped to its range
 * @throws RangeError for an address that the mix does not have
 */
export function withSetting(mix: Mix, address: Address, value: number): Mix {
  const found = resolve(mix, address)
  if (!found) throw new RangeError(`No control at "${address}".`)
  const { scale } = found.control
  const kept = clamp(value, scale.min, scale.max)
  if (kept === found.setting) return mix
  const stored = scale.kind === 'switch' ? kept >= 0.5 : kept
  const [kind, id, word] = address.split('/') as [string, string, string | undefined]
  switch (kind) {
    case 'main':
      return { ...mix, main: { level: kept } }
    case 'send':
      return withSends(mix, (sends) => sends.map((s): Send => (s.id === id ? { ...s, [word!]: stored } : s)))
    case 'effect':
      return withEffects(mix, (effects) => effects.map((e) => (e.id === id ? set(e, word!, stored) : e)))
    default:
      return {
        ...mix,
        tracks: mix.tracks.map((t) => (kind === 'track' && t.id === id ? { ...t, [word!]: stored } : t)),
        returns: mix.returns.map((r) => (kind === 'return' && r.id === id ? { ...r, [word!]: stored } : r)),
      }
  }
}

function set(effect: Effect, word: string, value: number | boolean): Effect {
  if (word === 'wet' || word === 'bypass') return { ...effect, [word]: value }
  return { ...effect, params: { ...effect.params, [word]: Number(value) } }
}

/** Changes the sends of every track and return; owners whose sends stay the same are shared. */
export function withSends(mix: Mix, change: (sends: readonly Send[], owner: Owner) => readonly Send[]): Mix {
  return withOwners(mix, (owner) => {
    const sends = change(owner.sends, owner)
    return same(sends, owner.sends) ? owner : { ...owner, sends }
  })
}

/** Changes the effects of every track and return; owners whose effects stay the same are shared. */
export function withEffects(
  mix: Mix,
  change: (effects: readonly Effect[], owner: Owner) => readonly Effect[],
): Mix {
  return withOwners(mix, (owner) => {
    const effects = change(owner.effects, owner)
    return same(effects, owner.effects) ? owner : { ...owner, effects }
  })
}

function withOwners(mix: Mix, change: <T extends Owner>(owner: T) => T): Mix {
  return { ...mix, tracks: mix.tracks.map(change), returns: mix.returns.map(change) }
}

function same(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((v, i) => v === b[i])
}
