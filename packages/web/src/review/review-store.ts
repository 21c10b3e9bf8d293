import { resolve, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { usePlayer } from '../audio/player-store'
import { useSpan } from '../lane/use-span'
import { get, post, put, remove } from '../server/api'
import type { AssignmentView, Outcome, QueueEntry, RemarkView, ReviewedHandIn } from '../server/views'

/** Where a remark goes: a lane and a span of bars, in ticks. */
export interface RemarkPlace {
  readonly lane: string
  readonly from: number
  readonly to: number
}

/** Which mix is heard on the desk. */
export type Heard = 'this' | 'before' | 'start' | 'model'

const QUIET_MS = 400

/** The teacher's desk: the queue of an assignment, and the hand-in that lies on it. */
export const useReview = defineStore('review', () => {
  const player = usePlayer()
  const assignment = shallowRef<AssignmentView | null>(null)
  const queue = shallowRef<readonly QueueEntry[]>([])
  const handIn = shallowRef<ReviewedHandIn | null>(null)
  const marks = ref<Record<string, number>>({})
  const comment = ref('')
  const remarks = shallowRef<readonly RemarkView[]>([])
  const address = ref('')
  const pinned = ref<string | null>(null)
  const heard = ref<Heard>('this')
  const saveState = ref<'saved' | 'saving' | 'not saved'>('saved')
  const notice = ref<string | null>(null)
  /** What a remark begins with that was taken from what was measured. */
  const draft = ref('')
  const model = shallowRef<Mix | null>(null)

  const song = computed(() => assignment.value?.songDocument ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const { span, zoom, scroll, showAll } = useSpan(() => time.value)
  const mix = computed<Mix | null>(() => handIn.value?.document.mix ?? null)
  const waiting = computed(() => queue.value.filter((q) => q.state !== 'given back'))
  /** One line a student: the newest version that was given back. */
  const done = computed(() => queue.value.filter((q) => q.state === 'given back' && Number(q.newest) === 1))

  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  async function open(assignmentId: string): Promise<void> {
    handIn.value = null
    assignment.value = null
    const view = await get<AssignmentView>(`/api/assignments/${assignmentId}`)
    assignment.value = view
    model.value = view.hasModel
      ? (await get<{ mix: Mix }>(`/api/assignments/${assignmentId}/model`)).mix
      : null
    span.value = { from: 0, to: view.songDocument.length }
    address.value = view.brief.tasks[0]?.lanes[0] ?? ''
    await refreshQueue()
  }

  async function refreshQueue(): Promise<void> {
    queue.value = await get<QueueEntry[]>(`/api/assignments/${assignment.value!.id}/hand-ins`)
  }

  /** Lays a hand-in on the desk. The song's audio is loaded once for all of them. */
  async function lay(id: string): Promise<void> {
    await flush()
    const next = await get<ReviewedHandIn>(`/api/hand-ins/${id}`)
    handIn.value = next
    marks.value = { ...next.review.marks }
    comment.value = next.review.comment
    remarks.value = next.review.remarks
    revision = next.review.revision
    pinned.value = null
    draft.value = ''
    heard.value = 'this'
    if (player.ready || player.progress > 0) player.load(next.document.mix)
    else void player.open(song.value!, next.document.mix)
  }

  /** Looks again at a hand-in that was still being measured. */
  async function lookAgain(): Promise<void> {
    const { id } = handIn.value ?? {}
    if (!id) return
    const next = await get<ReviewedHandIn>(`/api/hand-ins/${id}`)
    if (handIn.value?.id === id)
      handIn.value = {
        ...handIn.value,
        state: next.state,
        measurement: next.measurement,
        assessment: next.assessment,
        before: next.before,
      }
    await refreshQueue()
  }

  function hear(which: Heard): void {
    const { document, before } = handIn.value!
    heard.value = which
    player.load(
      {
        this: document.mix,
        before: before?.document.mix,
        start: assignment.value!.startingMix,
        model: model.value,
      }[which] ?? document.mix,
    )
  }

  function mark(criterion: string, level: number): void {
    const next = { ...marks.value }
    if (next[criterion] === level) delete next[criterion]
    else next[criterion] = level
    marks.value = next
    changed()
  }

  function write(text: string): void {
    comment.value = text
    changed()
  }

  function changed(): void {
    saveState.value = 'saving'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), QUIET_MS)
  }

  async function save(): Promise<void> {
    const { id } = handIn.value ?? {}
    if (!id) return
    const body = { marks: { ...marks.value }, comment: comment.value, revision }
    timer = undefined
    try {
      revision = (await put<{ revision: number }>(`/api/hand-ins/${id}/review`, body)).revision
      if (!timer) saveState.value = 'saved'
    } catch (error) {
      saveState.value = 'not saved'
      notice.value = (error as Error).message
    }
  }

  /** Saves what is not saved yet. @returns whether all is saved */
  async function flush(): Promise<boolean> {
    clearTimeout(timer)
    if (saveState.value !== 'saved') await save()
    return saveState.value === 'saved'
  }

  async function addRemark(place: RemarkPlace, text: string): Promise<void> {
    const made = await post<RemarkView>(`/api/hand-ins/${handIn.value!.id}/remarks`, { ...place, text })
    remarks.value = [...remarks.value, made].sort((a, b) => a.from - b.from)
    pinned.value = made.id
  }

  async function changeRemark(remark: RemarkView, text: string): Promise<void> {
    const { id, lane, from, to } = remark
    const made = await put<RemarkView>(`/api/hand-ins/${handIn.value!.id}/remarks/${id}`, {
      lane,
      from,
      to,
      text,
    })
    remarks.value = remarks.value.map((r) => (r.id === id ? made : r))
  }

  async function removeRemark(id: string): Promise<void> {
    await remove(`/api/hand-ins/${handIn.value!.id}/remarks/${id}`)
    remarks.value = remarks.value.filter((r) => r.id !== id)
  }

  /** Forgets the assignment: the next visit looks afresh. */
  function clear(): void {
    assignment.value = null
  }

  /** Gives the hand-in back. @returns the next one that waits, if any @throws where it could not be saved or given */
  async function giveBack(outcome: Outcome): Promise<string | null> {
    if (!(await flush())) throw new Error(notice.value ?? 'The review could not be saved.')
    const { id } = handIn.value!
    await post(`/api/hand-ins/${id}/give-back`, { outcome })
    handIn.value = { ...handIn.value!, state: 'given back', outcome }
    const next = waiting.value.find((q) => q.id !== id)?.id ?? null
    await refreshQueue()
    return next
  }

  /** Shows where something was found on the lane that it is on, and plays it from a bar before. */
  function showPlace({ lane, from, to }: { lane: string | null; from: number; to: number }): void {
    if (lane && mix.value && resolve(mix.value, lane)) address.value = lane
    if (from < span.value.from || to > span.value.to) showAll()
    const { meter } = time.value!
    player.seek(meter.barStart(Math.max(1, meter.placeAt(from).bar - 1)))
    void player.play()
  }

  function showRemark({ id, lane, from, to }: RemarkView): void {
    pinned.value = id
    address.value = lane
    if (from < span.value.from || to > span.value.to) showAll()
    player.seek(from)
  }

  return {
    assignment,
    queue,
    handIn,
    marks,
    comment,
    remarks,
    address,
    span,
    pinned,
    heard,
    saveState,
    notice,
    song,
    time,
    mix,
    waiting,
    done,
    open,
    lay,
    lookAgain,
    hear,
    mark,
    write,
    flush,
    addRemark,
    changeRemark,
    removeRemark,
    giveBack,
    clear,
    showRemark,
    showPlace,
    draft,
    model,
    zoom,
    scroll,
    showAll,
    refreshQueue,
  }
})
