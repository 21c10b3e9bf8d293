import { controlsOf } from '../effects'
import { COMMON_EFFECT_CONTROLS, MIXER_CONTROLS, SEND_CONTROLS, SONG_CONTROLS, type Control } from '../scale'
import type { Mix } from './mix'

/**
 * Addresses of controls, as stored in envelopes:
 * `track/ID/level|gain|pan|width|mute`, `return/ID/level|pan|mute`, `send/ID/level|on`,
 * `effect/ID/wet|bypass|PARAMETER`, `main/level`, `song/tempo`.
 */
export type Address = string

/** A control of a mix, found by its address. */
export interface Addressed {
  readonly control: Control
  /** The setting of the control itself, where no line is in charge. */
  readonly setting: number
  /** The track or return it belongs to; null for the main output and the song. */
  readonly owner: string | null
}

/** Address of the fader of the main output. */
export const MAIN_LEVEL: Address = 'main/level'

/** Address of the song's tempo. Only a mix that has a line for it has this control: else the song's own tempo holds. */
export const TEMPO: Address = 'song/tempo'

/** Address of a track's fader: the lane most lessons begin with. */
export function trackLevel(track: string): Address {
  return `track/${track}/level`
}

type MixerControl = keyof typeof MIXER_CONTROLS

const TRACK_WORDS: readonly string[] = ['level', 'gain', 'pan', 'width', 'mute']
const RETURN_WORDS: readonly string[] = ['level', 'pan', 'mute']

/** Finds the control that an address names, or null where the mix has none such. */
export function resolve(mix: Mix, address: Address): Addressed | null {
  const [kind, id, word, ...rest] = address.split('/')
  if (address === MAIN_LEVEL) return { control: MIXER_CONTROLS.level, setting: mix.main.level, owner: null }
  if (address === TEMPO) {
    const line = mix.envelopes.find((e) => e.address === TEMPO)
    return line
      ? {
          control: SONG_CONTROLS.tempo,
          setting: line.points[0]?.value ?? SONG_CONTROLS.tempo.initial,
          owner: null,
        }
      : null
  }
  if (!kind || !id || !word || rest.length) return null
  if (kind === 'track' || kind === 'return') return strip(mix, kind, id, word)
  for (const owner of [...mix.tracks, ...mix.returns]) {
    if (kind === 'send') {
      const send = owner.sends.find((s) => s.id === id)
      if (send && word in SEND_CONTROLS) {
        const control = SEND_CONTROLS[word as keyof typeof SEND_CONTROLS]
        return { control, setting: Number(send[word as 'level' | 'on']), owner: owner.id }
      }
    }
    if (kind === 'effect') {
      const effect = owner.effects.find((e) => e.id === id)
      if (!effect) continue
      if (word in COMMON_EFFECT_CONTROLS) {
        const common = word as keyof typeof COMMON_EFFECT_CONTROLS
        return { control: COMMON_EFFECT_CONTROLS[common], setting: Number(effect[common]), owner: owner.id }
      }
      const control = controlsOf(effect.kind)[word]
      return control ? { control, setting: effect.params[word] ?? control.initial, owner: owner.id } : null
    }
  }
  return null
}

function strip(mix: Mix, kind: 'track' | 'return', id: string, word: string): Addressed | null {
  const owner = kind === 'track' ? mix.tracks.find((t) => t.id === id) : mix.returns.find((r) => r.id === id)
  const words = kind === 'track' ? TRACK_WORDS : RETURN_WORDS
  if (!owner || !words.includes(word)) return null
  const setting = Number(Reflect.get(owner, word))
  return { control: MIXER_CONTROLS[word as MixerControl], setting, owner: owner.id }
}
