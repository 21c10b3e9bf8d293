import { EditRefused, type Points } from '@rudlo/core/envelope'
import {
  envelopeOf,
  freeChanged,
  freedMotifs,
  withPoints,
  type ListeningNote,
  type Mix,
  type WorkDocument,
} from '@rudlo/core/mix'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../engine/player-store'
import { away } from '../api/away'
import { workAhead } from '../api/ahead'
import { server, told } from '../api/client'
import { Unreachable } from '../api/errors'
import type { OwnVersion } from '@rudlo/contract/handins'
import type { TryView } from '@rudlo/contract/works'
import { calmly, forgetCalm } from '../engine/calm'
import {
  did,
  EMPTY_HISTORY,
  packHistory,
  redo as redone,
  undo as undone,
  unpackHistory,
  type History,
  type Step,
} from './history'
import { OfflineCopy, type KeptWork } from './offline-copy'
import type { CommandReport, Way } from '@rudlo/contract/works'
import { Saver, type Newest, type SaveState } from './saver'
import { WindowGuard } from './window-guard'
import { hourText } from '../words/dates'
import { t } from '../words/t'

/** What a change is called and where it is. */
export interface ChangeLabel {
  readonly label: string
  readonly lanes: readonly string[]
  readonly from: number
  readonly to: number
  /** By hand if not given, else by which way of writing in a pass. */
  readonly how?: Way
}

