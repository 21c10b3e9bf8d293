import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { tellTimeOf } from '../words/dates'
import { forget, keep, kept } from '../browser/kept'
import { server, sessionBegan, told, whenSignedOut } from './client'
import { Unreachable } from './errors'
import { keepAnswersOf, keptAnswer } from './kept-answers'
import type { FirstTeacher, OwnView, PersonView } from '@rudlo/contract/access'

/** Kept where somebody signed out while the server was away: their session is still to be ended. */
const LEFT = 'rudlo-left'

/** Whose answers are kept for when the server is away: a student's. */
const keptOf = (person: OwnView | null): string | null => (person?.role === 'student' ? person.id : null)

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

  /** Looks who is here: first of all whoever left without the server is signed out there. @throws Unreachable */
  async function look(): Promise<void> {
    if (kept(LEFT)) await endSession()
    const session = await told(server.session.$get())
    // at once: whoever is here now need not be whose answers this browser still holds
    await keepAnswersOf(keptOf(session.person))
    person.value = session.person
    demo.value = session.demo
    needsFirstTeacher.value = session.needsFirstTeacher
    timeZone.value = session.timeZone
    tellTimeOf(session.timeZone)
    known.value = true
  }

  // what is said to a student may be shown to them without the server as well
  watch(
    () => keptOf(person.value),
    async (id) => {
      await keepAnswersOf(id)
      if (!id) return
      // who is here is asked before it is known whose answers are kept, and whoever comes by an address has no first page yet
      if (!(await keptAnswer('/api/session'))) void told(server.session.$get()).catch(() => null)
      if (!(await keptAnswer('/api/assignments'))) void told(server.assignments.$get()).catch(() => null)
    },
  )

  async function endSession(): Promise<void> {
    await told(server.session.$delete())
    forget(LEFT)
  }

  /** Takes over who signed in. The session that was here before ended with that. */
  async function come(signedIn: Promise<OwnView>): Promise<void> {
    const newcomer = await signedIn
    forget(LEFT)
    person.value = newcomer
  }

  const signIn = (name: string, password: string) =>
    come(told(server.session.$post({ json: { signIn: name, password } })))
  const signInDemo = (id: string) => come(told(server['demo-session'].$post({ json: { person: id } })))
  const createFirstTeacher = (by: FirstTeacher) => come(told(server['first-teacher'].$post({ json: by })))

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

  /**
   * Signs out, and has everything put away that is the person's. Where the server is away, its session is ended before anything
   * else is asked of it: nobody is signed in here meanwhile.
   */
  async function signOut(): Promise<void> {
    const leaver = person.value
    leaving = true
    try {
      await endSession().catch((error) => {
        // who cannot be remembered to have left is still there
        if (!(error instanceof Unreachable && keep(LEFT, '1'))) throw error
      })
      await keepAnswersOf(null)
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
