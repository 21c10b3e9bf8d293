import type { Moment } from '../fields'

export type Role = 'student' | 'teacher'

/** A person, as the person may know it. */
export interface PersonView {
  readonly id: string
  readonly name: string
  readonly role: Role
  /** Whether the password was given by somebody else: an own one comes first. */
  readonly mustChange: boolean
}

/** Whoever is signed in here. */
export interface OwnView extends PersonView {
  /** In how many classes they are. */
  readonly classes: number
  /** Whether a teacher was taken out of the last class they taught. */
  readonly isOut: boolean
}

/** Who is here, or could be. */
export interface WhoIsHere {
  readonly person: OwnView | null
  /** Everybody of the demo, for whoever is not signed in. */
  readonly demo: readonly PersonView[]
  readonly needsFirstTeacher: boolean
  /** The time zone in which this school lives, by its IANA name: dates and times are meant there. */
  readonly timeZone: string
}

/** A session as its owner sees it. */
export interface OwnSession {
  readonly id: string
  /** Kind of browser and system, such as "Firefox, Linux". */
  readonly device: string
  readonly begunAt: Moment
  readonly seenAt: Moment
  /** Whether it is the one that asks. */
  readonly here: boolean
}

/** That the server and its database are there. */
export interface Health {
  readonly ok: true
}
