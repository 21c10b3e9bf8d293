import { dbOfGain } from '../maths'
import { resolve, type Address, type Mix, type Send } from '../mix'
import { songTime, type SongVersion } from '../song'
import { controlStage, sumOf, type Stage } from './sum'
import { besideLevel, touched, type Effective } from './level'

/** Where an echo comes from and goes: a send, the effects of the return that ring, and the return itself. */
export interface EchoPath {
  readonly send: Send
  /** Addresses: level and switch of the send, wets of the return's effects, level and mute of the return. */
  readonly stages: readonly Address[]
}

/** The path that a send, a wet or a return belongs to; null where there is none. @param track whose send, where several are meant */
export function echoPath(mix: Mix, lane: Address, track?: string): EchoPath | null {
  const [kind, id] = lane.split('/')
  const sends = [...mix.tracks, ...mix.returns]
    .filter((o) => !track || o.id === track)
    .flatMap((o) => o.sends)
  const owner = kind === 'effect' ? resolve(mix, lane)?.owner : kind === 'return' ? id : null
  const send = kind === 'send' ? sends.find((s) => s.id === id) : sends.find((s) => s.to === owner)
  const back = send && mix.returns.find((r) => r.id === send.to)
  if (!back) return null
  return {
    send,
    stages: [
      `send/${send.id}/level`,
      `send/${send.id}/on`,
      ...back.effects.filter((e) => ['delay', 'reverb'].includes(e.kind)).map((e) => `effect/${e.id}/wet`),
      `return/${back.id}/level`,
      `return/${back.id}/mute`,
    ],
  }
}

/** How much of an echo is fed and let through, in dB: send × wet × return. As if the send did it all. */
export function effectiveEcho(
  song: SongVersion,
  start: Mix,
  mix: Mix,
  { send, stages }: EchoPath,
): Effective {
  const own = `send/${send.id}/level`
  return {
    points: sumOf(
      stages.map((a) => stageOf(mix, a)),
      songTime(song).length,
    ),
    by: stages.filter((a) => a !== own && touched(start, mix, a)),
    regions: false,
  }
}

function stageOf(mix: Mix, address: Address): Stage {
  const word = address.split('/')[2]
  const off = (is: boolean) => (is ? 0 : -Infinity)
  if (word === 'on') return { ...controlStage(mix, address, (v) => off(v >= 0.5)), curved: false }
  if (word === 'mute') return { ...controlStage(mix, address, (v) => off(v < 0.5)), curved: false }
  if (word === 'wet') return controlStage(mix, address, (v) => (v > 0 ? dbOfGain(v) : -Infinity))
  return controlStage(mix, address)
}

/** All lanes that can do what one is asked to do: gain, mute and main output for a volume, the whole path for an echo. */
export function waysTo(mix: Mix, lane: Address): Address[] {
  const [kind, id, word] = lane.split('/')
  if (kind === 'track' && word === 'level') return [lane, ...besideLevel(id!)]
  return [lane, ...(echoPath(mix, lane)?.stages ?? [])]
}
