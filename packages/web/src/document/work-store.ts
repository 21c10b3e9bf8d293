import type { OwnVersion } from '@rudlo/contract/handins'
import type { WorkDocument } from '@rudlo/core/mix'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { workAhead } from '../api/ahead'
import { away } from '../api/away'
import { server, told } from '../api/client'
import { Unreachable } from '../api/errors'
import { usePlayer } from '../engine/player-store'
import { hourText } from '../words/dates'
import { t } from '../words/t'
import { useEditing } from './editing'
import { did, packHistory, unpackHistory } from './history'
import { OfflineCopy, type KeptWork } from './offline-copy'
import { Saver, type Newest, type SaveState } from './saver'
import { useVersions, type Partner } from './versions'
import { WindowGuard } from './window-guard'

/** The student's work that is open: what is edited, and how it is saved, kept here and handed in. Data flows one way from here. */
export const useWork = defineStore('work', () => {
  const player = usePlayer()
  const id = ref('')
  /** The assignment that the work is for; empty while none is open. */
  const assignment = ref('')
  const saveState = ref<SaveState>('saved')
  const saveProblem = ref<string | null>(null)
  const elsewhere = ref(false)
  /** Whether this browser keeps nothing: what is not sent is gone with the page. */
  const keepsNothing = ref(false)
  /** One sentence for the person: why an edit was refused, what was kept where. */
  const notice = ref<string | null>(null)

  const { owner, ...editing } = useEditing({
    isLocked: () => elsewhere.value,
    load: (mix) => player.load(mix),
    changed: (after, command) => saver?.change(after, command),
    say: (sentence) => (notice.value = sentence),
  })
  const { document, history } = editing
  const beside = useVersions(id)

  let saver: Saver | null = null
  let guard: WindowGuard | null = null
  let offline: OfflineCopy | null = null
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
    owner.takeUp(work.document)
    saver = new Saver(work.id, { revision: work.revision, document: work.document }, ports(work, offline))
    const asked = Promise.all([ifThere(beside.refreshTries()), ifThere(beside.refreshVersions())])
    // told with `around`, also where the work itself cannot be taken up
    asked.catch(() => undefined)
    await takeUpHistory(work, offline)
    await takeUpUnsent(work, offline)
    listen()
    guard = new WindowGuard(work.id, () => void lose())
    return { around: Promise.all([asked, guard.claim()]) }
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
    await beside.addTry(name, mine)
    saver?.adopt(newest)
    owner.adopt(newest.document)
    notice.value = t('work.changed-elsewhere', { name })
    await beside.refreshTries()
  }

  async function lose(): Promise<void> {
    editing.cancel()
    elsewhere.value = true
    player.stop()
    await saver?.flush()
  }

  /** Takes the work back to this window, with what the other one did. */
  async function workHere(): Promise<void> {
    const newest = await told(server.works[':work'].$get({ param: { work: id.value } }))
    if (newest.revision !== saver?.revision) {
      saver?.adopt(newest)
      owner.adopt(newest.document)
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
    elsewhere.value = false
    assignment.value = ''
    // a save that is still on its way writes down what was done
    owner.takeUp(null, history.value)
    notice.value = null
  }

  /** Keeps the work as it is now as a try. @throws ApiError or Unreachable with a sentence */
  async function keepTry(name: string): Promise<void> {
    await beside.addTry(name, document.value!)
    await beside.refreshTries()
  }

  /**
   * Saves, then hands in, with what the student was going for, where the hand still writes, and the other one of a pair.
   * @throws ApiError or Unreachable with a sentence
   */
  async function handIn(
    said: string,
    writing: readonly string[],
    partner: Partner | null = null,
  ): Promise<OwnVersion> {
    await saver?.flush()
    return beside.handIn(saver?.revision ?? revision, said, writing, partner)
  }

  const flush = async () => (await saver?.flush()) ?? true

  return {
    id,
    assignment,
    saveState,
    saveProblem,
    elsewhere,
    keepsNothing,
    notice,
    ...editing,
    tries: beside.tries,
    versions: beside.versions,
    refreshVersions: beside.refreshVersions,
    withdraw: beside.withdraw,
    keepTry,
    handIn,
    open,
    leave,
    flush,
    nudge,
    workHere,
  }
})
