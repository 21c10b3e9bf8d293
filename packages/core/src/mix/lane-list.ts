import { controlsOf } from '../effects'
import { COMMON_EFFECT_CONTROLS, SEND_CONTROLS } from '../scale'
import { MAIN_LEVEL, resolve, TEMPO, type Address } from './address'
import type { Mix, ReturnMix, TrackMix } from './mix'

const TRACK_WORDS = ['level', 'pan', 'gain', 'width', 'mute'] as const
const RETURN_WORDS = ['level', 'pan', 'mute'] as const

/**
 * Every control of a track or return that can have a line, the common ones first: volume and pan, sends, the rest, then
 * effects in their order.
 */
export function lanesOf(mix: Mix, owner: string): Address[] {
  const track = mix.tracks.find((t) => t.id === owner)
  const back = mix.returns.find((r) => r.id === owner)
  const of = track ?? back
  if (!of) return []
  const kind = track ? 'track' : 'return'
  const [level, pan, ...rest] = (track ? TRACK_WORDS : RETURN_WORDS).map((w) => `${kind}/${owner}/${w}`)
  return [level!, pan!, ...sendLanes(of), ...rest, ...effectLanes(of)]
}

/** Every control of a mix that can have a line, by owner in the order of the mix; the main output and the song last. */
export function allLanes(mix: Mix): Address[] {
  return [...mix.tracks.map((t) => t.id), ...mix.returns.map((r) => r.id)]
    .flatMap((owner) => lanesOf(mix, owner))
    .concat(MAIN_LEVEL, resolve(mix, TEMPO) ? [TEMPO] : [])
}

const sendLanes = ({ sends }: TrackMix | ReturnMix): Address[] =>
  sends.flatMap(({ id }) => Object.keys(SEND_CONTROLS).map((word) => `send/${id}/${word}`))

const effectLanes = ({ effects }: TrackMix | ReturnMix): Address[] =>
  effects.flatMap(({ id, kind }) =>
    [...Object.keys(controlsOf(kind)), ...Object.keys(COMMON_EFFECT_CONTROLS)].map(
      (word) => `effect/${id}/${word}`,
    ),
  )
