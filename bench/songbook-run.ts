import { readMidi } from '@rudlo/core/midi'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { INSTRUMENTS, playWritten, writtenFromMidi } from '@rudlo/core/players'
import { pack, type RawEvent } from '../packages/core/src/midi/raw-file'

const NOTES = 10_000

function file(program: number): Uint8Array {
  const event = (deltaTime: number, i: number, velocity: number): RawEvent => ({
    deltaTime,
    type: 'noteOn',
    channel: 0,
    noteNumber: 48 + ((i * 7) % 36),
    velocity,
  })
  const notes = Array.from({ length: NOTES }, (_, i) => [event(0, i, 90), event(60, i, 0)]).flat()
  const start: RawEvent = { deltaTime: 0, type: 'programChange', channel: 0, programNumber: program }
  const end: RawEvent = { deltaTime: 0, type: 'endOfTrack', meta: true }
  return pack({ header: { format: 1, numTracks: 1, ticksPerBeat: 480 }, tracks: [[start, ...notes, end]] })
}

const best = (rounds: number, run: () => unknown): number => {
  let least = Infinity
  for (let i = 0; i < rounds; i++) {
    const start = performance.now()
    run()
    least = Math.min(least, performance.now() - start)
  }
  return least
}

/** Milliseconds that reading ten thousand notes takes. */
export function reading(): number {
  const bytes = file(0)
  return best(5, () => readMidi(bytes))
}

/** How many times faster than real time they are played, by the family that takes longest. */
export function playing(): number {
  return Math.min(
    ...[0, 20, 33, 48, 73, 90].map((program) => {
      const song = readMidi(file(program))
      const meter = new MeterMap(song.meter)
      const length = meter.barStart(meter.placeAt(song.length - 1).bar + 2)
      const seconds = new TempoMap(song.tempo).secondsAt(length)
      const part = writtenFromMidi(song.parts[0]!)
      const ms = best(1, () => playWritten(part, INSTRUMENTS[part.player], song.tempo, length))
      return seconds / (ms / 1000)
    }),
  )
}
