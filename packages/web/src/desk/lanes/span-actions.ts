import type { LineSpan, Points } from '@rudlo/core/envelope'
import { laneName } from '@rudlo/core/assess'
import { laneAt, resolve, withPoints, type Lane, type Mix } from '@rudlo/core/mix'
import { spanShort } from '@rudlo/core/time'
import { listText } from '@rudlo/words'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import type { Step } from '../../document/history'
import { useDesk } from '../desk-store'
import { t } from '../../words/t'

/** What is done with the bars that are selected: on the lane at hand, or on all that are on the desk. */
export function useSpanActions() {
  const desk = useDesk()
  const work = useWork()

  /** "Bars 5 to 8". */
  function inWords(span: LineSpan): string {
    const [from, to] = spanShort(span, desk.time!.meter, desk.song!.length)
    if (from.includes('.')) return t('bars.where.places', { from, to: to ?? '' })
    return to === undefined ? t('bars.where.one', { from }) : t('bars.where.many', { from, to })
  }
  const where = computed(() => (desk.selection ? inWords(desk.selection) : ''))

  const here = computed(() => laneAt(work.mix!, desk.address))
  const nameOf = (address: string) => laneName(desk.song!, work.mix!, address)

  /** The lanes that an action is for. Locked ones are left out and named. */
  function targets(): string[] {
    const wanted = desk.across ? desk.lanes.filter((l) => !l.folded).map((l) => l.address) : [desk.address]
    const open = wanted.filter(desk.isOpen)
    const out = wanted.filter((lane) => !desk.isOpen(lane)).map(nameOf)
    if (!open.length) work.notice = t('bars.locked', { lane: nameOf(desk.address) })
    else if (out.length) work.notice = t('lane.left-out', { n: out.length, lanes: listText(out) })
    return open
  }

  /**
   * Changes every lane that it is for, as one step. Where one of them refuses, nothing changes and the reason is said.
   * @param change what the mix is with one of these lanes changed
   */
  function actOn(
    what: string,
    change: (mix: Mix, lane: string) => Mix,
    from?: number,
    to?: number,
  ): Step | null {
    const span = desk.selection
    const lanes = targets()
    if (!span || !lanes.length) return null
    const whose =
      lanes.length > 1
        ? t('bars.word.lanes', { n: lanes.length })
        : t('bars.whose', {
            control: resolve(work.mix!, lanes[0]!)!.control.name.toLowerCase(),
            owner: nameOf(lanes[0]!).split(',')[0]!,
          })
    return work.setMix((mix) => lanes.reduce(change, mix), {
      label: t('bars.did.whole', { what, whose, where: where.value.toLowerCase() }),
      lanes,
      from: from ?? span.from,
      to: to ?? span.to,
    })
  }

  /** Gives every lane that it is for other points, as one step. */
  const act = (what: string, make: (lane: Lane) => Points, from?: number, to?: number): Step | null =>
    actOn(
      what,
      (mix, address) => {
        const acted = laneAt(mix, address)
        return acted ? withPoints(mix, address, make(acted), () => crypto.randomUUID()) : mix
      },
      from,
      to,
    )

  return { where, inWords, here, targets, act, actOn }
}
