import { LESSONS, tasksFromModel, type Brief, type BriefTask, type Lesson } from '@rudlo/core/brief'
import { kindOf, startValues, type Check } from '@rudlo/core/checks'
import { allLanes, TEMPO, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { Sayer } from '@rudlo/sentences'
import { soundsHere } from './sounds-here'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import type {
  ChangedAssignment,
  SettingsView as AssignmentSettings,
  TrialView,
  WrittenAssignment,
} from '@rudlo/contract/assignments'
import { useGroups } from './groups-store'
import { rawText, t } from '../../words/t'
import type { MessageKey } from '@rudlo/words/language'
import { laneText } from './lane-text'

const freshId = () => crypto.randomUUID()

/** What a kind of check asks, with `{name}` where a value stands. */
const sentenceOf = (kind: string): string => rawText(`asks.${kind}` as MessageKey)

/** What is wrong with a change, in the words of the contract, which is fetched when it is needed first. */
async function faultsInChange(change: ChangedAssignment) {
  const [{ faultsIn }, { ChangedAssignment: type }] = await Promise.all([
    import('@rudlo/contract/validation'),
    import('@rudlo/contract/assignments'),
  ])
  return faultsIn(type, change)
}

/** A part of an assignment that is written by itself. */
export type Part = 'about' | 'task' | 'model' | 'publish'

/** The brief that a teacher writes. Every change is a new brief; nothing is kept before it is saved. */
export const useBrief = defineStore('brief', () => {
  const groups = useGroups()
  const assignment = shallowRef<WrittenAssignment | null>(null)
  const brief = shallowRef<Brief | null>(null)
  const title = ref('')
  const settings = shallowRef<AssignmentSettings | null>(null)
  const model = shallowRef<Mix | null>(null)
  /** What is written: the whole, one task, the model, or for whom and when. */
  const part = ref<Part>('about')
  /** The task that is open, or was last. */
  const openTask = ref<string | null>(null)
  const saving = ref(false)
  /** What is wrong with what is set, in the words of the contract. */
  const faults = shallowRef<Readonly<Partial<Record<keyof ChangedAssignment, string>>>>({})
  const problem = ref('')
  const trial = shallowRef<TrialView | null>(null)
  /** How often each check was overruled on the review desk, by its id. */
  const overruledChecks = shallowRef<Readonly<Record<string, number>>>({})
  const trying = ref(false)
  const past = shallowRef<readonly Brief[]>([])
  const saved = shallowRef('')

  /** What is wrong with a field; null where nothing is known to be. */
  const fault = (field: keyof ChangedAssignment): string | null => faults.value[field] ?? null

  const song = computed(() => assignment.value?.songDocument ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const mix = computed(() => assignment.value?.startingMix ?? null)
  const lanes = computed(() =>
    song.value && mix.value
      ? allLanes(mix.value).map((lane) => ({ lane, text: laneText(song.value!, mix.value!, lane) }))
      : [],
  )
  const state = () => JSON.stringify([title.value, brief.value, settings.value])
  const changed = computed(() => assignment.value !== null && state() !== saved.value)
  const isDraft = computed(() => settings.value?.draft === true)

  async function open(id: string): Promise<void> {
    assignment.value = null
    const found = await told(server.assignments[':assignment'].$get({ param: { assignment: id } }))
    if (!found.settings) throw new Error(t('brief.not-yours'))
    model.value = found.hasModel
      ? (await told(server.assignments[':assignment'].model.$get({ param: { assignment: id } }))).mix
      : null
    brief.value = found.brief
    title.value = found.title
    settings.value = found.settings
    trial.value = null
    past.value = []
    problem.value = ''
    faults.value = {}
    showTask(found.brief.tasks[0]?.id ?? null)
    assignment.value = found
    saved.value = state()
    void lookAtOverruled(id)
  }

  function showTask(id: string | null): void {
    openTask.value = id
    part.value = id ? 'task' : 'about'
  }

  /** Which checks teachers overrule: those want mending. Nothing else waits for it. */
  async function lookAtOverruled(id: string): Promise<void> {
    overruledChecks.value = {}
    try {
      const { checks } = await told(
        server.assignments[':assignment'].overruled.$get({ param: { assignment: id } }),
      )
      if (assignment.value?.id === id) overruledChecks.value = checks
    } catch {
      // the brief can be written without it
    }
  }

  function change(next: Brief): void {
    if (brief.value) past.value = [...past.value, brief.value].slice(-100)
    brief.value = next
    trial.value = null
  }

  function undo(): void {
    const before = past.value.at(-1)
    if (!before) return
    past.value = past.value.slice(0, -1)
    brief.value = before
    if (!before.tasks.some((task) => task.id === openTask.value)) showTask(before.tasks[0]?.id ?? null)
  }

  const changeTasks = (make: (tasks: readonly BriefTask[]) => readonly BriefTask[]) => {
    const tasks = make(brief.value!.tasks)
    // what a task is about may be changed
    const open = [...new Set([...brief.value!.open, ...tasks.flatMap((t) => t.lanes)])]
    change({ ...brief.value!, tasks, open })
  }

  /** Opens a lane that no task is about, or closes it. */
  function openLane(lane: string, open: boolean): void {
    const others = brief.value!.open.filter((one) => one !== lane)
    change({ ...brief.value!, open: open ? [...others, lane] : others })
  }

  const changeTask = (id: string, by: Partial<BriefTask>) =>
    changeTasks((tasks) => tasks.map((t) => (t.id === id ? { ...t, ...by } : t)))

  function addTask(task: BriefTask): void {
    changeTasks((tasks) => [...tasks, task])
    showTask(task.id)
  }

  function addEmpty(): void {
    addTask({
      id: freshId(),
      title: t('brief.new-task'),
      text: '',
      lanes: [],
      from: 0,
      to: song.value!.length,
      checks: [],
      hints: [],
      weight: 1,
    })
  }

  /** Puts a usual lesson on the song, where its tracks sound. */
  async function addLesson(lesson: Lesson): Promise<void> {
    const sounds = await soundsHere(song.value!, mix.value!)
    addTask(lesson.make(song.value!, mix.value!, freshId, sounds))
  }

  /** What would be odd about giving it out as it is, in sentences; empty before it was tried out. */
  const doubts = computed(() => {
    if (!trial.value || !brief.value) return []
    const titleOf = (id: string) => brief.value!.tasks.find((t) => t.id === id)?.title ?? id
    const sayer = new Sayer({ song: song.value!, mix: model.value ?? mix.value! })
    const met = trial.value.start.filter((t) => t.verdict === 'met')
    const missed = (trial.value.model ?? []).filter((t) => t.verdict !== null && t.verdict !== 'met')
    return [
      ...met.map((task) => t('brief.doubt.met', { title: titleOf(task.task) })),
      ...missed.map((task) => {
        const why = task.checks.find((c) => c.finding.verdict !== 'met')!
        return t('brief.doubt.missed', { title: titleOf(task.task), why: sayer.finding(why.finding) })
      }),
    ]
  })

  function duplicate(task: BriefTask): void {
    const copy = {
      ...task,
      id: freshId(),
      title: t('brief.copy', { title: task.title }),
      checks: task.checks.map((c) => ({ ...c, id: freshId() })),
    }
    changeTasks((tasks) => tasks.flatMap((t) => (t.id === task.id ? [t, copy] : [t])))
    showTask(copy.id)
  }

  function removeTask(id: string): void {
    changeTasks((tasks) => tasks.filter((task) => task.id !== id))
    showTask(brief.value!.tasks[0]?.id ?? null)
  }

  function moveTask(from: number, to: number): void {
    changeTasks((tasks) => {
      const rest = tasks.filter((_, i) => i !== from)
      return [...rest.slice(0, to), tasks[from]!, ...rest.slice(to)]
    })
  }

  function addCheck(task: BriefTask, kind: string): void {
    const lane = task.lanes[0] ?? lanes.value[0]!.lane
    const setup = { song: song.value!, mix: mix.value!, lane, from: task.from, to: task.to }
    const check: Check = { id: freshId(), kind, values: startValues(kindOf(kind), setup) }
    changeTask(task.id, { checks: [...task.checks, check] })
  }

  /** Takes the tasks that the model's moves give instead of those that are there. */
  function propose(): void {
    if (!model.value) return
    const tasks = tasksFromModel(song.value!, mix.value!, model.value, freshId)
    if (!tasks.length) {
      problem.value = t('brief.model.nothing')
      return
    }
    problem.value = ''
    const kept = brief.value!.open.filter((lane) => lane === TEMPO)
    change({ ...brief.value!, tasks, open: [...new Set([...tasks.flatMap((t) => t.lanes), ...kept])] })
    showTask(tasks[0]!.id)
  }

  /** @returns whether it is saved */
  /** What was asked to be saved before: one goes after the other, each on the revision that the last one left. */
  let going: Promise<unknown> = Promise.resolve()

  /** Saves everything as it is. @returns whether it is saved; `problem` says why not */
  function save(): Promise<boolean> {
    const sent = going.then(send)
    going = sent
    return sent
  }

  async function send(): Promise<boolean> {
    const { id } = assignment.value!
    saving.value = true
    problem.value = ''
    const [sentTitle, sentBrief, sentSettings] = [title.value, brief.value!, settings.value!]
    try {
      const { revision, modelHeard, draft, opensAt, dueAt, handInLimit } = sentSettings
      const body = {
        title: sentTitle,
        brief: sentBrief,
        modelHeard,
        draft,
        opensAt,
        dueAt,
        handInLimit,
        revision,
        everywhere: groups.everywhere && groups.shared.length > 0,
      }
      faults.value = await faultsInChange(body)
      const [wrong] = Object.values(faults.value)
      if (wrong) throw new Error(wrong)
      const kept = await told(
        server.assignments[':assignment'].$put({ param: { assignment: id }, json: body }),
      )
      settings.value = { ...settings.value!, revision: kept.revision }
      // what was changed while it was on its way is not saved yet
      saved.value = JSON.stringify([sentTitle, sentBrief, { ...sentSettings, revision: kept.revision }])
      return true
    } catch (error) {
      problem.value = (error as Error).message
      return false
    } finally {
      saving.value = false
    }
  }

  /** Shows the students what was a draft, those of the other groups that were chosen as well. */
  async function giveOut(): Promise<void> {
    settings.value = { ...settings.value!, draft: false }
    if (!(await save())) settings.value = { ...settings.value!, draft: true }
    else await attempt(groups.give, (sentence) => (problem.value = sentence))
  }

  /** Runs the brief against the starting mix, the model and what was handed in. */
  async function tryOut(): Promise<void> {
    trying.value = true
    problem.value = ''
    try {
      trial.value = await told(
        server.assignments[':assignment'].trial.$post({
          param: { assignment: assignment.value!.id },
          json: {
            brief: brief.value!,
          },
        }),
      )
    } catch (error) {
      problem.value = (error as Error).message
    } finally {
      trying.value = false
    }
  }

  async function remeasure(): Promise<number> {
    return (
      await told(
        server.assignments[':assignment'].remeasure.$post({ param: { assignment: assignment.value!.id } }),
      )
    ).count
  }

  return {
    assignment,
    brief,
    title,
    settings,
    model,
    song,
    time,
    mix,
    lanes,
    part,
    openTask,
    showTask,
    saving,
    fault,
    problem,
    trial,
    doubts,
    overruledChecks,
    trying,
    changed,
    isDraft,
    past,
    lessons: LESSONS,
    sentenceOf,
    open,
    change,
    undo,
    changeTask,
    openLane,
    addEmpty,
    addLesson,
    duplicate,
    removeTask,
    moveTask,
    addCheck,
    propose,
    save,
    giveOut,
    tryOut,
    remeasure,
  }
})
