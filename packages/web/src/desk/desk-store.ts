import { valueAt as lineValueAt, type LineSpan, type Point, type Points } from '@rudlo/core/envelope'
import { envelopeOf, lineInCharge, resolve, trackLevel, withLane, type Mix } from '@rudlo/core/mix'
import type { Control } from '@rudlo/core/scale'
import { keep, kept } from '../browser/kept'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useSpan } from '../editor/lane/use-span'
import { insideSong } from '../editor/lane/viewport'
import type { StudentBrief, StudentTask } from '@rudlo/core/brief'
import type { OwnVersion } from '@rudlo/contract/handins'
import { usePlayer } from '../engine/player-store'
import { useWork } from '../document/work-store'
import { useTouchedLane } from './lanes/touched-lane'
import { useSnapping } from './lanes/use-snapping'
import { addLane, oneLane, removeLane, showLane, type DeskLanes } from './lanes/desk-lanes'
import { t } from '../words/t'

/** What is remembered of {@link useDesk}'s `pointSpread`. */
const SPREAD_KEY = 'rudlo-point-spread'
/** How long a place lights up that the teacher points at. */
const LIGHT_MS = 12_000

/** How wide the slopes are by which bars that are raised lead over to what lies beside them. */
export const EDGES = [
  { text: t('desk.edge.sharp'), beats: 0 },
  { text: t('desk.edge.quarter'), beats: 0.25 },
  { text: t('desk.edge.half'), beats: 0.5 },
  { text: t('desk.edge.beat'), beats: 1 },
  { text: t('desk.edge.bar'), beats: 4 },
] as const

/** How far a new point reaches: there alone, from there on, or to the points beside it. */
const SPREADS = ['near', 'on', 'beside'] as const
export type PointSpread = (typeof SPREADS)[number]

export type Hand = 'points' | 'bars' | 'freehand' | 'cells'

/** A stretch of a line that was copied, from tick 0 on. */
export interface Copied {
  readonly points: Points
  readonly length: number
  readonly control: Control
}

/** What is laid on the desk: everything that its parts need to know of an assignment. */
export interface OnTheDesk {
  readonly song: SongVersion
  readonly startingMix: Mix
  readonly brief: StudentBrief
  /** Whether every lane may be changed: at a teacher's own bench, where the start and the model are made. */
  readonly free: boolean
}

/**
 * The desk: what its parts (lanes, mixer, tracks, passes, guide, surface) share. What they need of an assignment is laid on it;
 * they know nothing of the page that did.
 */
