import { words } from '@rudlo/words'
import { type EffectKind, controlsOf, modesOf } from '../effects'
import { EditRefused } from '../envelope'
import { resolve } from './address'
import type { Effect, Mix, Send } from './mix'
import { withEffects, withSends } from './settings'

/** Most effects in a chain, sends of a track, and returns of a mix: as the schema has them. */
const MOST = 16

/** A fresh effect with every parameter at its default. */
export function freshEffect(kind: EffectKind, id: string, wet = 1): Effect {
  const params = Object.entries(controlsOf(kind)).map(([word, control]) => [word, control.initial] as const)
  return {
    id,
    kind,
    name: '',
    bypass: false,
    wet,
    mode: modesOf(kind)[0],
    params: Object.fromEntries(params),
  }
}

/** How much of an effect is heard on a track at first: as much as a beginner can bear. On a return it is heard alone. */
const FIRST_WET: Readonly<Partial<Record<EffectKind, number>>> = {
  reverb: 0.25,
  delay: 0.3,
  flanger: 0.4,
  chopper: 0.6,
}

/** Puts a fresh effect at the end of a chain. @throws EditRefused where there is no room */
export function addEffect(mix: Mix, owner: string, kind: EffectKind, id: string): Mix {
  return withEffects(mix, (effects, of) => {
    if (of.id !== owner) return effects
    if (effects.length >= MOST) throw new EditRefused(words('refused.effects', { most: MOST }))
    const isTrack = mix.tracks.some((track) => track.id === owner)
    return [...effects, freshEffect(kind, id, isTrack ? FIRST_WET[kind] : undefined)]
  })
}

/** Takes an effect out, and the lines of its controls with it. */
export function removeEffect(mix: Mix, id: string): Mix {
  return withoutLostLines(withEffects(mix, (effects) => effects.filter((e) => e.id !== id)))
}

/** Moves an effect to place `to` (from 0) of its chain. */
export function moveEffect(mix: Mix, id: string, to: number): Mix {
  return withEffects(mix, (effects) => {
    const moved = effects.find((e) => e.id === id)
    if (!moved) return effects
    const others = effects.filter((e) => e !== moved)
    return [...others.slice(0, to), moved, ...others.slice(to)]
  })
}

/** Gives an effect a name of its own, or another mode. */
export function changeEffect(mix: Mix, id: string, change: Partial<Pick<Effect, 'name' | 'mode'>>): Mix {
  return withEffects(mix, (effects) => effects.map((e) => (e.id === id ? { ...e, ...change } : e)))
}

/** Adds a return with one effect on it, fully wet, after the others. @throws EditRefused where there is no room */
export function addReturn(
  mix: Mix,
  name: string,
  kind: EffectKind,
  ids: { back: string; effect: string },
): Mix {
  if (mix.returns.length >= MOST) throw new EditRefused(words('refused.returns', { most: MOST }))
  const effects = [freshEffect(kind, ids.effect)]
  return {
    ...mix,
    returns: [...mix.returns, { id: ids.back, name, effects, mute: false, level: 0, pan: 0, sends: [] }],
  }
}

/** Takes a return out, with every send to it and every line of either. */
export function removeReturn(mix: Mix, id: string): Mix {
  const without = { ...mix, returns: mix.returns.filter((r) => r.id !== id) }
  return withoutLostLines(withSends(without, (sends) => sends.filter((s) => s.to !== id)))
}

/**
 * Sends a track or return to a return, after the fader and silent at first.
 * @throws EditRefused where it would lead back in a circle, or is there already
 */
export function addSend(mix: Mix, owner: string, to: string, id: string): Mix {
  const target = mix.returns.findIndex((r) => r.id === to)
  const from = mix.returns.findIndex((r) => r.id === owner)
  if (from >= target && from >= 0) {
    throw new EditRefused(words('refused.return-feed-later'))
  }
  return withSends(mix, (sends, of) => {
    if (of.id !== owner) return sends
    if (sends.some((s) => s.to === to)) throw new EditRefused(words('refused.send-return'))
    return [...sends, { id, to, level: -90, tap: 'post' as const, on: true }]
  })
}

/** Takes a send out, and its lines with it. */
export function removeSend(mix: Mix, id: string): Mix {
  return withoutLostLines(withSends(mix, (sends) => sends.filter((s) => s.id !== id)))
}

/** Says whether a send takes the sound before or after the fader. */
export function tapSend(mix: Mix, id: string, tap: Send['tap']): Mix {
  return withSends(mix, (sends) => sends.map((s) => (s.id === id && s.tap !== tap ? { ...s, tap } : s)))
}

/** Lines of controls that are gone go too, with what was placed on them. */
function withoutLostLines(mix: Mix): Mix {
  const envelopes = mix.envelopes.filter((e) => resolve(mix, e.address))
  if (envelopes.length === mix.envelopes.length) return mix
  const kept = new Set(envelopes.map((e) => e.id))
  return { ...mix, envelopes, placements: mix.placements.filter((p) => kept.has(p.envelope)) }
}
