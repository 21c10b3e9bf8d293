import type { Moment } from '../fields'
import type { Role } from '../access'
import type { MatchedRow, RosterColumns } from '@rudlo/core/roster'

/** A class in a list. */
export interface GroupCard {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly students: number
  /** How many ask to join. */
  readonly requests: number
  /** Whether its term has ended: it is only looked at. */
  readonly ended: boolean
  /** A day; null for none. */
  readonly keepUntil: string | null
}

export interface MemberView {
  readonly id: string
  readonly name: string
  readonly signIn: string
  /** Whether the first password is still in use. */
  readonly mustChange: boolean
  /** What a student of this class did last; missing for nothing, and for teachers. */
  readonly last?: LastDone
}

/** What somebody did last in a class. */
export interface LastDone {
  /** Title of the assignment. */
  readonly title: string
  readonly at: Moment
  /** Whether it was handed in then; else it was worked on. */
  readonly handedIn: boolean
}

/** A student whom a teacher knows from another class, or from none any more. */
export interface KnownView {
  readonly id: string
  readonly name: string
  readonly signIn: string
  /** Ids and names of the teacher’s classes they are in; empty for none. */
  readonly groups: readonly { readonly id: string; readonly name: string }[]
}

/** Somebody who was taken out of the class. */
export interface FormerView {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly role: Role
  readonly leftAt: Moment
}

/** Somebody who asks to join. */
export interface RequestView {
  readonly id: string
  readonly name: string
  readonly signIn: string
}

export interface GroupView {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly joinCode: string
  readonly joinOpen: boolean
  /** From 0 for Sunday, and "18:30"; null for none. */
  readonly lessonDay: number | null
  readonly lessonTime: string | null
  /** A day; null for none. */
  readonly keepUntil: string | null
  /** When its term ended; null while it goes on. */
  readonly endedAt: Moment | null
  readonly students: readonly MemberView[]
  readonly teachers: readonly MemberView[]
  readonly former: readonly FormerView[]
  readonly requests: readonly RequestView[]
}

/** What stands on a card for somebody who signs in for the first time. */
export interface SignInCard {
  readonly name: string
  readonly signIn: string
  readonly password: string
}

/** Cards of those who came in. */
export interface NewCards {
  readonly cards: readonly SignInCard[]
}

/** What was read of a list, who of it is known, and who came in by it. */
export interface RosterAnswer extends NewCards {
  readonly rows: readonly MatchedRow[]
  /** Those of the class who are not in the list. */
  readonly gone: readonly { readonly id: string; readonly name: string; readonly signIn: string }[]
  /** Names of its columns, and which of them were read as what; empty for a list without any. */
  readonly header: readonly string[]
  readonly columns: RosterColumns
  readonly problems: readonly { readonly line: number; readonly sentence: string }[]
  /** Classes of a school's export, to choose one. */
  readonly classes: readonly string[]
}

/** Somebody who was let in under another sign-in name than they asked for, since theirs was taken by then. */
export interface RenamedView {
  readonly name: string
  readonly asked: string
  readonly signIn: string
}

export interface LetIn {
  readonly renamed: readonly RenamedView[]
}

/** The class that was asked for. */
export interface AskedToJoin {
  readonly group: string
}

/** What is noted where somebody does it. */
export const DEEDS = [
  'added',
  'assigned',
  'began a new term',
  'changed a song',
  'changed the assignment',
  'changed the group',
  'changed how marks are worked out',
  'changed the rubric',
  'decided',
  'erased a student',
  'excused',
  'gave a new password',
  'gave an overall mark',
  'gave back',
  'handed in',
  'let in',
  'made a group',
  'made a song',
  'made an exception',
  'marked',
  'measured anew',
  'named a teacher',
  'no longer excused',
  'offered a song again',
  'put a song away',
  'renamed',
  'replied',
  'removed',
  'restored',
  'set the model',
  'took back',
  'took in again',
  'took out of the group',
  'withdrew a hand-in',
] as const
export type Deed = (typeof DEEDS)[number]

/** Something that was done in a class. */
export interface TrailView {
  readonly what: Deed
  readonly at: Moment
  readonly who: string
  readonly whom: string | null
  readonly assignment: string | null
}

/** What is there of a student, in numbers. */
export interface Belongings {
  readonly works: number
  readonly handIns: number
  readonly tries: number
  readonly replies: number
}
