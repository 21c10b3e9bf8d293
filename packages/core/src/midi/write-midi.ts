import { LineCursor, compileLine } from '../envelope'
import { laneName } from '../assess'
import { lineInCharge, resolve, type Mix } from '../mix'
import { songTime, type SongVersion } from '../song'
import { TICKS_PER_QUARTER } from '../time'
import { centredShare, DEPTHS, levelShare } from './controllers'
import { pack, type RawEvent } from './raw-file'

/** Ticks between two looks at a line: a sixty-fourth of a quarter is finer than any ear. */
const STEP = 60

interface Placed {
  readonly tick: number
  readonly event: Omit<RawEvent, 'deltaTime'>
}

/**
 * Writes the lines of a mix as a Standard MIDI File of format 1: tempo, time signatures and sections (as markers) on the
 * first track, then a track for each track of the song with volume (controller 7, and 39 for its finer half), pan (10 and
 * 42), its sends (91 to 95, by the order of the returns) and how it is played (73 and 74). Other lines have no controller of
 * their own and are left out.
 * @param fine whether controllers of 14 bit are written
 */
export function writeMidi(song: SongVersion, mix: Mix, fine: boolean): Uint8Array {
  const conductor: Placed[] = [
    { tick: 0, event: { type: 'trackName', meta: true, text: ascii(song.title) } },
    ...tempoEvents(song),
    ...song.meter.map(({ tick, beats, unit }) => ({
      tick,
      event: {
        type: 'timeSignature',
        meta: true,
        numerator: beats,
        denominator: unit,
        metronome: 24,
        thirtyseconds: 8,
      },
    })),
    ...song.sections.map(({ tick, letter, name }) => ({
      tick,
      event: { type: 'marker', meta: true, text: ascii(`${letter} ${name}`.trim()) },
    })),
  ]
  const tracks = song.tracks.map(({ id }, i) => {
    const channel = i % 16
    const named = { type: 'trackName', meta: true, text: ascii(laneName(song, mix, `track/${id}/level`)) }
    return [
      { tick: 0, event: named },
      ...controller(song, mix, `track/${id}/level`, channel, 7, fine, levelShare),
      ...controller(song, mix, `track/${id}/pan`, channel, 10, fine, centredShare),
      ...coarseOf(mix, id).flatMap(([address, number, share]) =>
        controller(song, mix, address, channel, number, false, share),
      ),
    ]
  })
  return pack({
    header: { format: 1, numTracks: tracks.length + 1, ticksPerBeat: TICKS_PER_QUARTER },
    tracks: [conductor, ...tracks].map((t) => sequence(t, song.length)),
  })
}

/** Lines of a mix that a MIDI file cannot carry, by name. */
export function leftOutOfMidi(song: SongVersion, mix: Mix): string[] {
  const carried = new Set(
    mix.tracks.flatMap(({ id }) => [
      `track/${id}/level`,
      `track/${id}/pan`,
      ...coarseOf(mix, id).map(([address]) => address),
    ]),
  )
  return mix.envelopes
    .filter((e) => e.on && e.points.length && !carried.has(e.address))
    .map((e) => laneName(song, mix, e.address))
}

/** The controls of a track that have a controller without a finer half, with its number and what share of it a value is. */
function coarseOf(mix: Mix, id: string): (readonly [string, number, (value: number) => number])[] {
  const { sends, effects } = mix.tracks.find((t) => t.id === id) ?? { sends: [], effects: [] }
  const playing = effects.find((e) => e.kind === 'playing')
  return [
    ...sends.flatMap((send) => {
      const number = DEPTHS[mix.returns.findIndex((r) => r.id === send.to)]
      return number ? [[`send/${send.id}/level`, number, levelShare] as const] : []
    }),
    ...(playing
      ? [
          [`effect/${playing.id}/attack`, 73, (v: number) => centredShare(-v)] as const,
          [`effect/${playing.id}/brightness`, 74, centredShare] as const,
        ]
      : []),
  ]
}

function controller(
  song: SongVersion,
  mix: Mix,
  address: string,
  channel: number,
  number: number,
  fine: boolean,
  share: (value: number) => number,
): Placed[] {
  const found = resolve(mix, address)
  if (!found) return []
  const points = lineInCharge(mix, address)?.points ?? []
  const cursor = points.length ? new LineCursor(compileLine(points, found.control.scale)) : null
  const at = (tick: number) => (cursor ? found.control.scale.toValue(cursor.travelAt(tick)) : found.setting)
  const most = fine ? 16_383 : 127
  const events: Placed[] = []
  let last = -1
  const say = (tick: number) => {
    const value = Math.round(Math.min(1, Math.max(0, share(at(tick)))) * most)
    if (value === last) return
    last = value
    const event = (controllerType: number, v: number) => ({
      type: 'controller',
      channel,
      controllerType,
      value: v,
    })
    events.push({ tick, event: event(number, fine ? value >> 7 : value) })
    if (fine) events.push({ tick, event: event(number + 32, value & 127) })
  }
  say(0)
  const corners = points.map((p) => p.tick)
  const end = Math.min(song.length, corners.at(-1) ?? 0)
  const grid = Array.from({ length: Math.floor(end / STEP) }, (_, i) => (i + 1) * STEP)
  for (const tick of [...new Set([...grid, ...corners])].sort((a, b) => a - b)) if (tick > 0) say(tick)
  return events
}

/** Tempo changes; a ramp becomes a step at each quarter of a beat, since MIDI files know steps alone. */
function tempoEvents(song: SongVersion): Placed[] {
  const set = (tick: number, bpm: number) => ({
    tick: Math.round(tick),
    event: { type: 'setTempo', meta: true, microsecondsPerBeat: Math.round(60_000_000 / bpm) },
  })
  const { tempo } = songTime(song)
  return song.tempo.flatMap(({ tick, bpm, form }, i) => {
    const next = song.tempo[i + 1]
    if (form === 'hold' || !next) return [set(tick, bpm)]
    const steps = Math.max(1, Math.round((next.tick - tick) / (TICKS_PER_QUARTER / 4)))
    return Array.from({ length: steps }, (_, k) => {
      const from = tick + ((next.tick - tick) * k) / steps
      const to = tick + ((next.tick - tick) * (k + 1)) / steps
      // so fast that the step takes as long as the ramp does there
      const seconds = tempo.secondsAt(Math.round(to)) - tempo.secondsAt(Math.round(from))
      return set(from, (60 * (Math.round(to) - Math.round(from))) / TICKS_PER_QUARTER / seconds)
    })
  })
}

function sequence(placed: readonly Placed[], length: number): RawEvent[] {
  let now = 0
  const events = [...placed]
    .sort((a, b) => a.tick - b.tick)
    .map(({ tick, event }) => {
      const deltaTime = tick - now
      now = tick
      return { ...event, deltaTime }
    })
  return [...events, { deltaTime: Math.max(0, length - now), type: 'endOfTrack', meta: true }]
}

/** Texts in MIDI files have no encoding of their own: what is not plain is written plainly. */
const ascii = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^\x20-\x7e]/g, '?')
