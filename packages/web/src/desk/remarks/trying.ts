import { resolve, withLineShown } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { RemarkView } from '@rudlo/contract/reviews'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { t } from '../../words/t'

/** A line that the teacher suggested: shown dotted, heard, and taken as one step that can be undone. Never by itself. */
export const useTrying = defineStore('trying', () => {
  const desk = useDesk()
  const work = useWork()
  const shown = ref<RemarkView | null>(null)
  /** The remark whose suggestion is heard instead of the work. */
  const heard = computed(() => (shown.value && work.heard === shown.value.id ? shown.value.id : null))

  /** Whether the work still has the lane that a suggestion was drawn for: an effect may be gone by now. */
  function stillThere(lane: string): boolean {
    const there = work.mix !== null && resolve(work.mix, lane) !== null
    if (!there) work.notice = t('talk.no-lane')
    return there
  }

  /** Shows a suggestion under the line, and lets it be heard; the second time, the own line again. */
  function hear(remark: RemarkView): void {
    const { lane, suggestion } = remark
    if (!lane || !suggestion || !work.mix) return
    if (heard.value === remark.id) {
      desk.hinted = null
      shown.value = null
      return work.hear(null, null)
    }
    if (!stillThere(lane)) return
    desk.showRemark({ ...remark, lane })
    desk.hinted = { lane, points: suggestion }
    shown.value = remark
    work.hear(remark.id, { mix: withLineShown(work.mix, lane, suggestion), notes: work.notes })
  }

  /** Takes a suggestion over as the own line, in one step. */
  function take(remark: RemarkView): void {
    const { lane, suggestion } = remark
    if (!lane || !suggestion || !stillThere(lane)) return
    work.hear(null, null)
    desk.hinted = null
    shown.value = null
    desk.showRemark({ ...remark, lane })
    if (!desk.isOpen(lane)) {
      work.notice = t('talk.locked')
      return
    }
    work.setPoints(lane, suggestion, {
      label: t('talk.did.tried'),
      lanes: [lane],
      from: 0,
      to: desk.song?.length ?? 0,
    })
    work.notice = t('talk.tried')
  }

  return { heard, hear, take }
})