/** The student's work that is open: its document, its history, its saving. Data flows one way from here. */
export const useWork = defineStore('work', () => {
  const player = usePlayer()
  const id = ref('')
  /** The assignment that the work is for; empty while none is open. */
  const assignment = ref('')
  const document = shallowRef<WorkDocument | null>(null)
  /**
   * The line that a hand is making just now, with its document: heard and drawn at once, ahead of `document`, which follows
   * calmly. So only what lies under the hand moves with every frame. Null where no line is in hand.
   */
  const inHand = shallowRef<{
    readonly address: string
    readonly points: Points
    readonly document: WorkDocument
  } | null>(null)
  const history = shallowRef<History>(EMPTY_HISTORY)
  const saveState = ref<SaveState>('saved')
  const saveProblem = ref<string | null>(null)
  const elsewhere = ref(false)
  /** Whether this browser keeps nothing: what is not sent is gone with the page. */
  const keepsNothing = ref(false)
  /** One sentence for the person: why an edit was refused, what was kept where. */
  const notice = ref<string | null>(null)
  /** What is heard instead of the work, by id of the try or as `start`; null while the work itself is heard. */
  const heard = ref<string | null>(null)
  const tries = shallowRef<readonly TryView[]>([])
  const versions = shallowRef<readonly OwnVersion[]>([])

  const mix = computed<Mix | null>(() => document.value?.mix ?? null)
  const notes = computed<readonly ListeningNote[]>(() => document.value?.notes ?? [])
  const canUndo = computed(() => history.value.done.length > 0)
  const canRedo = computed(() => history.value.undone.length > 0)

  let saver: Saver | null = null
  let guard: WindowGuard | null = null
  let offline: OfflineCopy | null = null
  let gesture: WorkDocument | null = null
  let revision = 0

  /** A work as the server has it, or, where it is away, as it was last known here. @throws Unreachable where it is not */
  async function lookUp(assignmentId: string, copy: OfflineCopy): Promise<KeptWork> {
    try {
      const work = await workAhead.take(assignmentId)
      void copy.writeOpened(work).catch(() => undefined)
      return work
    } catch (error) {
      const known = error instanceof Unreachable ? await copy.readOpened(assignmentId) : undefined
      if (!known) throw error
      return known
    }
  }

  /**
   * Opens the person's work for an assignment, with whatever this browser still held unsent.
   * @returns `around`: when its tries and versions are there too, and other windows know of this one
   */
  async function open(
    assignmentId: string,
    personId: string,
  ): Promise<{ readonly around: Promise<unknown> }> {
    await leave()
    keepsNothing.value = false
    offline = new OfflineCopy(personId, () => (keepsNothing.value = true))
    const work = await lookUp(assignmentId, offline)
    id.value = work.id
    assignment.value = work.assignmentId
    revision = work.revision
    document.value = work.document
    history.value = EMPTY_HISTORY
    saver = new Saver(work.id, { revision: work.revision, document: work.document }, ports(work, offline))
    const beside = Promise.all([ifThere(refreshTries()), ifThere(refreshVersions())])
    // told with `around`, also where the work itself cannot be taken up
    beside.catch(() => undefined)
    await takeUpHistory(work, offline)
    await takeUpUnsent(work, offline)
    listen()
    guard = new WindowGuard(work.id, () => void lose())
    return { around: Promise.all([beside, guard.claim()]) }
  }

  /** What the work can do without comes when the server is there. */
  const ifThere = (asked: Promise<void>): Promise<void> =>
    asked.catch((error) => {
      if (!(error instanceof Unreachable)) throw error
    })

  function ports(
    { id: workId, assignmentId }: KeptWork,
    copy: OfflineCopy,
  ): ConstructorParameters<typeof Saver>[2] {
    return {
      // the clock of this machine goes along: the server sees from it how long ago something was done
      send: (request) =>
        told(
          server.works[':work'].$patch({
            param: { work: workId },
            json: { ...request, now: new Date().toISOString() },
          }),
        ),
      keep: (unsent) => copy.write(unsent),
      clear: () => copy.clear(workId),
      // before anybody reads that it is saved: who does may close the page at once
      settled: async (at) => copy.writeHistory({ workId, revision: at, steps: packHistory(history.value) }),
      acked: (newest, save) => copy.writeOpened({ id: workId, assignmentId, ...newest, lastSave: save }),
      onState: (state, problem) => {
        saveState.value = state
        saveProblem.value = problem
        revision = saver?.revision ?? revision
      },
      onConflict: settleConflict,
    }
  }

  /** What was done outlives a reload: it was written down as often as the work was saved. */
  async function takeUpHistory(work: KeptWork, copy: OfflineCopy): Promise<void> {
    const kept = await copy.readHistory(work.id).catch(() => undefined)
    if (kept?.revision === work.revision) history.value = unpackHistory(work.document, kept.steps)
  }

  /** Edits that a closed lid or a lost server left in this browser. */
  async function takeUpUnsent(work: KeptWork, copy: OfflineCopy): Promise<void> {
    const unsent = await copy.read(work.id)
    if (!unsent) return
    const arrived =
      unsent.sent !== null && work.lastSave === unsent.sent.save && work.revision === unsent.revision + 1
    if (unsent.revision === work.revision || arrived) {
      const whole = { lanes: [], from: 0, to: 0, before: work.document, after: unsent.document }
      history.value = did(history.value, { ...whole, label: t('work.unsent.name') })
      document.value = unsent.document
      saver?.resume(unsent.document, [
        ...(arrived ? [] : (unsent.sent?.commands ?? [])),
        ...(unsent.commands ?? []),
      ])
      notice.value = t('work.unsent.back')
    } else await settleConflict({ revision: work.revision, document: work.document }, unsent.document)
  }

  /** The other side won: what was here is kept as a try, and the newest is shown. */
  async function settleConflict(newest: Newest, mine: WorkDocument): Promise<void> {
    const at = hourText(new Date())
    const name = t('work.other-window', { at })
    await told(
      server.works[':work'].tries.$post({ param: { work: id.value }, json: { name, document: mine } }),
    )
    saver?.adopt(newest)
    history.value = EMPTY_HISTORY
    show(newest.document)
    notice.value = t('work.changed-elsewhere', { name })
    await refreshTries()
  }

  async function lose(): Promise<void> {
    cancel()
    elsewhere.value = true
    player.stop()
    await saver?.flush()
  }

  /** Takes the work back to this window, with what the other one did. */
  async function workHere(): Promise<void> {
    const newest = await told(server.works[':work'].$get({ param: { work: id.value } }))
    if (newest.revision !== saver?.revision) {
      saver?.adopt(newest)
      history.value = EMPTY_HISTORY
      show(newest.document)
    }
    elsewhere.value = false
    await guard?.claim()
  }

  const nudge = () => document.value && saver?.nudge()
  /** Ends listening for a network that comes back, or a window that is looked at again. */
  let stopListening = () => {}
  function listen(): void {
    stopListening()
    const ends = [
      useEventListener(window, 'online', nudge),
      useEventListener(window.document, 'visibilitychange', nudge),
      watch(away, (now) => !now && nudge()),
    ]
    stopListening = () => ends.forEach((end) => end())
  }

  /** Saves what there is and closes the work, unless another one was opened meanwhile. */
  async function leave(): Promise<void> {
    const mine = saver
    await mine?.flush()
    // what was asked for before this was saved is older than it
    if (mine) workAhead.forget()
    if (saver === mine) close()
  }

  function close(): void {
    stopListening()
    guard?.close()
    saver?.close()
    guard = null
    saver = null
    gesture = null
    elsewhere.value = false
    heard.value = null
    assignment.value = ''
    letGo()
    document.value = null
    notice.value = null
  }

  function show(next: WorkDocument): void {
    letGo()
    heard.value = null
    document.value = next
    player.load(next.mix)
  }

  /** Lets something else be heard at the same place, or the work itself again. The work stays as it is. */
  function hear(what: string | null, instead: WorkDocument | null): void {
    settle()
    heard.value = instead ? what : null
    const sounding = instead ?? document.value
    if (sounding) player.load(sounding.mix)
  }

  /** Keeps the work as it is now as a try. @throws ApiError or Unreachable with a sentence */
  async function keepTry(name: string): Promise<void> {
    await told(
      server.works[':work'].tries.$post({
        param: { work: id.value },
        json: { name, document: document.value! },
      }),
    )
    await refreshTries()
  }

  /** Starts a gesture: what follows is heard and seen at once, and becomes one step when it is committed. */
  function begin(): void {
    gesture ??= document.value
  }

  /** Lets the document catch up with the hand. */
  function settle(): void {
    if (inHand.value) document.value = inHand.value.document
  }

  function letGo(): void {
    forgetCalm(settle)
    inHand.value = null
  }

  /** Shows the points of a lane as they would be. Measured from the start of the gesture. */
  function preview(address: string, points: Points): void {
    if (!gesture) return
    const next = edited(gesture, address, points)
    if (!next) return
    // what a gesture begins with is there at once: a new point can be selected
    if (inHand.value) player.load(next.mix)
    else show(next)
    inHand.value = { address, points: envelopeOf(next.mix, address)?.points ?? points, document: next }
    calmly(settle)
  }

  /** Shows the mix as it would be. Measured from the start of the gesture. */
  function previewMix(make: (mix: Mix) => Mix): void {
    if (!gesture || elsewhere.value) return
    const next = made(gesture, make)
    if (next) show(next)
  }

  /** Changes the mix as one step; null where nothing changed. */
  function setMix(make: (mix: Mix) => Mix, change: ChangeLabel): Step | null {
    settle()
    const before = document.value
    if (!before || elsewhere.value) return null
    const next = made(before, make)
    if (!next || next === before) return null
    show(next)
    return keep(before, next, change)
  }

  /** Makes a step anew, as long as it is the newest: something is still being adjusted. Null where it is not. */
  function amend(step: Step, make: (mix: Mix) => Mix, change: ChangeLabel): Step | null {
    const { done } = history.value
    if (done.at(-1) !== step || elsewhere.value) return null
    const next = made(step.before, make)
    if (!next) return null
    history.value = { done: done.slice(0, -1), undone: [] }
    show(next)
    return keep(step.before, next, change)
  }

  /** Changes the listening notes as one step. */
  function setNotes(
    make: (notes: readonly ListeningNote[]) => readonly ListeningNote[],
    change: ChangeLabel,
  ): void {
    settle()
    const before = document.value
    if (!before || elsewhere.value) return
    const next = { ...before, notes: make(before.notes) }
    show(next)
    keep(before, next, change)
  }

  function commit(change: ChangeLabel): void {
    settle()
    letGo()
    const before = gesture
    gesture = null
    if (before && document.value && before !== document.value) keep(before, document.value, change)
  }

  function cancel(): void {
    if (gesture) show(gesture)
    gesture = null
  }

  /** Gives a lane new points as one step. */
  function setPoints(address: string, points: Points, change: ChangeLabel): void {
    settle()
    const before = document.value
    if (!before || elsewhere.value) return
    const next = edited(before, address, points)
    if (!next || next === before) return
    show(next)
    keep(before, next, change)
  }

  /** Goes on from another whole document: a try, an earlier version. One step, undoable. */
  function replace(next: WorkDocument, label: string): void {
    settle()
    const before = document.value
    if (!before || elsewhere.value) return
    show(next)
    keep(before, next, { label, lanes: [], from: 0, to: 0 }, true)
  }

  function edited(from: WorkDocument, address: string, points: Points): WorkDocument | null {
    return made(from, (mix) => withPoints(mix, address, points, () => crypto.randomUUID()))
  }

  /** The document with a changed mix; null where the edit was refused, the same one where nothing changed. */
  function made(from: WorkDocument, make: (mix: Mix) => Mix): WorkDocument | null {
    if (elsewhere.value) return null
    try {
      const next = freeChanged(from.mix, make(from.mix))
      return next === from.mix ? from : { ...from, mix: next }
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error
      notice.value = error.message
      return null
    }
  }

  function keep(before: WorkDocument, after: WorkDocument, change: ChangeLabel, whole = false): Step {
    const freed = whole ? [] : freedMotifs(before.mix, after.mix)
    if (freed.length) notice.value = t('work.freed', { names: freed.join('”, “') })
    const step = { ...change, before, after }
    history.value = did(history.value, step)
    report(after, change)
    return step
  }

  function report(after: WorkDocument, { label, lanes, from, to, how = 'hand' }: ChangeLabel): void {
    const command: CommandReport = {
      label: label.slice(0, 200),
      lanes,
      from: Math.max(0, Math.round(from)),
      to: Math.max(0, Math.round(to)),
      how,
      at: new Date().toISOString(),
    }
    saver?.change(after, command)
  }

  function travel(go: (h: History) => { history: History; step: Step } | null, back: boolean): void {
    if (elsewhere.value || gesture) return
    const moved = go(history.value)
    if (!moved) return
    history.value = moved.history
    const next = back ? moved.step.before : moved.step.after
    show(next)
    report(next, { ...moved.step, label: `${back ? t('work.undid') : t('work.redid')}: ${moved.step.label}` })
  }

  const undo = () => travel(undone, true)
  const redo = () => travel(redone, false)

  async function refreshTries(): Promise<void> {
    tries.value = await told(server.works[':work'].tries.$get({ param: { work: id.value } }))
  }

  async function refreshVersions(): Promise<void> {
    versions.value = await told(server.works[':work']['hand-ins'].$get({ param: { work: id.value } }))
  }

  /**
   * Saves, then hands in, with what the student was going for, where the hand still writes, and the other one of a pair.
   * @throws ApiError or Unreachable with a sentence
   */
  async function handIn(
    said: string,
    writing: readonly string[],
    partner: { readonly signIn: string; readonly password: string } | null = null,
  ): Promise<OwnVersion> {
    await saver?.flush()
    const made = await told(
      server.works[':work']['hand-ins'].$post({
        param: { work: id.value },
        json: {
          revision: saver?.revision ?? revision,
          said,
          writing,
          ...(partner ? { partner } : {}),
        },
      }),
    )
    await refreshVersions()
    return made
  }

  /** Takes a version away again. @throws ApiError where a teacher has looked at it */
  async function withdraw(handIn: string): Promise<void> {
    await told(server['hand-ins'][':handIn'].$delete({ param: { handIn } }))
    await refreshVersions()
  }

  const flush = async () => (await saver?.flush()) ?? true
  const envelope = (address: string) => (mix.value ? envelopeOf(mix.value, address) : undefined)

  return {
    id,
    assignment,
    document,
    inHand,
    mix,
    history,
    saveState,
    saveProblem,
    elsewhere,
    keepsNothing,
    notice,
    tries,
    heard,
    hear,
    keepTry,
    versions,
    canUndo,
    canRedo,
    open,
    leave,
    begin,
    preview,
    settle,
    previewMix,
    setMix,
    amend,
    setNotes,
    notes,
    commit,
    cancel,
    setPoints,
    replace,
    undo,
    redo,
    handIn,
    withdraw,
    flush,
    nudge,
    workHere,
    refreshVersions,
    envelope,
  }
})
