import { words } from '@rudlo/words'
import { decibels, gainDecibels, MIXER_CONTROLS, onOff } from '../scale'
import { resolve, TEMPO, type Mix } from '../mix'
import type { Move } from '../moves'
import { amount, at, laneOf, say, valued, word, type Saying } from '../saying'
import type { SongTime, SongVersion } from '../song'
import type { Measurement } from './measurement'

/** Name of a lane for people: "Squeezebox" for a volume, "Squeezebox, pan" for the rest. */
export function laneName(song: SongVersion, mix: Mix, address: string): string {
  if (address === TEMPO) return words('lane.tempo')
  const found = resolve(mix, address)
  const owner =
    song.tracks.find((t) => t.id === found?.owner)?.name ??
    mix.returns.find((r) => r.id === found?.owner)?.name ??
    words('lane.main-output')
  if (!found || found.control === MIXER_CONTROLS.level) return owner
  return words('lane.named', { owner, control: laneControlName(mix, address) })
}

/** What a lane moves, in words: "volume", "send to Echo", "frequency of Filter". */
export function laneControlName(mix: Mix, address: string): string {
  const name = resolve(mix, address)?.control.name ?? ''
  const plain = name[0] === name[0]?.toUpperCase() && name[1] !== name[1]?.toUpperCase() ? lower(name) : name
  const [kind, id, word] = address.split('/')
  const owners = [...mix.tracks, ...mix.returns]
  if (kind === 'send') {
    const send = owners.flatMap((o) => o.sends).find((s) => s.id === id)
    const to = mix.returns.find((r) => r.id === send?.to)?.name ?? ''
    return words(word === 'on' ? 'control.send-on-to' : 'control.send-to', { to })
  }
  if (kind === 'effect') {
    const effect = owners.flatMap((o) => o.effects).find((e) => e.id === id)
    return words('control.of-effect', { control: plain, effect: effect?.name || (effect?.kind ?? '') })
  }
  return plain
}

const lower = (text: string) => text[0]!.toLowerCase() + text.slice(1)

/** A detail of a move is worth saying from here on: past its goal by so many dB, or a rest of so many seconds. */
const OVERSHOOT_DB = 1
const REST_SECONDS = 0.8

/** What a kind of move is called: "fade in". */
export const moveName = (kind: Move['kind']): string => words(`move-name.${kind.replaceAll(' ', '-')}`)

/** What a move is, and what is worth saying inside it: steps, a rest on the way, how far it goes too far. */
export function sayMove(mix: Mix, move: Move): Saying[] {
  const { lane, kind } = move
  const unit = resolve(mix, lane)?.control.unit ?? decibels
  const inDecibels = unit === decibels || unit === gainDecibels
  const parts = {
    name: laneOf(lane),
    at: at(move.start),
    end: at(move.end),
    arrival: at(move.arrival),
    leaves: at(move.leaves),
    bars: amount(move.bars, 'bars'),
    from: valued(lane, move.from),
    goal: valued(lane, move.goal),
    to: valued(lane, move.to),
    depth: amount(Math.abs(move.depth), 'dB'),
    how: word(`form.${move.form}`),
  }
  const said = [say(keyOfMove(move, unit === onOff, inDecibels), parts)]
  const { name } = parts
  if (move.steps > 1 && kind !== 'rhythm')
    said.push(say('move.in-steps', { name, steps: amount(move.steps, 'points', 0) }))
  if (move.rest >= REST_SECONDS) said.push(say('move.rests', { name, seconds: amount(move.rest, 'seconds') }))
  if (inDecibels && move.overshoot >= OVERSHOOT_DB)
    said.push(say('move.overshoots', { name, by: amount(move.overshoot, 'dB') }))
  return said
}

function keyOfMove(
  { kind, silent, depth, leaves, arrival }: Move,
  isSwitch: boolean,
  inDecibels: boolean,
): string {
  const key = kind.replace(' ', '-')
  if (isSwitch && kind !== 'rhythm')
    return `move.switch-${depth > 0 ? 'on' : 'off'}${leaves > arrival ? '-back' : ''}`
  if ((kind === 'fade in' || kind === 'fade out') && !silent) return `move.${key}-soft`
  if ((kind === 'dip' || kind === 'lift') && !inDecibels) return `move.${key}-values`
  return `move.${key}`
}

/** "bar 5", "bar 5, beat 3". */
export function placeText(time: SongTime, tick: number): string {
  const { bar, beat } = time.meter.placeAt(tick)
  return beat === 1 ? words('place.bar', { bar }) : words('place.beat', { bar, beat })
}

/** What was measured, fact by fact: the moves in order, then how loud it all is. */
export function sayMeasurement(mix: Mix, { moves, integrated, truePeak }: Measurement): Saying[] {
  const inOrder = [...moves].sort((a, b) => a.start - b.start)
  return [
    ...(moves.length ? inOrder.flatMap((m) => sayMove(mix, m)) : [say('measured.no-moves')]),
    integrated === null
      ? say('measured.silent')
      : say('measured.loudness', { lufs: amount(integrated, 'LUFS') }),
    ...(truePeak === null
      ? []
      : [
          say(`measured.peak-${truePeak > 0 ? 'over' : truePeak > -1 ? 'high' : 'room'}`, {
            peak: amount(truePeak, 'dBTP'),
          }),
        ]),
  ]
}
