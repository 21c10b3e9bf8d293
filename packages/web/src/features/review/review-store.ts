import { resolve, trackLevel, type Mix } from '@rudlo/core/mix'
import { overruled, refOfMark, type Overrule, type Overrules } from '@rudlo/core/brief'
import { proposeMarks } from '@rudlo/core/rubric'
import { songTime } from '@rudlo/core/song'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useSpan } from '../../editor/lane/use-span'
import { server, told } from '../../api/client'
import { openHandIn, type OpenedHandIn } from '../../api/hand-in'
import { usePace } from './pace'
import { remarkActs } from './remark-acts'
import { useReviewSaver } from './review-saver'
import { attempt } from '../../ui/forms/attempt'
import { saidAssessment, Sayer } from '@rudlo/sentences'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { NotHandedIn, Outcome, QueueEntry } from '@rudlo/contract/handins'
import type { RemarkView } from '@rudlo/contract/reviews'
import { ReviewDrafts } from '../../document/review-drafts'
import { useSession } from '../../api/session-store'
import { t } from '../../words/t'

/** Bars that are shown around what is looked at. */
const AROUND = 2

/** The teacher's desk: the queue of an assignment, and the hand-in that lies on it. */
export const useReview = defineStore('review', () => {
  const player = usePlayer()
  const pace = usePace()
  const session = useSession()
  const drafts = () => new ReviewDrafts(session.person?.id ?? '')
  const assignment = shallowRef<AssignmentView | null>(null)
  const queue = shallowRef<readonly QueueEntry[]>([])
  /** Who has not handed in. */
  const missing = shallowRef<readonly NotHandedIn[]>([])
  const handIn = shallowRef<OpenedHandIn | null>(null)
  const marks = ref<Record<string, number>>({})
  const comment = ref('')
  /** The teacher's word against what was computed. */
  const overrules = ref<Overrules>({})
  const remarks = shallowRef<readonly RemarkView[]>([])
  const address = ref('')
  const pinned = ref<string | null>(null)
  const notice = ref<string | null>(null)
  const tell = (sentence: string) => (notice.value = sentence)
  const { saveState, changed, flush, ...saver } = useReviewSaver({
    handIn: () => handIn.value?.id ?? '',
    said: () => ({ marks: marks.value, comment: comment.value, overrules: overrules.value }),
    drafts,
    tell,
  })
  /** The remark that is being written, and what it is about besides its place. */
  const draft = ref('')
  const subject = ref('')
  /** Another teacher who looks at this hand-in just now, and a newer version of it. */
  const other = ref<string | null>(null)
  const newer = shallowRef<{ readonly id: string; readonly number: number } | null>(null)
  const model = shallowRef<Mix | null>(null)

  const song = computed(() => assignment.value?.songDocument ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const { span, zoom, scroll, showAll } = useSpan(() => time.value)
  const mix = computed<Mix | null>(() => handIn.value?.document.mix ?? null)
  // a newer version takes the place of one that still waits
  const waiting = computed(() =>
    queue.value.filter((q) => q.newest && (q.state === 'waiting' || q.state === 'measuring')),
  )
  /** Decided, to be given back together. */
  const held = computed(() => queue.value.filter((q) => q.state === 'held'))
  /** One line a student: the newest version that was given back. */
  const done = computed(() => queue.value.filter((q) => q.state === 'given back' && q.newest))
  /** What was found, in words. */
  const said = computed(() => {
    const { assessment } = handIn.value ?? {}
    if (!assessment || !song.value || !mix.value) return null
    return saidAssessment(
      new Sayer({ song: song.value, mix: mix.value }),
      overruled(assessment, overrules.value),
    )
  })
  /** Marks that what was measured speaks for. */
  const proposals = computed(() => {
    const { assessment } = handIn.value ?? {}
    const { rubric, brief } = assignment.value ?? {}
    return assessment && rubric && brief
      ? proposeMarks(rubric, brief.tasks, overruled(assessment, overrules.value))
      : {}
  })

  async function open(assignmentId: string): Promise<void> {
    handIn.value = null
    assignment.value = null
    const view = await told(server.assignments[':assignment'].$get({ param: { assignment: assignmentId } }))
    assignment.value = view
    model.value = view.hasModel
      ? (await told(server.assignments[':assignment'].model.$get({ param: { assignment: assignmentId } })))
          .mix
      : null
    span.value = { from: 0, to: view.songDocument.length }
    // a brief that is about no line still has tracks to look at
    const [asked] = view.brief.tasks.flatMap((task) => task.lanes)
    address.value = asked ?? trackLevel(view.songDocument.tracks[0]!.id)
    await refreshQueue()
  }

  async function refreshQueue(): Promise<void> {
    const param = { assignment: assignment.value!.id }
    ;[queue.value, missing.value] = await Promise.all([
      told(server.assignments[':assignment']['hand-ins'].$get({ param, query: {} })),
      told(server.assignments[':assignment'].missing.$get({ param })),
    ])
  }

  /** Lays a hand-in on the desk. The song's audio is loaded once for all of them. */
  async function lay(id: string): Promise<void> {
    await flush()
    const next = await openHandIn(id)
    handIn.value = next
    pace.laid(id)
    marks.value = { ...next.review.marks }
    comment.value = next.review.comment
    overrules.value = next.review.overrules
    remarks.value = next.review.remarks
    saver.begin(next.review.revision)
    pinned.value = null
    other.value = null
    newer.value = null
    const kept = drafts().draftOf(id)
    draft.value = kept?.text ?? ''
    subject.value = kept?.subject ?? ''
    restore(id)
    void look().catch(() => null)
    if (player.ready || player.progress > 0) player.load(next.document.mix)
    else void player.open(song.value!, next.document.mix)
  }

  /** Takes up what was written when the server could not be reached. */
  function restore(id: string): void {
    const unsaved = saver.takeUnsaved(id)
    if (!unsaved) return
    marks.value = { ...unsaved.marks }
    comment.value = unsaved.comment
    overrules.value = unsaved.overrules ?? overrules.value
    changed()
  }

  /** Tells the server that this hand-in is looked at, and learns who else does and whether there is a newer one. */
  async function look(): Promise<void> {
    const { id } = handIn.value ?? {}
    if (!id) return
    const seen = await told(server['hand-ins'][':handIn'].look.$post({ param: { handIn: id } }))
    if (handIn.value?.id !== id) return
    other.value = seen.other
    newer.value = seen.newer
    queue.value = queue.value.map((q) => (q.id === id && !q.seenAt ? { ...q, seenAt: 'now' } : q))
  }

  /** Keeps the remark that is being written on this machine, so that it outlives a lost server and a closed page. */
  function writeDraft(text: string, about = subject.value): void {
    draft.value = text
    subject.value = text.trim() ? about : ''
    if (handIn.value) drafts().keepDraft(handIn.value.id, { text, subject: subject.value })
  }

  /** Looks again at a hand-in that was still being measured. */
  async function lookAgain(): Promise<void> {
    const { id } = handIn.value ?? {}
    if (!id) return
    const next = await openHandIn(id)
    if (handIn.value?.id === id) {
      handIn.value = {
        ...handIn.value,
        state: next.state,
        measurement: next.measurement,
        assessment: next.assessment,
        measureProblem: next.measureProblem ?? null,
        openedAt: next.openedAt,
        givenBackAt: next.givenBackAt,
        before: next.before,
      }
      remarks.value = next.review.remarks
    }
    await refreshQueue()
  }

  /** Has a hand-in measured again that could not be measured. */
  async function measureAgain(): Promise<void> {
    const { id } = handIn.value ?? {}
    if (!id) return
    await attempt(async () => {
      await told(server['hand-ins'][':handIn'].measure.$post({ param: { handIn: id } }))
      await lookAgain()
    }, tell)
  }

  function mark(criterion: string, level: number): void {
    const next = { ...marks.value }
    if (next[criterion] === level) delete next[criterion]
    else next[criterion] = level
    marks.value = next
    // a reason is there for a mark that is another than the proposed one
    const { [refOfMark(criterion)]: _, ...rest } = overrules.value
    if (!isOtherMark(criterion)) overrules.value = rest
    changed()
  }

  /** Whether the teacher gave another mark than what was measured speaks for. */
  const isOtherMark = (criterion: string): boolean => {
    const proposed = proposals.value[criterion]?.level
    const given = marks.value[criterion]
    return proposed !== undefined && given !== undefined && given !== proposed
  }

  /** Overrules the first proposed mark that still stands: one level up, or down from the highest. */
  function overruleMark(): void {
    const { criteria, levels } = assignment.value!.rubric
    const next = criteria.find((c) => proposals.value[c.id] && !isOtherMark(c.id))
    if (!next) return
    const { level } = proposals.value[next.id]!
    mark(next.id, level + 1 < levels.length ? level + 1 : level - 1)
  }

  /** Takes every proposed mark that the teacher has not decided otherwise. */
  function takeProposals(): void {
    const proposed = Object.fromEntries(Object.entries(proposals.value).map(([id, p]) => [id, p.level]))
    marks.value = { ...proposed, ...marks.value }
    changed()
  }

  /** Overrules something, with a reason or without; or lets stand again what was computed. */
  function overrule(ref: string, to: Overrule | null): void {
    const { [ref]: _, ...rest } = overrules.value
    overrules.value = to ? { ...rest, [ref]: to } : rest
    changed()
  }

  function write(text: string): void {
    comment.value = text
    changed()
  }

  const { keepRemark, addRemark, addToMany, changeRemark, reply, removeRemark } = remarkActs({
    handIn: () => handIn.value?.id ?? '',
    remarks,
    show: (id) => (pinned.value = id),
    written: () => writeDraft(''),
    lookAgain,
  })

  /** Forgets the assignment: the next visit looks afresh. */
  function clear(): void {
    assignment.value = null
  }

  /** Whether nothing has been said about the hand-in: no mark, no remark, no comment. */
  const isUnsaid = computed(
    () => !remarks.value.length && !Object.keys(marks.value).length && !comment.value.trim(),
  )

  /**
   * Gives the hand-in back, or holds it until all are given back together.
   * @returns the next one that waits, if any
   * @throws where it could not be saved or given
   */
  async function giveBack(outcome: Outcome, hold: boolean): Promise<string | null> {
    if (!(await flush())) throw new Error(notice.value ?? t('review.not-saved'))
    const { id } = handIn.value!
    await told(
      server['hand-ins'][':handIn']['give-back'].$post({ param: { handIn: id }, json: { outcome, hold } }),
    )
    pace.decided()
    handIn.value = { ...handIn.value!, state: hold ? 'held' : 'given back', outcome }
    const place = waiting.value.findIndex((q) => q.id === id)
    const next = waiting.value[place + 1] ?? waiting.value.find((q) => q.id !== id)
    await refreshQueue()
    return next && next.id !== id ? next.id : null
  }

  /** Gives back everything that is held, now or at a time. @returns how many */
  async function giveBackHeld(at: Date | null): Promise<number> {
    if (!(await flush())) throw new Error(notice.value ?? t('review.not-saved'))
    const { count } = await told(
      server.assignments[':assignment']['give-back'].$post({
        param: { assignment: assignment.value!.id },
        json: {
          at: at?.toISOString() ?? null,
        },
      }),
    )
    await lookAgain()
    return count
  }

  /** Takes back what was given, as long as the student has not opened it. */
  async function takeBack(): Promise<void> {
    await told(server['hand-ins'][':handIn']['take-back'].$post({ param: { handIn: handIn.value!.id } }))
    handIn.value = { ...handIn.value!, state: 'waiting', outcome: null }
    await refreshQueue()
  }

  /** Brings a stretch into view, with two bars around it. */
  function frame({ from, to }: { from: number; to: number }): void {
    const { meter, length } = time.value!
    const first = Math.max(1, meter.placeAt(from).bar - AROUND)
    const last = meter.placeAt(Math.max(from, Math.min(to, length) - 1)).bar + AROUND
    span.value = { from: meter.barStart(first), to: Math.min(length, meter.barStart(last + 1)) }
  }

  /** Shows where something was found on the lane that it is on, and plays it from a bar before. */
  function showPlace({ lane, from, to }: { lane: string | null; from: number; to: number }): void {
    if (lane && mix.value && resolve(mix.value, lane)) address.value = lane
    frame({ from, to })
    const { meter } = time.value!
    player.seek(meter.barStart(Math.max(1, meter.placeAt(from).bar - 1)))
    void player.play()
  }

  function showRemark(id: string): void {
    const remark = remarks.value.find((r) => r.id === id)
    if (!remark) return
    const { lane, from, to } = remark
    pinned.value = id
    if (lane) address.value = lane
    if (from < span.value.from || to > span.value.to) showAll()
    player.seek(from)
  }

  return {
    assignment,
    queue,
    missing,
    handIn,
    marks,
    comment,
    remarks,
    address,
    span,
    pinned,
    saveState,
    notice,
    tell,
    song,
    time,
    mix,
    waiting,
    done,
    open,
    lay,
    lookAgain,
    measureAgain,
    look,
    mark,
    proposals,
    said,
    overrules,
    overrule,
    isOtherMark,
    overruleMark,
    takeProposals,
    write,
    flush,
    addRemark,
    keepRemark,
    addToMany,
    reply,
    changeRemark,
    removeRemark,
    giveBack,
    giveBackHeld,
    takeBack,
    isUnsaid,
    held,
    clear,
    showRemark,
    showPlace,
    frame,
    draft,
    subject,
    writeDraft,
    other,
    newer,
    model,
    zoom,
    scroll,
    showAll,
    refreshQueue,
  }
})
