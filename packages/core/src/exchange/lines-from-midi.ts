import { words } from '@rudlo/words'
import { laneName } from '../assess'
import { thin, type Point } from '../envelope'
import { controllersOf, DEPTHS, levelOfShare, type ControllerTrack, type WrittenController } from '../midi'
import { resolve, type Address, type Mix } from '../mix'
import type { SongVersion } from '../song'
import { put, type ReadLines } from './lines'

/** A file is written in such steps of ticks: what stays longer than that and then leaps was held. */
const STEP = 60

/**
 * Reads lines from a MIDI file as {@link writeMidi} writes it, also after another program has moved them: a track of the file is
 * the track of the song with its name, or else the one at its place. Lanes that the file moves are replaced whole.
 * @throws RangeError with one sentence for a file that is none, or that moves nothing here
 */
export function linesFromMidiFile(
  song: SongVersion,
  mix: Mix,
  bytes: Uint8Array,
  freshId: () => string,
): ReadLines {
  const byLane = new Map<Address, Point[]>()
  const tracks = controllersOf(bytes).filter((t) => t.controllers.length)
  tracks.forEach((track, i) => {
    const id = trackOf(song, mix, track) ?? song.tracks[i]?.id
    if (id === undefined) return
    for (const controller of track.controllers) {
      const lane = laneOf(mix, id, controller.number)
      const control = lane && resolve(mix, lane.address)?.control
      if (!control) continue
      const points = pointsOf(controller, lane.value, song.length)
      // one value is a setting, and no line
      if (points.length > 1)
        byLane.set(
          lane.address,
          runsOf(points, (run) => thin(run, control.scale)),
        )
    }
  })
  if (!byLane.size) throw new RangeError(words('lines-file.midi-moves-nothing'))
  return put(mix, byLane, freshId)
}

const plain = (text: string) => text.normalize('NFD').replace(/[^\x20-\x7e]/g, '')

const trackOf = (song: SongVersion, mix: Mix, { name }: ControllerTrack): string | undefined =>
  song.tracks.find(
    (t) =>
      name !== '' &&
      [t.name, laneName(song, mix, `track/${t.id}/level`)].some((n) => plain(n) === plain(name)),
  )?.id

/** The lane that a controller of a track moves, and what a share of its range is there. */
function laneOf(
  mix: Mix,
  id: string,
  number: number,
): { readonly address: Address; readonly value: (share: number) => number } | null {
  const track = mix.tracks.find((t) => t.id === id)
  const centred = (share: number) => Math.max(-1, Math.min(1, share * 2 - 1))
  if (number === 7) return { address: `track/${id}/level`, value: levelOfShare }
  if (number === 10) return { address: `track/${id}/pan`, value: centred }
  const back = mix.returns[DEPTHS.findIndex((d) => d === number)]
  const send = back && track?.sends.find((s) => s.to === back.id)
  if (send) return { address: `send/${send.id}/level`, value: levelOfShare }
  const playing = track?.effects.find((e) => e.kind === 'playing')
  if (number === 73 && playing) return { address: `effect/${playing.id}/attack`, value: (s) => -centred(s) }
  if (number === 74 && playing) return { address: `effect/${playing.id}/brightness`, value: centred }
  return null
}

interface Held {
  readonly tick: number
  readonly value: number
  /** Whether it stays until the next one, which then leaps. */
  readonly isHeld: boolean
}

function pointsOf(
  { moves, most }: WrittenController,
  value: (share: number) => number,
  length: number,
): Held[] {
  return moves
    .filter((m) => m.tick <= length)
    .map(({ tick, value: share }, i) => {
      const next = moves[i + 1]
      const leaps =
        next !== undefined && next.tick - tick > 1.5 * STEP && Math.abs(next.value - share) * most > 1.5
      return { tick, value: value(share), isHeld: leaps }
    })
}

/** Thins each run between two leaps by itself, so that leaps stay leaps. */
function runsOf(points: readonly Held[], thinned: (run: readonly Held[]) => readonly Point[]): Point[] {
  const out: Point[] = []
  let run: Held[] = []
  for (const point of points) {
    run.push(point)
    if (!point.isHeld) continue
    out.push(...closed(run, thinned))
    run = []
  }
  return run.length ? [...out, ...closed(run, thinned, 'straight')] : out
}

function closed(
  run: readonly Held[],
  thinned: (run: readonly Held[]) => readonly Point[],
  last: 'jump' | 'straight' = 'jump',
): Point[] {
  const points =
    run.length > 2
      ? [...thinned(run)]
      : run.map(({ tick, value }) => ({ tick, value, form: 'straight' as const, bend: 0 }))
  return points.map((p, i) => (i === points.length - 1 ? { ...p, form: last } : p))
}
