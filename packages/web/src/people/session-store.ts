import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { forgetAudio } from '../audio/asset-loader'
import { get, post, put, remove, whenSignedOut } from '../server/api'
import type { PersonView, WhoIsHere } from '../server/views'
import { OfflineCopy } from '../work/offline-copy'

/** Who is signed in on this browser. */
export const useSession = defineStore('session', () => {
  const person = shallowRef<PersonView | null>(null)
  const demo = shallowRef<readonly PersonView[]>([])
  const needsFirstTeacher = ref(false)
  const known = ref(false)
  /** Whether the session of the person who works here has ended by itself. */
  const isOver = ref(false)
  let leaving = false

  whenSignedOut(() => {
    if (person.value && !leaving) isOver.value = true
  })

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

  /** Signs in again in the middle of work. Somebody else begins anew: what is open here is not theirs. */
  async function goOnAs(signIn: Promise<PersonView>): Promise<void> {
    const back = await signIn
    if (back.id !== person.value?.id) window.location.assign('/')
    else isOver.value = false
  }
  const goOn = (name: string, password: string) =>
    goOnAs(post<PersonView>('/api/session', { signIn: name, password }))
  const goOnInDemo = (id: string) => goOnAs(post<PersonView>('/api/demo-session', { person: id }))

  /** Learns whether this is the demo, where nobody has a password to type. */
  async function lookForDemo(): Promise<void> {
    demo.value = (await get<WhoIsHere>('/api/session')).demo
  }

  /** Does not sign in again: what has not been sent stays in this browser. */
  function leaveIt(): void {
    window.location.assign('/')
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
    const leaver = person.value
    leaving = true
    try {
      await remove('/api/session')
      if (leaver) {
        const copy = new OfflineCopy(leaver.id)
        if (await copy.isEmpty()) await copy.destroy()
      }
      forgetAudio()
      person.value = null
      isOver.value = false
    } finally {
      leaving = false
    }
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
    isOver,
    goOn,
    goOnInDemo,
    lookForDemo,
    leaveIt,
    choosePassword,
    hasUnsent,
    signOut,
  }
})
