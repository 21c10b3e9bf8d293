import type { CommandReport, Way } from '@rudlo/contract/works'
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
import { computed, ref, shallowRef } from 'vue'
import { calmly, forgetCalm } from '../engine/calm'
import { t } from '../words/t'
import { did, EMPTY_HISTORY, redo as redone, undo as undone, type History, type Step } from './history'

/** What a change is called and where it is. */
export interface ChangeLabel {
  readonly label: string
  readonly lanes: readonly string[]
  readonly from: number
  readonly to: number
  /** By hand if not given, else by which way of writing in a pass. */
  readonly how?: Way
}

/** What editing needs of whom the document belongs to. */
export interface EditingPorts {
  /** Whether nothing may be changed here now. */
  readonly isLocked: () => boolean
  /** Lets a mix be heard. */
  readonly load: (mix: Mix) => void
  /** Something was done, taken back or done again: what is there now is to be kept. */
  readonly changed: (after: WorkDocument, command: CommandReport) => void
  /** Says a sentence to the person: why an edit was refused, what it brought along. */
  readonly say: (sentence: string) => void
}

const newId = () => crypto.randomUUID()

/** A document that is edited: gestures that are heard at once, steps, and the way back. It knows nothing of servers. */
export function useEditing({ isLocked, load, changed, say }: EditingPorts) {
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
  /** What is heard instead of the work, by id of the try or as `start`; null while the work itself is heard. */
  const heard = ref<string | null>(null)

  const mix = computed<Mix | null>(() => document.value?.mix ?? null)
  const notes = computed<readonly ListeningNote[]>(() => document.value?.notes ?? [])
  const canUndo = computed(() => history.value.done.length > 0)
  const canRedo = computed(() => history.value.undone.length > 0)
  const envelope = (address: string) => (mix.value ? envelopeOf(mix.value, address) : undefined)

  /** What a gesture began with. */
  let gesture: WorkDocument | null = null

  /** Lets the document catch up with the hand. */
  function settle(): void {
    if (inHand.value) document.value = inHand.value.document
  }

  function letGo(): void {
    forgetCalm(settle)
    inHand.value = null
  }

  function show(next: WorkDocument): void {
    letGo()
    heard.value = null
    document.value = next
    load(next.mix)
  }

  /** Takes up another document, with what was done to it: nothing of the one before is left. */
  function takeUp(next: WorkDocument | null, steps: History = EMPTY_HISTORY): void {
    gesture = null
    heard.value = null
    letGo()
    document.value = next
    history.value = steps
  }

  /** Shows a document that came from elsewhere: there is no way back to before it. */
  function adopt(next: WorkDocument): void {
    history.value = EMPTY_HISTORY
    show(next)
  }

  /** Lets something else be heard at the same place, or the work itself again. The work stays as it is. */
  function hear(what: string | null, instead: WorkDocument | null): void {
    settle()
    heard.value = instead ? what : null
    const sounding = instead ?? document.value
    if (sounding) load(sounding.mix)
  }

  /** The document with a changed mix; null where the edit was refused, the same one where nothing changed. */
  function made(from: WorkDocument, make: (mix: Mix) => Mix): WorkDocument | null {
    if (isLocked()) return null
    try {
      const next = freeChanged(from.mix, make(from.mix))
      return next === from.mix ? from : { ...from, mix: next }
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error
      say(error.message)
      return null
    }
  }

  function report(after: WorkDocument, { label, lanes, from, to, how = 'hand' }: ChangeLabel): void {
    changed(after, {
      label: label.slice(0, 200),
      lanes,
      from: Math.max(0, Math.round(from)),
      to: Math.max(0, Math.round(to)),
      how,
      at: new Date().toISOString(),
    })
  }

  function keep(before: WorkDocument, after: WorkDocument, change: ChangeLabel, whole = false): Step {
    const freed = whole ? [] : freedMotifs(before.mix, after.mix)
    if (freed.length) say(t('work.freed', { names: freed.join('”, “') }))
    const step = { ...change, before, after }
    history.value = did(history.value, step)
    report(after, change)
    return step
  }

  /** Starts a gesture: what follows is heard and seen at once, and becomes one step when it is committed. */
  function begin(): void {
    gesture ??= document.value
  }

  /** Shows the points of a lane as they would be. Measured from the start of the gesture. */
  function preview(address: string, points: Points): void {
    if (!gesture) return
    const next = made(gesture, (of) => withPoints(of, address, points, newId))
    if (!next) return
    // what a gesture begins with is there at once: a new point can be selected
    if (inHand.value) load(next.mix)
    else show(next)
    inHand.value = { address, points: envelopeOf(next.mix, address)?.points ?? points, document: next }
    calmly(settle)
  }

  /** Shows the mix as it would be. Measured from the start of the gesture. */
  function previewMix(make: (mix: Mix) => Mix): void {
    if (!gesture) return
    const next = made(gesture, make)
    if (next) show(next)
  }

  /** Ends a gesture as one step. */
  function commit(change: ChangeLabel): void {
    settle()
    letGo()
    const before = gesture
    gesture = null
    if (before && document.value && before !== document.value) keep(before, document.value, change)
  }

  /** Ends a gesture as if it had not been. */
  function cancel(): void {
    if (gesture) show(gesture)
    gesture = null
  }

  /** Makes another document of the one there is, as one step; null where nothing changed. */
  function step(
    make: (before: WorkDocument) => WorkDocument | null,
    change: ChangeLabel,
    whole = false,
  ): Step | null {
    settle()
    const before = document.value
    if (!before || isLocked()) return null
    const next = make(before)
    if (!next || next === before) return null
    show(next)
    return keep(before, next, change, whole)
  }

  /** Changes the mix as one step; null where nothing changed. */
  const setMix = (make: (mix: Mix) => Mix, change: ChangeLabel): Step | null =>
    step((before) => made(before, make), change)

  /** Gives a lane new points as one step. */
  const setPoints = (address: string, points: Points, change: ChangeLabel): void =>
    void setMix((of) => withPoints(of, address, points, newId), change)

  /** Changes the listening notes as one step. */
  const setNotes = (
    make: (notes: readonly ListeningNote[]) => readonly ListeningNote[],
    change: ChangeLabel,
  ): void => void step((before) => ({ ...before, notes: make(before.notes) }), change)

  /** Goes on from another whole document: a try, an earlier version. One step, undoable. */
  const replace = (next: WorkDocument, label: string): void =>
    void step(() => next, { label, lanes: [], from: 0, to: 0 }, true)

  /** Makes a step anew, as long as it is the newest: something is still being adjusted. Null where it is not. */
  function amend(newest: Step, make: (mix: Mix) => Mix, change: ChangeLabel): Step | null {
    const { done } = history.value
    if (done.at(-1) !== newest) return null
    const next = made(newest.before, make)
    if (!next) return null
    history.value = { done: done.slice(0, -1), undone: [] }
    show(next)
    return keep(newest.before, next, change)
  }

  function travel(go: (h: History) => { history: History; step: Step } | null, back: boolean): void {
    if (isLocked() || gesture) return
    const moved = go(history.value)
    if (!moved) return
    history.value = moved.history
    const next = back ? moved.step.before : moved.step.after
    show(next)
    report(next, { ...moved.step, label: `${back ? t('work.undid') : t('work.redid')}: ${moved.step.label}` })
  }

  const undo = () => travel(undone, true)
  const redo = () => travel(redone, false)

  return {
    document,
    inHand,
    history,
    heard,
    mix,
    notes,
    canUndo,
    canRedo,
    envelope,
    hear,
    settle,
    begin,
    preview,
    previewMix,
    commit,
    cancel,
    setMix,
    setPoints,
    setNotes,
    replace,
    amend,
    undo,
    redo,
    /** What nobody but whom the document belongs to does. */
    owner: { takeUp, adopt },
  }
}
