import type { Mix } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import type { AssignmentCard, AssignmentView } from '@rudlo/contract/assignments'

/** A student during a lesson. */
export interface InLesson {
  readonly id: string
  readonly name: string
  readonly assignment: string | null
  readonly task: string | null
  readonly seenAt: string | null
  readonly actedAt: string | null
  readonly helpAt: string | null
  readonly shows: boolean
}

/** Seconds without a sign of life after which a bench is closed, and without a deed after which somebody may be stuck. */
const AWAY = 20
const IDLE = 90

/** A lesson as the teacher sees it: who is where, who wants help, and one work that is looked at. */
export const useLesson = defineStore('lesson', () => {
  const group = ref('')
  const students = shallowRef<readonly InLesson[]>([])
  const assignments = shallowRef<readonly AssignmentCard[]>([])
  const opened = shallowRef<AssignmentView | null>(null)
  const looked = ref<string | null>(null)
  const mix = shallowRef<Mix | null>(null)
  /** The assignment on whose song a move is shown to all. */
  const shown = shallowRef<AssignmentView | null>(null)
  const problem = ref<string | null>(null)
  /** Whether it is known who is in the class; and why not, where that could not be fetched. */
  const known = ref(false)
  const failed = ref('')
  /** Whether the work that is looked at is on its way. */
  const coming = ref(false)
  /** The assignments that somebody is at: their tasks are told by name. */
  const views = shallowRef<ReadonlyMap<string, AssignmentView>>(new Map())
  let now = 0
  let revision = 0

  const ago = (text: string | null) => (text ? (now - Date.parse(text)) / 1000 : Infinity)
  const list = computed(() =>
    students.value.map((s) => {
      const card = assignments.value.find((a) => a.id === s.assignment)
      return {
        ...s,
        here: ago(s.seenAt) < AWAY,
        idle: ago(s.actedAt) > IDLE ? Math.floor(ago(s.actedAt) / 60) : 0,
        where: card?.title ?? '',
        doing: views.value.get(s.assignment ?? '')?.brief.tasks.find((t) => t.id === s.task)?.title ?? '',
      }
    }),
  )
  /** Who wants help, in the order in which they asked. */
  const hands = computed(() =>
    list.value.filter((s) => s.here && s.helpAt).sort((a, b) => a.helpAt!.localeCompare(b.helpAt!)),
  )
  const student = computed(() => list.value.find((s) => s.id === looked.value) ?? null)

  const act = (what: () => Promise<unknown>) => attempt(what, (sentence) => (problem.value = sentence))

  async function open(id: string): Promise<void> {
    group.value = id
    looked.value = null
    mix.value = null
    opened.value = null
    shown.value = null
    views.value = new Map()
    known.value = false
    failed.value = ''
    await attempt(
      async () => {
        assignments.value = await told(server.assignments.$get())
        await refresh()
      },
      (sentence) => (failed.value = sentence),
    )
  }

  async function refresh(): Promise<void> {
    const answer = await told(server.groups[':group'].lesson.$get({ param: { group: group.value } }))
    now = Date.parse(answer.now)
    students.value = answer.students
    known.value = true
    failed.value = ''
    for (const { assignment, here } of list.value) if (assignment && here) await view(assignment)
    // whoever goes to another assignment, or begins at last, is followed there
    const at = student.value?.assignment
    if (student.value?.here && at && opened.value?.id !== at) await look(student.value.id)
  }

  async function view(assignment: string): Promise<AssignmentView> {
    const known = views.value.get(assignment)
    if (known) return known
    const fetched = await told(server.assignments[':assignment'].$get({ param: { assignment } }))
    views.value = new Map(views.value).set(assignment, fetched)
    return fetched
  }

  /** Looks at a student's work, where they are now. */
  const look = (id: string) =>
    act(async () => {
      looked.value = id
      mix.value = null
      shown.value = null
      revision = 0
      const at = students.value.find((s) => s.id === id)?.assignment
      coming.value = Boolean(at)
      if (!at) return
      opened.value = await view(at)
      await follow()
    })

  /** Opens an assignment's song for showing a move. */
  const show = (assignment: string) =>
    act(async () => {
      const on = await view(assignment)
      looked.value = null
      mix.value = null
      shown.value = on
    })
  const endShow = () => (shown.value = null)

  /** Fetches the work again if it has grown. */
  async function follow(): Promise<void> {
    const [id, at] = [looked.value, opened.value?.id]
    if (!id || !at) return
    const answer = await told(
      server.assignments[':assignment'].works[':person'].$get({
        param: { assignment: at, person: id },
        query: { after: revision },
      }),
    )
    if (looked.value !== id) return
    coming.value = false
    revision = answer.revision
    if (answer.mix) mix.value = answer.mix
  }

  /** Shows a place to one student, or to everybody who works on an assignment. */
  const pointAt = (
    assignment: string,
    place: { lane: string | null; from: number; to: number },
    person: string | null,
  ) =>
    act(() =>
      told(
        server.assignments[':assignment'].point.$post({ param: { assignment }, json: { ...place, person } }),
      ).then(refresh),
    )

  const helped = (id: string) =>
    act(() =>
      told(
        server.groups[':group'].lesson[':person'].help.$delete({ param: { group: group.value, person: id } }),
      ).then(refresh),
    )

  return {
    group,
    students,
    assignments,
    opened,
    looked,
    student,
    mix,
    shown,
    problem,
    known,
    failed,
    coming,
    list,
    hands,
    open,
    view,
    refresh,
    look,
    show,
    endShow,
    follow,
    pointAt,
    helped,
  }
})
