import { askedOf, judgeTasks, needsSound, storedMistake } from '@rudlo/core/brief'
import { evidenceOf, type CheckPlace, type Evidence } from '@rudlo/core/evidence'
import type { Heard } from '@rudlo/core/heard'
import { mistakesOf } from '@rudlo/core/mistakes'
import { inTempo, soundingOf, type Mix, type Sounding } from '@rudlo/core/mix'
import { saidMistake, saidTasks, Sayer, type SaidMistake, type SaidTask } from '@rudlo/sentences'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useTriedRepair } from './tried-repair'
import { useDesk } from '../desk-store'
import { server, told } from '../../api/client'
import { useWork } from '../../document/work-store'
import { HearHost } from './hear-host'
import { Played } from './played'
import { t } from '../../words/t'

/** Quiet notes that are shown at once. */
const AT_ONCE = 3
/** After the last change lines are looked at, and rendered, in ms. */
const LINES_MS = 150
const SOUND_MS = 1200
/** So long after the work was changed for the first time, the starting mix is heard in the background, in ms. */
const WARM_MS = 2500

export interface OpenHint {
  readonly task: string
  readonly level: number
  readonly text: string
}

/** What the checks, hints and mistakes of the brief say to the student, when they may. */
export const useGuide = defineStore('guide', () => {
  const desk = useDesk()
  const work = useWork()
  const player = usePlayer()
  /** What the checks said last, by task. */
  const judged = shallowRef<ReadonlyMap<string, SaidTask>>(new Map())
  /** The same of the starting mix. */
  const before = shallowRef<ReadonlyMap<string, SaidTask>>(new Map())
  const mistakes = shallowRef<readonly SaidMistake[]>([])
  /** The mix that was judged: what was said holds for it. */
  const judgedMix = shallowRef<Mix | null>(null)
  /** Share of the rendering that is done; null while nothing is rendered. */
  const listening = ref<number | null>(null)
  const hints = shallowRef<readonly OpenHint[]>([])
  /** How often a task was tried and asked about; the server counts as well, and hints open by its count. */
  const tries = shallowRef<ReadonlyMap<string, number>>(new Map())
  const dismissed = ref<string[]>([])
  const problem = ref('')

  let host: HearHost | null = null
  /** The tempo that it hears in. */
  let hostTempo = ''
  let start: Heard | null = null
  let last: Evidence | null = null
  let played: Played | null = null
  let timers: ReturnType<typeof setTimeout>[] = []
  let warming: ReturnType<typeof setTimeout> | undefined
  /** Tries on their way to the server, one after the other. */
  let counting: Promise<void> = Promise.resolve()

  const brief = computed(() => desk.given?.brief ?? null)
  const answers = computed(() => brief.value?.answers ?? 'handed in')
  /** Whether something changed since the checks answered. */
  const stale = computed(() => judgedMix.value !== null && judgedMix.value !== work.mix)
  const key = (m: Pick<SaidMistake, 'kind' | 'place'>) => `${m.kind} ${m.place.lane} ${m.place.from}`
  const notes = computed(() =>
    mistakes.value.filter((m) => !dismissed.value.includes(key(m))).slice(0, AT_ONCE),
  )

  function evidence(mix: Mix, heard: Heard | null): Evidence {
    const commands = work.history.done.map((s) => ({
      lanes: s.lanes,
      from: s.from,
      to: s.to,
      how: s.how ?? 'hand',
    }))
    const open = brief.value?.open ?? []
    const asked = askedOf(brief.value?.tasks ?? [])
    const sounding = soundingOf(desk.song!, mix)
    const given = inTempo(desk.song!, desk.given!.startingMix, sounding.anew)
    return evidenceOf(sounding.song, given.mix, sounding.mix, {
      commands,
      open,
      heard,
      first: start,
      asked,
    })
  }

  /** Who hears mixes in the tempo that one asks for. In another tempo the starting mix has to be heard anew, too. */
  function hostFor({ song, anew }: Sounding): HearHost {
    const tempo = JSON.stringify(anew)
    if (host && hostTempo === tempo) return host
    host?.close()
    start = null
    hostTempo = tempo
    host = new HearHost({ song, anew }, (share) =>
      listening.value === null ? undefined : (listening.value = share),
    )
    return host
  }

  const sayer = (mix: Mix) => new Sayer({ song: desk.song!, mix, start: desk.given!.startingMix })

  /** Judges by the lines alone: at once. What must be heard keeps what was said of it. */
  function lookAtLines(): void {
    const { mix } = work
    if (!mix || !brief.value) return
    const found = saidTasks(sayer(mix), judgeTasks(evidence(mix, null), brief.value.tasks))
    const kept = new Map(judged.value)
    for (const task of found) {
      const old = kept.get(task.task)?.checks ?? []
      const heard = old.filter((c) => !task.checks.some((t) => t.check === c.check))
      kept.set(task.task, { ...task, checks: [...task.checks, ...heard], verdict: task.verdict })
    }
    judged.value = kept
  }

  /** Renders the work and judges everything. @param passing whether a change of the work gives it up */
  async function listen(passing = false): Promise<void> {
    const { mix } = work
    if (!mix || !brief.value || !desk.song) return
    const sounding = soundingOf(desk.song, mix)
    const mine = hostFor(sounding)
    problem.value = ''
    listening.value = 0
    try {
      const heard = await mine.hear(sounding.mix, passing)
      start ??= await mine.hear(inTempo(desk.song, desk.given!.startingMix, sounding.anew).mix, false)
      if (host !== mine || !heard || !start) return
      last = evidence(mix, heard)
      judged.value = byTask(saidTasks(sayer(mix), judgeTasks(last, brief.value.tasks)))
      before.value = byTask(
        saidTasks(
          sayer(desk.given!.startingMix),
          judgeTasks({ ...evidence(desk.given!.startingMix, start), commands: [] }, brief.value.tasks),
        ),
      )
      mistakes.value = mistakesOf(last).map((m) => saidMistake(sayer(mix), storedMistake(m)))
      judgedMix.value = mix
    } catch (error) {
      if (host === mine) problem.value = (error as Error).message
    } finally {
      if (host === mine) listening.value = null
    }
  }

  /** While nothing else is asked: the starting mix is heard, and with it most parts of the work. */
  async function warm(): Promise<void> {
    if (host || start || !desk.song || !brief.value?.tasks.some((t) => t.checks.some(needsSound))) return
    const sounding = soundingOf(desk.song, desk.given!.startingMix)
    const mine = hostFor(sounding)
    const heard = await mine.hear(sounding.mix, false).catch(() => null)
    if (host === mine) start ??= heard
  }

  const byTask = (tasks: readonly SaidTask[]) => new Map(tasks.map((t) => [t.task, t]))

  /** The student asks: what is there now is heard and judged. */
  async function ask(): Promise<void> {
    countTry()
    await listen()
  }

  function countTry(): void {
    const task = desk.taskId
    if (!task) return
    tries.value = new Map(tries.value).set(task, (tries.value.get(task) ?? 0) + 1)
    counting = counting.then(() =>
      told(server.works[':work'].asked.$post({ param: { work: work.id }, json: { task } })).then(
        () => undefined,
        () => undefined,
      ),
    )
  }

  const trying = useTriedRepair()
  // what is tried was made of the work as it was, and belongs to a mistake that is shown
  watch([() => work.mix, mistakes, dismissed], () => trying.leave())

  /** Shows a repair beside the line as it is. */
  function repair(mistake: SaidMistake): void {
    if (!last || !work.mix) return
    // made of the work as it is now: since it was judged it may have changed
    const now = mistakesOf({ ...evidence(work.mix, last.heard) }, [mistake.kind])
    const found =
      now.find((m) => key(storedMistake(m)) === key(mistake)) ??
      now.find((m) => m.place.lane === mistake.place.lane)
    if (!found?.repair) {
      work.notice = t('guide.repair.none')
      return
    }
    const { label, mix } = found.repair()
    trying.offer(mistake, { mix, label: sayer(mix).say(label) })
  }

  /** Takes the repair that is tried, and plays it. */
  function takeRepair(): void {
    const mended = trying.take()
    if (!mended) return
    mistakes.value = mistakes.value.filter((m) => m !== mended)
    show(mended.place)
  }

  const canRepair = (mistake: SaidMistake) =>
    brief.value?.repairs === true && !['ploughed over'].includes(mistake.kind)

  /** Shows a place on its lane, and plays it from a bar before. */
  function show(place: CheckPlace): void {
    desk.showPlace(place)
    const { meter } = desk.time!
    player.seek(meter.barStart(Math.max(1, meter.placeAt(place.from).bar - 1)))
    void player.play()
  }

  const dismiss = (mistake: SaidMistake) => (dismissed.value = [...dismissed.value, key(mistake)])

  const hintsOf = (task: string) => hints.value.filter((h) => h.task === task)
  /** Whether the next hint of a task may be opened by now. */
  const mayHint = (task: string) => (tries.value.get(task) ?? 0) >= (brief.value?.hintsAfter ?? 0)

  async function openHint(task: string): Promise<void> {
    problem.value = ''
    try {
      await counting
      const level = hintsOf(task).length
      const hint = await told(
        server.works[':work'].hints.$post({ param: { work: work.id }, json: { task, level } }),
      )
      hints.value = [...hints.value, hint]
    } catch (error) {
      problem.value = (error as Error).message
    }
  }

  /** What was opened at an earlier time is open again: it was counted then. */
  async function takeUpHints(id: string): Promise<void> {
    const [opened, asked] = await Promise.all([
      told(server.works[':work'].hints.$get({ param: { work: id } })),
      told(server.works[':work'].asked.$get({ param: { work: id } })),
    ])
    if (work.id === id) {
      // something may have been tried in the meantime
      const all = new Map(tries.value)
      for (const { task, tries: count } of asked) all.set(task, Math.max(count, all.get(task) ?? 0))
      tries.value = all
    }
    const again = await Promise.all(
      opened.map((h) => told(server.works[':work'].hints.$post({ param: { work: id }, json: h }))),
    )
    if (work.id === id) hints.value = again
  }

  function close(): void {
    host?.close()
    host = null
    start = null
    last = null
    played = null
    for (const timer of timers) clearTimeout(timer)
    clearTimeout(warming)
    warming = undefined
    judged.value = new Map()
    before.value = new Map()
    mistakes.value = []
    judgedMix.value = null
    listening.value = null
    hints.value = []
    tries.value = new Map()
    dismissed.value = []
    problem.value = ''
  }

  watch(
    () => work.assignment,
    (assignment) => {
      close()
      if (assignment) void takeUpHints(work.id).catch(() => undefined)
    },
    { immediate: true },
  )
  watch(
    [() => work.mix, () => desk.taskId],
    ([mix], [old]) => {
      if (desk.task) played = new Played(desk.task)
      for (const timer of timers) clearTimeout(timer)
      if (!mix || !old) return
      // whoever only looks never asks
      if (mix !== old && player.ready) warming ??= setTimeout(() => void warm(), WARM_MS)
      if (answers.value !== 'drawing') return
      timers = [setTimeout(lookAtLines, LINES_MS), setTimeout(() => void listen(true), SOUND_MS)]
    },
    { immediate: true },
  )
  watch(
    () => player.position,
    (tick) => {
      if (answers.value !== 'played' || !player.playing || !player.moves || !played) return
      if (!played.at(tick) || !brief.value?.tasks.some((t) => t.checks.length)) return
      played = null
      countTry()
      void listen(true)
    },
  )

  return {
    judged,
    before,
    mistakes,
    notes,
    stale,
    listening,
    answers,
    problem,
    tries,
    ask,
    listen,
    repair,
    takeRepair,
    trying,
    canRepair,
    dismiss,
    show,
    hostFor,
    hintsOf,
    mayHint,
    openHint,
    close,
  }
})
