import { makeMove, movePlace, type LineSpan, type MoveWish, type ReadyMove } from '../envelope'
import type { SongTime, SongVersion } from '../song'
import type { Address } from './address'
import { envelopeOf, laneAt, withPoints } from './lanes'
import type { Mix } from './mix'

/** A ready move over some bars of a lane, and what goes with it. */
export interface MoveAsked {
  readonly lane: Address
  readonly span: LineSpan
  readonly move: ReadyMove
  readonly wish?: MoveWish
  /** How long the way there takes, in ticks; as the tempo wants it, if missing. */
  readonly lead?: number
  /** Where sounds begin on the track, in ticks, if that is known. */
  readonly onsets?: readonly number[]
  /** Whether another lane may be taken along; all that are not locked, if missing. */
  readonly mayChange?: (lane: Address) => boolean
}

/** Lanes that a move takes along: where a track fades out, what it sends before its fader has to go with it. */
export function lanesAlong(
  mix: Mix,
  { lane, move, mayChange = () => true }: Pick<MoveAsked, 'lane' | 'move' | 'mayChange'>,
): Address[] {
  const [kind, id, word] = lane.split('/')
  const track =
    move === 'fade out' && kind === 'track' && word === 'level' ? mix.tracks.find((t) => t.id === id) : null
  return (track?.sends ?? [])
    .filter((send) => send.tap === 'pre' && send.on)
    .map((send) => `send/${send.id}/level`)
    .filter((address) => mayChange(address) && envelopeOf(mix, address)?.open !== false)
    .filter((address) => laneAt(mix, address)!.points.some((p) => p.value > -90))
}

/**
 * Makes a ready move on a lane, and on what goes with it.
 * @param freshId the id for an envelope that does not exist yet
 * @throws EditRefused where it would change nothing, or where a lane is locked or full
 */
export function withReadyMove(
  mix: Mix,
  song: Pick<SongVersion, 'sections'>,
  time: SongTime,
  asked: MoveAsked,
  freshId: () => string,
): Mix {
  const { lane, span, move, wish = {}, onsets = [] } = asked
  const around = { onsets, sections: song.sections.map((s) => s.tick), rings: lane.startsWith('return/') }
  const usual = movePlace(time, span, around)
  const place = asked.lead === undefined ? usual : { ...usual, lead: asked.lead }
  const drawn = (to: Mix, address: Address) => {
    const { points, control } = laneAt(to, address)!
    // a send is no volume, but it fades with its track
    const made = makeMove(points, control, place, move, wish)
    return withPoints(to, address, made, freshId)
  }
  return lanesAlong(mix, asked).reduce(drawn, drawn(mix, lane))
}
