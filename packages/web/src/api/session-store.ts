import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { tellTimeOf } from '../words/dates'
import { server, sessionBegan, told, whenSignedOut } from './client'
import type { FirstTeacher, OwnView, PersonView } from '@rudlo/contract/access'

/** Who is signed in on this browser. */
export const useSession = defineStore('session', () => {
  const person = shallowRef<OwnView | null>(null)
  const demo = shallowRef<readonly PersonView[]>([])
  const needsFirstTeacher = ref(false)
  /** Where the school is: its dates and times are meant there. */
  const timeZone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone)
  const known = ref(false)
  /** Whether the session of the person who works here has ended by itself. */
  const isOver = ref(false)
  let leaving = false

  whenSignedOut(() => {
    if (person.value && !leaving) isOver.value = true
  })

  async function look(): Promise<void> {
    const session = await told(server.session.$get())
    person.value = session.person
    demo.value = session.demo
    needsFirstTeacher.value = session.needsFirstTeacher
    timeZone.value = session.timeZone
    tellTimeOf(session.timeZone)
    known.value = true
  }

  async function signIn(name: string, password: string): Promise<void> {
    person.value = await told(server.session.$post({ json: { signIn: name, password } }))
  }

  async function signInDemo(id: string): Promise<void> {
    person.value = await told(server['demo-session'].$post({ json: { person: id } }))
  }

  async function createFirstTeacher(by: FirstTeacher) {
    person.value = await told(server['first-teacher'].$post({ json: by }))
  }

  /** Signs in again in the middle of work. Somebody else begins anew: what is open here is not theirs. */
  async function goOnAs(signIn: Promise<PersonView>): Promise<void> {
    const back = await signIn
    sessionBegan()
    if (back.id !== person.value?.id) window.location.assign('/')
    else isOver.value = false
  }
  const goOn = (name: string, password: string) =>
    goOnAs(told(server.session.$post({ json: { signIn: name, password } })))
  const goOnInDemo = (id: string) => goOnAs(told(server['demo-session'].$post({ json: { person: id } })))

  /** Learns whether this is the demo, where nobody has a password to type. */
  async function lookForDemo(): Promise<void> {
    demo.value = (await told(server.session.$get())).demo
  }

  /** Does not sign in again: what has not been sent stays in this browser. */
  function leaveIt(): void {
    window.location.assign('/')
  }

  /** Chooses an own password; `now` is the present one, where it was not given by a teacher. */
  async function choosePassword(password: string, now?: string): Promise<void> {
    person.value = await told(server.session.password.$put({ json: { password, ...(now ? { now } : {}) } }))
  }

  const farewells = new Set<(personId: string) => unknown>()
  /** Does something whenever somebody leaves this browser: what is theirs is put away. */
  function onFarewell(putAway: (personId: string) => unknown): void {
    farewells.add(putAway)
  }

  /** Signs out, and has everything put away that is the person's. */
  async function signOut(): Promise<void> {
    const leaver = person.value
    leaving = true
    try {
      await told(server.session.$delete())
      if (leaver) for (const putAway of farewells) await putAway(leaver.id)
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
    timeZone,
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
    onFarewell,
    signOut,
  }
})