export const useDesk = defineStore('desk', () => {
  const player = usePlayer()
  const work = useWork()
  const given = shallowRef<OnTheDesk | null>(null)
  /** The teacher's model, where there is one and this person may hear it. */
  const model = shallowRef<Mix | null>(null)
  /** The lanes on the desk, and the one that is worked on. */
  const lanes = shallowRef<DeskLanes>([])
  const active = ref('')
  /** The lane that is worked on. Setting it shows a lane in its place. */
  const address = computed({
    get: () => active.value,
    set: (lane) => {
      lanes.value = showLane(lanes.value, active.value, lane)
      active.value = lane
    },
  })
  const taskId = ref<string | null>(null)
  /** What the hand does on the lane: points one by one, bars as a whole, or a line drawn freely. */
  const hand = ref<Hand>('points')
  /** The bars that are selected on the lane. */
  const selection = shallowRef<LineSpan | null>(null)
  /** What was copied from a lane. */
  const copied = shallowRef<Copied | null>(null)
  /** Whether what is done with bars is done on all lanes of the desk. */
  const across = ref(false)
  const edgeKind = ref(1)
  /** How a fade, build or sweep gets there, as an index of the forms; −1 for as is usual for it. */
  const way = ref(-1)
  /** How far the line changes where a point is set far from others. Remembered by this browser. */
  const pointSpread = ref<PointSpread>(SPREADS.find((how) => how === kept(SPREAD_KEY)) ?? 'near')
  watch(pointSpread, (how) => keep(SPREAD_KEY, how))
  /** A value that was copied from a point. */
  const copiedValue = shallowRef<{ readonly value: number; readonly control: Control } | null>(null)
  /** How a span goes from its point to the next, copied to be given to others. */
  const copiedForm = shallowRef<Pick<Point, 'form' | 'bend'> | null>(null)
  /** The try whose lines are shown faintly. */
  const compared = ref<string | null>(null)
  /** A place that the teacher points at just now. */
  const pointed = shallowRef<{
    readonly lane: string | null
    readonly from: number
    readonly to: number
  } | null>(null)
  let pointing: ReturnType<typeof setTimeout> | undefined

  /** Brings a place that the teacher points at, and lets it light up for a while. The work stays as it is. */
  function lightUp(place: { lane: string | null; from: number; to: number }): void {
    showPlace(place)
    player.seek(place.from)
    pointed.value = place
    clearTimeout(pointing)
    pointing = setTimeout(() => (pointed.value = null), LIGHT_MS)
  }

  /** The form that a hint shows: a faint line on one lane. */
  const hinted = shallowRef<{ readonly lane: string; readonly points: Points } | null>(null)
  /** Whether the view turns over like a page while it plays. */
  const turns = ref(true)
  /** Whether the lines are hidden, to listen without looking. */
  const justListen = ref(false)
  /** Whether touching a control brings its lane to the desk. */
  const follows = ref(true)
  /** Lanes outside the brief that were opened here. */
  const unlocked = shallowRef<ReadonlySet<string>>(new Set())
  /** Which view of the work is open: who is how loud, the lines, or what is heard of them. */
  const view = ref<'balance' | 'lines' | 'heard'>('lines')
  /** The track or return whose lines lie one under the other in place of the lanes. */
  const linesOf = ref<string | null>(null)
  /** The control whose silence is being explained. */
  const asked = ref<string | null>(null)
  /** The remark whose place is shown. */
  const pinned = ref<string | null>(null)

  /** A version whose review is read, where it is not the newest that came back. */
  const reading = ref<string | null>(null)

  const song = computed(() => given.value?.song ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const { span, zoom, scroll, showAll } = useSpan(() => time.value)
  const { grid, onsets, snap, snapsToThings, step, cell, cellName } = useSnapping({
    song: () => song.value,
    time: () => time.value,
    mix: () => work.mix,
    lane: () => address.value,
    position: () => player.position,
  })
  const task = computed<StudentTask | null>(
    () => given.value?.brief.tasks.find((t) => t.id === taskId.value) ?? null,
  )
  /** The bars that are usually meant: those of the task, where they are not the whole song. */
  const offered = computed((): LineSpan | null => {
    const now = task.value
    if (!now || !song.value || (now.from <= 0 && now.to >= song.value.length)) return null
    return { from: now.from, to: now.to }
  })
  /** The newest version that came back, with what was said about it. */
  const returned = computed<OwnVersion | null>(() => {
    const back = work.versions.filter((v) => v.review !== null)
    return back.find((v) => v.id === reading.value) ?? back.at(-1) ?? null
  })
  const newest = computed<OwnVersion | null>(() => work.versions.at(-1) ?? null)

  /** Width in ticks of the slopes at both ends of a span. */
  function edge(stretch: LineSpan): number {
    const beat = time.value?.meter.lengthsAt(stretch.from).beat ?? 960
    return Math.max(1, Math.min(EDGES[edgeKind.value]!.beats * beat, (stretch.to - stretch.from) / 4))
  }

  /** Selects bars, and lets the hand work on bars. */
  function select(stretch: LineSpan): void {
    hand.value = 'bars'
    selection.value = { from: Math.round(stretch.from), to: Math.round(stretch.to) }
    bringIntoView(stretch)
  }

  /** Shows a stretch as large as it goes. */
  function zoomTo(stretch: LineSpan): void {
    if (!time.value) return
    const margin = (stretch.to - stretch.from) / 20
    span.value = insideSong({ from: stretch.from - margin, to: stretch.to + margin }, time.value.length)
  }

  /** Shows a stretch of the song. */
  function look(stretch: LineSpan): void {
    if (time.value) span.value = insideSong(stretch, time.value.length)
  }

  /** Clears the desk. */
  function clear(): void {
    given.value = null
    model.value = null
  }

  /** Lays something on the desk, and shows what the first task is about. */
  function lay(next: OnTheDesk): void {
    given.value = next
    span.value = { from: 0, to: next.song.length }
    pinned.value = null
    reading.value = null
    hinted.value = null
    const first = next.brief.tasks[0]
    view.value = first && !first.lanes.length ? 'balance' : 'lines'
    asked.value = null
    linesOf.value = null
    selection.value = null
    unlocked.value = new Set()
    compared.value = null
    taskId.value = first?.id ?? null
    active.value = first?.lanes[0] ?? trackLevel(next.song.tracks[0]!.id)
    lanes.value = oneLane(active.value)
  }

  /** Whether the brief asks for this lane. */
  const isInBrief = (lane: string) => given.value?.brief.open.includes(lane) ?? false

  /**
   * Whether this lane may be changed: it is in the brief, or was opened, and is not locked. At a teacher's own bench, where
   * the start and the model are made, every lane may be.
   */
  function isOpen(lane: string): boolean {
    const envelope = work.envelope(lane)
    if (envelope?.open === false) return false
    if (given.value?.free) return true
    const start = given.value && envelopeOf(given.value.startingMix, lane)
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
      label: open ? t('desk.did.opened') : t('desk.did.locked'),
      lanes: [lane],
      from: 0,
      to: song.value?.length ?? 0,
    })
  }

  /** Value of a control at a tick: of its line, else its setting. */
  function valueAt(lane: string, tick: number): number {
    const found = work.mix ? resolve(work.mix, lane) : null
    const line = work.mix ? lineInCharge(work.mix, lane) : undefined
    if (!found) return 0
    return line ? lineValueAt(line.points, found.control.scale, tick) : found.setting
  }

  const touch = useTouchedLane(active, address, follows)

  /** Puts one more lane on the desk, below the one that is worked on. */
  function showBeside(lane: string): void {
    lanes.value = addLane(lanes.value, active.value, lane)
    active.value = lane
  }

  /** Takes a lane off the desk. It goes on sounding. */
  function hideLane(lane: string): void {
    lanes.value = removeLane(lanes.value, lane)
    if (!lanes.value.some((l) => l.address === active.value)) active.value = lanes.value[0]!.address
    work.notice = t('desk.hidden-note')
  }

  watch(span, (stretch) => player.lookAt(stretch))
  // whatever brings a lane brings the lanes
  watch([active, hand, selection], () => (linesOf.value = null))

  // bars stay selected while the hand goes from one lane of the desk to another
  watch(lanes, (now, before) => {
    if (!before.some((l) => now.some((n) => n.address === l.address))) selection.value = null
  })

  // a lane whose control is gone (its effect or return was taken out) leaves the desk before anything looks at it
  watch(
    () => work.mix,
    (mix) => {
      if (!mix || !song.value || !lanes.value.length) return
      const there = lanes.value.filter((l) => resolve(mix, l.address))
      if (there.length === lanes.value.length) return
      lanes.value = there.length ? there : oneLane(trackLevel(song.value.tracks[0]!.id))
      if (!lanes.value.some((l) => l.address === active.value)) active.value = lanes.value[0]!.address
    },
    { flush: 'sync' },
  )

  function chooseTask(id: string): void {
    hinted.value = null
    taskId.value = id
    const lane = task.value?.lanes[0]
    // whoever looks at what is heard goes on looking
    if (view.value !== 'heard') view.value = lane ? 'lines' : 'balance'
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

  /** Shows a place that something was found at: its lane if it has one, and its bars. */
  function showPlace(place: { lane: string | null; from: number; to: number }): void {
    if (place.lane && work.mix && resolve(work.mix, place.lane)) {
      view.value = 'lines'
      address.value = place.lane
    }
    bringIntoView(place)
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

  return {
    given,
    model,
    lay,
    clear,
    address,
    lanes,
    showBeside,
    hideLane,
    taskId,
    task,
    offered,
    grid,
    view,
    asked,
    linesOf,
    reading,
    span,
    pinned,
    song,
    time,
    returned,
    newest,
    isOpen,
    isInBrief,
    setOpen,
    touch,
    valueAt,
    hand,
    across,
    edgeKind,
    pointSpread,
    way,
    edge,
    onsets,
    snap,
    snapsToThings,
    step,
    cell,
    cellName,
    select,
    zoomTo,
    look,
    copiedValue,
    copiedForm,
    compared,
    turns,
    justListen,
    selection,
    copied,
    follows,
    chooseTask,
    showRemark,
    showPlace,
    pointed,
    lightUp,
    hinted,
    zoom,
    scroll,
    showAll,
  }
})
