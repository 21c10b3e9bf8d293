import type { LineSpan, MoveWish, ReadyMove } from '@rudlo/core/envelope'
import { resolve, withReadyMove } from '@rudlo/core/mix'
import { computed, shallowRef } from 'vue'
import type { Step } from '../../document/history'
import { useWork } from '../../document/work-store'
import { regionOnsets } from '../../engine/onset-finder'
import { FORMS } from '../../editor/lane/forms'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import { useSpanActions } from './span-actions'

/** A ready move that was made just now, and what was wished of it. */
export interface MadeMove {
  readonly move: ReadyMove
  readonly wish: MoveWish
  /** How long the way there is, in beats; as the tempo wants it, where that is not said. */
  readonly lead?: number
  /** Where it was made: it is another one's nowhere else. */
  readonly lane: string
  readonly span: LineSpan
  readonly step: Step
}

/** Makes ready moves over the bars that are selected; the last one can be made anew with another wish. */
export function useReadyMoves() {
  const desk = useDesk()
  const work = useWork()
  const { actOn } = useSpanActions()
  const made = shallowRef<MadeMove | null>(null)

  /** The move that was made last, as long as nothing else was done and its lane and bars are at hand. */
  const last = computed(() => {
    const now = made.value
    const isHere = now !== null && now.lane === desk.address && now.span === desk.selection
    return isHere && work.history.done.at(-1) === now.step ? now : null
  })

  /** Where sounds begin on the track of a lane: a throw opens for one of them. Nothing is known of them without the sound. */
  async function onsetsOn(address: string): Promise<readonly number[]> {
    const owner = resolve(work.mix!, address)?.owner
    const regions = work.mix!.tracks.find((track) => track.id === owner)?.regions ?? []
    return regionOnsets(regions, desk.song!.assets, desk.time!.tempo).catch(() => [])
  }

  async function make(move: ReadyMove, wish: MoveWish = {}, lead?: number): Promise<void> {
    const span = desk.selection
    if (!span) return
    const onsets = move === 'throw' ? await onsetsOn(desk.address) : []
    const { beat } = desk.time!.meter.lengthsAt(span.from)
    const asked = { span, move, onsets, mayChange: desk.isOpen, wish: { ...wish, way: FORMS[desk.way] } }
    const ways = lead === undefined ? asked : { ...asked, lead: Math.round(lead * beat) }
    const step = actOn(t(`ready.${move}`), (mix, lane) =>
      withReadyMove(mix, desk.song!, desk.time!, { ...ways, lane }, () => crypto.randomUUID()),
    )
    made.value = step && {
      move,
      wish,
      ...(lead === undefined ? {} : { lead }),
      lane: desk.address,
      span,
      step,
    }
  }

  /** Makes the last move anew: one step in the history, as before. */
  async function again(wish: MoveWish, lead = last.value?.lead): Promise<void> {
    const was = last.value
    if (!was) return
    work.undo()
    await make(was.move, { ...was.wish, ...wish }, lead)
    // what was refused is as it was before
    if (!last.value) work.redo()
  }

  return { make, again, last }
}
