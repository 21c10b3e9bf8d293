import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { forgetAudio } from '../audio/asset-loader'
import { get, post, put, remove } from '../server/api'
import type { PersonView, WhoIsHere } from '../server/views'
import { OfflineCopy } from '../work/offline-copy'

/** Who is signed in on this browser. */
export const useSession = defineStore('session', () => {
  const person = shallowRef<PersonView | null>(null)
  const demo = shallowRef<readonly PersonView[]>([])
  const needsFirstTeacher = ref(false)
  const known = ref(false)

  async function look(): Promise<void> {
    const session = await get<WhoIsHere>('/api/session')
    person.value = session.person
    demo.value = session.demo
    needsFirstTeacher.value = session.needsFirstTeacher
    known.value = true
  }

  async function signIn(name: string, password: string): Promise<void> {
    person.value = await post<PersonView>('/api/session', { signIn: name, password })
  }

  async function signInDemo(id: string): Promise<void> {
    person.value = await post<PersonView>('/api/demo-session', { person: id })
  }

  async function createFirstTeacher(by: { code: string; name: string; signIn: string; password: string }) {
    person.value = await post<PersonView>('/api/first-teacher', by)
  }

  /** Chooses an own password; `now` is the present one, where it was not given by a teacher. */
  async function choosePassword(password: string, now?: string): Promise<void> {
    person.value = await put<PersonView>('/api/session/password', { password, ...(now ? { now } : {}) })
  }

  /** Whether edits of this person still wait in this browser. */
  async function hasUnsent(): Promise<boolean> {
    return person.value ? !(await new OfflineCopy(person.value.id).isEmpty()) : false
  }

  /** Signs out; what was sent is taken off this machine, what was not stays until it could be sent. */
  async function signOut(): Promise<void> {
    const leaving = person.value
    await remove('/api/session')
    if (leaving) {
      const copy = new OfflineCopy(leaving.id)
      if (await copy.isEmpty()) await copy.destroy()
    }
    forgetAudio()
    person.value = null
    await look()
  }

  return {
    person,
    demo,
    needsFirstTeacher,
    known,
    look,
    signIn,
    signInDemo,
    createFirstTeacher,
    choosePassword,
    hasUnsent,
    signOut,
  }
})
