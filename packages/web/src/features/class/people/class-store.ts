import { StorageSerializers, useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { server, told } from '../../../api/client'
import type {
  ChangedGroup,
  GroupCard,
  GroupView,
  NewTeacher,
  RenamedView,
  RosterFile,
  SignInCard,
} from '@rudlo/contract/people'

/** The teacher's groups, and the one that is open. */
export const useClass = defineStore('class', () => {
  const groups = shallowRef<readonly GroupCard[] | null>(null)
  const group = shallowRef<GroupView | null>(null)
  /**
   * Cards to print: passwords are shown here and nowhere else, until they are put away. A page that is loaded anew has them still;
   * a window that is closed has not.
   */
  const cards = shallowRef<readonly SignInCard[]>([])
  const kept = useSessionStorage<{ group: string; cards: readonly SignInCard[] } | null>(
    'rudlo-cards',
    null,
    {
      serializer: StorageSerializers.object,
    },
  )

  function keepCards(made: readonly SignInCard[]): void {
    cards.value = made
    kept.value = group.value && made.length ? { group: group.value.id, cards: made } : null
  }
  /** Shows the cards of a class that are not put away yet. */
  function showCards(id: string | null): void {
    cards.value = kept.value && kept.value.group === id ? kept.value.cards : []
  }
  const putCardsAway = () => keepCards([])
  /** Who was let in last under another sign-in name. */
  const renamed = shallowRef<readonly RenamedView[]>([])
  const problem = ref('')

  async function attempt<T>(what: () => Promise<T>): Promise<T | null> {
    problem.value = ''
    try {
      return await what()
    } catch (error) {
      problem.value = (error as Error).message
      return null
    }
  }

  /** What is done with the open group. */
  const here = server.groups[':group']
  const at = () => ({ group: group.value!.id })

  const load = () => attempt(async () => void (groups.value = await told(server.groups.$get())))
  const open = (id: string) =>
    attempt(
      async () => void (group.value = await told(server.groups[':group'].$get({ param: { group: id } }))),
    )

  /** Does something to the open group, and looks at it anew. */
  const act = (what: () => Promise<unknown>) =>
    attempt(async () => {
      await what()
      group.value = await told(here.$get({ param: at() }))
      groups.value = await told(server.groups.$get())
      return true
    })

  /** Makes a group. @returns its id @throws Error with a sentence where the server refuses it */
  async function create(name: string, place: string): Promise<string> {
    const { id } = await told(server.groups.$post({ json: { name, place } }))
    await load()
    return id
  }

  const change = (changed: ChangedGroup) => act(() => told(here.$put({ param: at(), json: changed })))

  const addStudents = (roster: Omit<RosterFile, 'preview'>) =>
    act(async () => {
      const answer = await told(here.roster.$post({ param: at(), json: { ...roster, preview: false } }))
      keepCards(answer.cards)
    })
  const previewRoster = (roster: Omit<RosterFile, 'preview'>) =>
    attempt(() => told(here.roster.$post({ param: at(), json: { ...roster, preview: true } })))

  const resetPassword = (student: string) =>
    act(async () => {
      keepCards([
        await told(here.students[':person'].password.$post({ param: { ...at(), person: student } })),
      ])
    })
  const rename = (student: string, name: string) =>
    act(() => told(here.students[':person'].$put({ param: { ...at(), person: student }, json: { name } })))
  /** Takes in a student from another class; `from` is left where it is named. */
  const takeIn = (person: string, to: string, from?: string) =>
    act(() =>
      told(
        server.groups[':group'].members.$post({
          param: { group: to },
          json: { person, ...(from ? { from } : {}) },
        }),
      ),
    )
  const takeOut = (member: string) =>
    act(() => told(here.members[':person'].$delete({ param: { ...at(), person: member } })))
  const erase = (student: string) =>
    act(() => told(server.people[':person'].$delete({ param: { person: student } })))
  const answer = (requests: readonly string[], accept: boolean) =>
    act(async () => {
      const said = await told(here.requests.$post({ param: at(), json: { requests, accept } }))
      renamed.value = said.renamed
    })
  const takeInAgain = (person: string) =>
    act(() => told(here.former[':person'].$post({ param: { ...at(), person } })))
  const resetFormer = (student: string) =>
    act(async () => {
      keepCards([await told(server.people[':person'].password.$post({ param: { person: student } }))])
    })
  const addTeacher = (teacher: NewTeacher) =>
    act(async () => {
      const made = await told(here.teachers.$post({ param: at(), json: teacher }))
      if (made.cards.length) keepCards(made.cards)
    })

  return {
    groups,
    group,
    cards,
    showCards,
    putCardsAway,
    problem,
    load,
    open,
    create,
    change,
    addStudents,
    previewRoster,
    resetPassword,
    rename,
    takeOut,
    erase,
    answer,
    renamed,
    takeIn,
    takeInAgain,
    resetFormer,
    addTeacher,
  }
})
