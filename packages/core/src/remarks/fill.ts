import { laneControlName, moveName, placeText } from '../assess'
import { resolve, type Mix } from '../mix'
import type { Move } from '../moves'
import { decibels, gainDecibels } from '../scale'
import { lengthInWords, numberText, words } from '@rudlo/words'
import type { SongTime, SongVersion } from '../song'

/** The figures that a reusable remark may leave open, as the teacher writes them between braces. */
export const FIGURE_NAMES = ['track', 'control', 'kind', 'bar', 'length', 'depth', 'seconds'] as const
export type FigureName = (typeof FIGURE_NAMES)[number]
export type Figures = Readonly<Partial<Record<FigureName, string>>>

/** A place that a remark is about: a lane and a span, in ticks. */
export interface Spot {
  readonly lane: string
  readonly from: number
  readonly to: number
}

/** What can be said of a spot in figures: of the move in it, if there is one, else of the span alone. */
export function figuresAt(
  song: SongVersion,
  mix: Mix,
  moves: readonly Move[],
  { lane, from, to }: Spot,
  time: SongTime,
): Figures {
  const found = resolve(mix, lane)
  const share = (m: Move) => Math.min(m.end, to) - Math.max(m.start, from)
  const move = moves.filter((m) => m.lane === lane && share(m) >= 0).sort((a, b) => share(b) - share(a))[0]
  const owner = found?.owner
  const track = song.tracks.find((t) => t.id === owner)?.name ?? mix.returns.find((r) => r.id === owner)?.name
  const [start, end] = move ? [move.start, move.end] : [from, to]
  const unit = found?.control.unit
  const inDecibels = unit === decibels || unit === gainDecibels
  return {
    track: track ?? words('remark.the-mix'),
    control: laneControlName(mix, lane),
    // the place that was pointed at, not where a move began long before it
    bar: placeText(time, Math.min(Math.max(start, from), Math.max(from, to))),
    length: lengthInWords('bars', move?.bars ?? time.meter.barsBetween(start, end)),
    seconds: words('seconds', { n: numberText(time.tempo.secondsAt(end) - time.tempo.secondsAt(start), 1) }),
    ...(move && unit
      ? {
          kind: moveName(move.kind),
          depth: inDecibels ? `${numberText(Math.abs(move.depth), 1)} dB` : unit.format(move.goal),
        }
      : {}),
  }
}

/** Fills a reusable remark: what stands between braces becomes its figure; what has none stays, to be seen and written over. */
export function fillRemark(text: string, figures: Figures): string {
  const known = new Map(Object.entries(figures))
  return text.replace(/\{(\w+)\}/g, (braces, name: string) => known.get(name) ?? braces)
}
