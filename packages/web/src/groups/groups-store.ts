import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { get, post, put, remove } from '../server/api'
import type { GroupCard, GroupView, RenamedView, RosterAnswer, SignInCard } from './group-views'

/** The teacher's groups, and the one that is open. */
export const useGroups = defineStore('groups', () => {
  const groups = shallowRef<readonly GroupCard[] | null>(null)
  const group = shallowRef<GroupView | null>(null)
  /** Cards to print: passwords are shown here and nowhere else, and only until the next ones are made. */
  const cards = shallowRef<readonly SignInCard[]>([])
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

  const path = (rest = '') => `/api/groups/${group.value!.id}${rest}`

  const load = () => attempt(async () => void (groups.value = await get<GroupCard[]>('/api/groups')))
  const open = (id: string) =>
    attempt(async () => void (group.value = await get<GroupView>(`/api/groups/${id}`)))

  /** Does something to the open group, and looks at it anew. */
  const act = (what: () => Promise<unknown>) =>
    attempt(async () => {
      await what()
      group.value = await get<GroupView>(path())
      groups.value = await get<GroupCard[]>('/api/groups')
      return true
    })

  const create = (name: string, place: string) =>
    attempt(async () => {
      const { id } = await post<{ id: string }>('/api/groups', { name, place })
      await load()
      return id
    })

  const change = (changed: Pick<GroupView, 'name' | 'place' | 'joinOpen' | 'keepUntil'>) =>
    act(() => put(path(), changed))

  const addStudents = (roster: object) =>
    act(async () => {
      const answer = await post<RosterAnswer>(path('/roster'), { ...roster, preview: false })
      cards.value = answer.cards
    })
  const previewRoster = (roster: object) =>
    attempt(() => post<RosterAnswer>(path('/roster'), { ...roster, preview: true }))

  const resetPassword = (student: string) =>
    act(async () => {
      cards.value = [await post<SignInCard>(path(`/students/${student}/password`))]
    })
  const rename = (student: string, name: string) => act(() => put(path(`/students/${student}`), { name }))
  const takeOut = (member: string) => act(() => remove(path(`/members/${member}`)))
  const erase = (student: string) => act(() => remove(`/api/people/${student}`))
  const answer = (requests: readonly string[], accept: boolean) =>
    act(async () => {
      const said = await post<{ renamed: RenamedView[] }>(path('/requests'), { requests, accept })
      renamed.value = said.renamed
    })
  const takeInAgain = (person: string) => act(() => post(path(`/former/${person}`)))
  const resetFormer = (student: string) =>
    act(async () => {
      cards.value = [await post<SignInCard>(`/api/people/${student}/password`)]
    })
  const addTeacher = (signIn: string, name: string) =>
    act(async () => {
      const body = { signIn, ...(name.trim() ? { name: name.trim() } : {}) }
      const made = await post<{ cards: SignInCard[] }>(path('/teachers'), body)
      if (made.cards.length) cards.value = made.cards
    })

  return {
    groups,
    group,
    cards,
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
    takeInAgain,
    resetFormer,
    addTeacher,
  }
})
