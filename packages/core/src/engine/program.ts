import type { EffectKind } from '../effects'
import { compileLine, type CompiledLine } from '../envelope'
import { lineInCharge, resolve, trackLevel, type Address, type Effect, type Mix, type Send } from '../mix'
import { beatsOf, type Beats } from './beats'
import type { SongVersion } from '../song'
import { TempoMap, SAMPLE_RATE, type TempoChange } from '../time'
import { levelGain } from '../scale'

/**
 * A control as the engine needs it: its own setting, and the line in charge of it, if any. `Line` is what stands for a
 * line: the line itself, or its number where a program is on its way to another thread.
 */
export interface ControlProgram<Line = CompiledLine> {
  readonly setting: number
  readonly line: Line | null
}

export interface RegionProgram {
  readonly asset: string
  /** All in samples. */
  readonly start: number
  readonly offset: number
  readonly length: number
  readonly fadeIn: number
  readonly fadeOut: number
  /** Amplitude. */
  readonly gain: number
}

export interface EffectProgram<Line = CompiledLine> {
  readonly id: string
  readonly kind: EffectKind
  readonly mode: string
  readonly bypass: ControlProgram<Line>
  readonly wet: ControlProgram<Line>
  readonly params: Readonly<Record<string, ControlProgram<Line>>>
}

export interface SendProgram<Line = CompiledLine> {
  readonly id: string
  /** Index of the return. */
  readonly to: number
  readonly tap: 'pre' | 'post'
  readonly level: ControlProgram<Line>
  readonly on: ControlProgram<Line>
}

export interface ReturnProgram<Line = CompiledLine> {
  readonly id: string
  readonly effects: readonly EffectProgram<Line>[]
  readonly mute: ControlProgram<Line>
  readonly level: ControlProgram<Line>
  readonly pan: ControlProgram<Line>
  readonly sends: readonly SendProgram<Line>[]
}

export interface TrackProgram<Line = CompiledLine> {
  readonly id: string
  readonly channels: 1 | 2
  readonly regions: readonly RegionProgram[]
  readonly gain: ControlProgram<Line>
  readonly mute: ControlProgram<Line>
  readonly level: ControlProgram<Line>
  readonly pan: ControlProgram<Line>
  readonly width: ControlProgram<Line>
  readonly effects: readonly EffectProgram<Line>[]
  readonly sends: readonly SendProgram<Line>[]
}

/** Everything the engine plays, as plain data: it can be posted to the audio thread. */
export interface Program<Line = CompiledLine> {
  readonly tempo: readonly TempoChange[]
  /** For the metronome and the count-in. */
  readonly beats: Beats
  /** Length of the song in samples. */
  readonly length: number
  readonly tracks: readonly TrackProgram<Line>[]
  /** A return feeds later ones only. */
  readonly returns: readonly ReturnProgram<Line>[]
  readonly main: ControlProgram<Line>
}

/** Turns a mix of a song into what the engine plays. */
export function compileMix(song: SongVersion, mix: Mix): Program {
  const tempo = new TempoMap(song.tempo)
  const sampleAt = (tick: number) => Math.round(tempo.secondsAt(tick) * SAMPLE_RATE)
  const control = (address: Address): ControlProgram => compileControl(mix, address)
  const order = new Map(mix.returns.map((r, i) => [r.id, i]))
  const effect = ({ id, kind, mode, params }: Effect): EffectProgram => ({
    id,
    kind,
    mode,
    bypass: control(`effect/${id}/bypass`),
    wet: control(`effect/${id}/wet`),
    params: Object.fromEntries(Object.keys(params).map((word) => [word, control(`effect/${id}/${word}`)])),
  })
  const send = ({ id, to, tap }: Send): SendProgram => ({
    id,
    to: order.get(to) ?? -1,
    tap,
    level: control(`send/${id}/level`),
    on: control(`send/${id}/on`),
  })
  const channels = new Map(song.tracks.map((t) => [t.id, t.channels]))
  return {
    tempo: song.tempo,
    beats: beatsFor(song),
    length: sampleAt(song.length),
    tracks: mix.tracks.map(({ id, regions, effects, sends }) => ({
      id,
      channels: channels.get(id) ?? 1,
      regions: regions
        .map((r) => ({
          asset: r.asset,
          start: sampleAt(r.start),
          offset: r.offset,
          length: r.length,
          fadeIn: r.fadeIn,
          fadeOut: r.fadeOut,
          gain: levelGain(r.level),
        }))
        .sort((a, b) => a.start - b.start),
      gain: control(`track/${id}/gain`),
      mute: control(`track/${id}/mute`),
      level: control(trackLevel(id)),
      pan: control(`track/${id}/pan`),
      width: control(`track/${id}/width`),
      effects: effects.map(effect),
      sends: sends.map(send),
    })),
    returns: mix.returns.map(({ id, effects, sends }) => ({
      id,
      effects: effects.map(effect),
      mute: control(`return/${id}/mute`),
      level: control(`return/${id}/level`),
      pan: control(`return/${id}/pan`),
      sends: sends.map(send),
    })),
    main: control('main/level'),
  }
}

const known = new WeakMap<SongVersion, Beats>()

/** The beats of a song, found once: a mix is compiled at every move of the hand. */
function beatsFor(song: SongVersion): Beats {
  const beats = known.get(song) ?? beatsOf(song)
  known.set(song, beats)
  return beats
}

/** One control of a mix for the engine. @throws RangeError for an address that the mix does not have */
export function compileControl(mix: Mix, address: Address): ControlProgram {
  const found = resolve(mix, address)
  if (!found) throw new RangeError(`No control at "${address}".`)
  const envelope = lineInCharge(mix, address)
  return {
    setting: found.setting,
    line: envelope ? compileLine(envelope.points, found.control.scale) : null,
  }
}
