import type { LineSpan, Points } from '@rudlo/core/envelope'
import { envelopeOf, trackLevel, withLane } from '@rudlo/core/mix'
import type { Control } from '@rudlo/core/scale'
import { songTime } from '@rudlo/core/song'
import type { Grid } from '@rudlo/core/time'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useSpan } from '../lane/use-span'
import { insideSong } from '../lane/viewport'
import { get } from '../server/api'
import type { AssignmentView, BriefTask, OwnVersion } from '../server/views'
import { usePlayer } from '../audio/player-store'
import { useWork } from '../work/work-store'

export type Hand = 'points' | 'bars' | 'freehand'

/** A stretch of a line that was copied, from tick 0 on. */
export interface Copied {
  readonly points: Points
  readonly length: number
  readonly control: Control
}

/** What the bench shows: the assignment, the lane on the desk, the task at hand, the stretch in view. */
export const useBench = defineStore('bench', () => {
  const player = usePlayer()
  const work = useWork()
  const assignment = shallowRef<AssignmentView | null>(null)
  const address = ref('')
  const taskId = ref<string | null>(null)
  const grid = ref<Grid>('beat')
  /** What the hand does on the lane: points one by one, bars as a whole, or a line drawn freely. */
  const hand = ref<Hand>('points')
  /** The bars that are selected on the lane. */
  const selection = shallowRef<LineSpan | null>(null)
  /** What was copied from a lane. */
  const copied = shallowRef<Copied | null>(null)
  /** Whether touching a control brings its lane to the desk. */
  const follows = ref(true)
  /** Lanes outside the brief that were opened here. */
  const unlocked = shallowRef<ReadonlySet<string>>(new Set())
  /** Which view of the work is open: who is how loud, or the lines. */
  const view = ref<'balance' | 'lines'>('lines')
  /** The control whose silence is being explained. */
  const asked = ref<string | null>(null)
  /** The remark whose place is shown. */
  const pinned = ref<string | null>(null)

  /** The note that was dropped last and has no words yet. */
  const freshNote = ref<string | null>(null)
  /** What the column on the left shows. */
  const page = ref<'brief' | 'back' | 'notes'>('brief')

  const song = computed(() => assignment.value?.songDocument ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const { span, zoom, scroll, showAll } = useSpan(() => time.value)
  const task = computed<BriefTask | null>(
    () => assignment.value?.brief.tasks.find((t) => t.id === taskId.value) ?? null,
  )
  /** The newest version that came back, with what was said about it. */
  const returned = computed<OwnVersion | null>(() => work.versions.findLast((v) => v.review !== null) ?? null)
  const newest = computed<OwnVersion | null>(() => work.versions.at(-1) ?? null)

  async function open(assignmentId: string): Promise<void> {
    assignment.value = null
    const opened = await get<AssignmentView>(`/api/assignments/${assignmentId}`)
    assignment.value = opened
    span.value = { from: 0, to: opened.songDocument.length }
    pinned.value = null
    const first = opened.brief.tasks[0]
    view.value = first && !first.lanes.length ? 'balance' : 'lines'
    asked.value = null
    selection.value = null
    unlocked.value = new Set()
    taskId.value = first?.id ?? null
    address.value = first?.lanes[0] ?? trackLevel(opened.songDocument.tracks[0]!.id)
  }

  /** Whether the brief asks for this lane. */
  const isInBrief = (lane: string) => assignment.value?.brief.open.includes(lane) ?? false

  /** Whether this lane may be changed: it is in the brief, or was opened, and is not locked. */
  function isOpen(lane: string): boolean {
    const envelope = work.envelope(lane)
    if (envelope?.open === false) return false
    const start = assignment.value && envelopeOf(assignment.value.startingMix, lane)
    // a lane that was drawn on before stays open
    const drawn =
      envelope !== undefined && envelope.points.length > 0 && envelope.points.length !== start?.points.length
    return isInBrief(lane) || unlocked.value.has(lane) || drawn
  }

  /** Opens a lane, or locks it. */
  function setOpen(lane: string, open: boolean): void {
    const opened = new Set(unlocked.value)
    if (open) opened.add(lane)
    else opened.delete(lane)
    unlocked.value = opened
    if (!work.envelope(lane)) return
    work.setMix((mix) => withLane(mix, lane, { open }), {
      label: open ? 'Opened a lane' : 'Locked a lane',
      lanes: [lane],
      from: 0,
      to: song.value?.length ?? 0,
    })
  }

  /** Brings the lane of a control that was touched to the desk, unless that is not wanted. */
  function touch(lane: string): void {
    if (follows.value) address.value = lane
  }

  watch(address, () => (selection.value = null))

  function chooseTask(id: string): void {
    taskId.value = id
    const lane = task.value?.lanes[0]
    view.value = lane ? 'lines' : 'balance'
    if (lane) address.value = lane
    bringIntoView(task.value)
  }

  /** Shows a remark's lane and place. */
  function showRemark(remark: { id: string; lane: string; from: number; to: number }): void {
    pinned.value = remark.id
    view.value = 'lines'
    address.value = remark.lane
    bringIntoView(remark)
    player.seek(remark.from)
  }

  function bringIntoView(stretch: { from: number; to: number } | null): void {
    if (!stretch || !time.value) return
    const { from, to } = span.value
    if (stretch.from >= from && stretch.to <= to) return
    const size = Math.max(to - from, stretch.to - stretch.from)
    span.value = insideSong(
      { from: stretch.from - size / 8, to: stretch.from + size * (7 / 8) },
      time.value.length,
    )
  }

  /** Drops a listening note at the bar that is heard, and asks for its words. */
  function dropNote(): void {
    if (!time.value) return
    const { meter } = time.value
    const tick = meter.barStart(meter.placeAt(player.position).bar)
    const note = { id: crypto.randomUUID(), tick, text: '', done: false }
    const label = `Dropped a note, bar ${meter.placeAt(tick).bar}`
    work.setNotes((notes) => [...notes, note], { label, lanes: [], from: tick, to: tick })
    page.value = 'notes'
    freshNote.value = note.id
  }

  return {
    assignment,
    address,
    taskId,
    task,
    grid,
    view,
    asked,
    page,
    freshNote,
    dropNote,
    span,
    pinned,
    song,
    time,
    returned,
    newest,
    open,
    isOpen,
    isInBrief,
    setOpen,
    touch,
    hand,
    selection,
    copied,
    follows,
    chooseTask,
    showRemark,
    zoom,
    scroll,
    showAll,
  }
})
