import { decibels, gainDecibels, MIXER_CONTROLS, numberText, type Unit } from '../scale'
import { resolve, type Mix } from '../mix'
import type { Move } from '../moves'
import { songTime, type SongTime, type SongVersion } from '../song'
import type { Measurement } from './measurement'
import { barsText, levelText } from './words'

/** Name of a lane for people: "Squeezebox" for a volume, "Squeezebox, pan" for the rest. */
export function laneName(song: SongVersion, mix: Mix, address: string): string {
  const found = resolve(mix, address)
  const owner =
    song.tracks.find((t) => t.id === found?.owner)?.name ??
    mix.returns.find((r) => r.id === found?.owner)?.name ??
    'Main output'
  if (!found || found.control === MIXER_CONTROLS.level) return owner
  return `${owner}, ${laneControlName(mix, address)}`
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
    return word === 'on' ? `send to ${to} on` : `send to ${to}`
  }
  if (kind === 'effect') {
    const effect = owners.flatMap((o) => o.effects).find((e) => e.id === id)
    return `${plain} of ${effect?.name || (effect?.kind ?? '')}`
  }
  return plain
}

const lower = (text: string) => text[0]!.toLowerCase() + text.slice(1)

/**
 * One sentence about a move, with its place and figures.
 * @param unit of the control that it moves
 */
export function moveSentence(move: Move, name: string, time: SongTime, unit: Unit = decibels): string {
  const bar = (tick: number) => time.meter.placeAt(tick).bar
  const lasts = barsText(move.bars)
  const text = (value: number) => (unit === decibels ? levelText(value) : unit.format(value))
  const leaning = {
    even: 'evenly',
    early: 'mostly at its start',
    late: 'mostly at its end',
    sudden: 'all at once',
  }
  switch (move.kind) {
    case 'fade in': {
      const start = move.silent ? 'from silence' : `from ${text(move.from)}, not quite silent,`
      return `${name} fades in ${start} over ${lasts} from bar ${bar(move.start)}, ${leaning[move.form]}.`
    }
    case 'fade out': {
      const end = move.silent ? 'to silence' : `but only to ${text(move.goal)}, not to silence`
      return `${name} fades out over ${lasts} from bar ${bar(move.start)}, ${leaning[move.form]}, ${end}.`
    }
    case 'throw':
      return `${name} is thrown open to ${text(move.goal)} at ${placeText(time, move.start)} and is back ${lasts} later.`
    case 'sweep':
      return `${name} sweeps from ${text(move.from)} to ${text(move.goal)} over ${lasts} from bar ${bar(move.start)}, ${leaning[move.form]}.`
    case 'build':
      return `${name} builds from ${text(move.from)} to ${text(move.goal)} over ${lasts} and is there at ${placeText(time, move.end)}, ${leaning[move.form]}.`
    case 'drop':
      return `${name} drops from ${text(move.from)} to ${text(move.to)} at ${placeText(time, move.start)}.`
    case 'dip':
    case 'lift': {
      const way = move.kind === 'dip' ? 'down' : 'up'
      const size =
        unit === decibels || unit === gainDecibels
          ? `${way} ${numberText(Math.abs(move.depth), 1)} dB`
          : `${way} from ${text(move.from)} to ${text(move.goal)}`
      return `${name} goes ${size}: there by ${placeText(time, move.arrival)}, starting back at ${placeText(time, move.leaves)}.`
    }
    case 'jump up':
    case 'jump down':
      return `${name} jumps from ${text(move.from)} to ${text(move.to)} at ${placeText(time, move.start)}.`
    default: {
      const way = move.kind === 'rise' ? 'rises' : 'falls'
      return `${name} ${way} from ${text(move.from)} to ${text(move.to)} over ${lasts} from bar ${bar(move.start)} and stays there.`
    }
  }
}

/** "bar 5", "bar 5, beat 3". */
export function placeText(time: SongTime, tick: number): string {
  const { bar, beat } = time.meter.placeAt(tick)
  return beat === 1 ? `bar ${bar}` : `bar ${bar}, beat ${beat}`
}

/** What was measured, one sentence a fact: the moves in order, then how loud it all is. */
export function describeMeasurement(song: SongVersion, mix: Mix, measured: Measurement): string[] {
  const time = songTime(song)
  const moves = [...measured.moves].sort((a, b) => a.start - b.start)
  const sentences = moves.map((m) =>
    moveSentence(m, laneName(song, mix, m.lane), time, resolve(mix, m.lane)?.control.unit),
  )
  if (!moves.length) sentences.push('No line moves yet: every control stays where it is set.')
  sentences.push(loudnessSentence(measured), peakSentence(measured))
  return sentences
}

function loudnessSentence({ integrated }: Measurement): string {
  if (integrated === null) return 'Nothing can be heard: the whole song is silent.'
  return `The whole song measures ${numberText(integrated, 1)} LUFS, its loudness as one number.`
}

function peakSentence({ truePeak }: Measurement): string {
  if (truePeak === null) return 'There is no peak to measure.'
  const peak = `${numberText(truePeak, 1)} dBTP`
  if (truePeak > 0) return `Its loudest peak is ${peak}: over full scale, so it will distort there.`
  if (truePeak > -1) return `Its loudest peak is ${peak}, with hardly any room left.`
  return `Its loudest peak is ${peak}, with room to spare.`
}
