/** What the server sends about groups, as its routes shape it. */

export interface GroupCard {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly students: number
  readonly requests: number
  /** A day; null for none. */
  readonly keepUntil: string | null
}

export interface MemberView {
  readonly id: string
  readonly name: string
  readonly signIn: string
  /** Whether the first password is still in use. */
  readonly mustChange: boolean
}

/** Somebody who was taken out of the class. */
export interface FormerView {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly role: 'student' | 'teacher'
  readonly leftAt: string
}

/** Somebody who was let in under another sign-in name than they asked for, since theirs was taken by then. */
export interface RenamedView {
  readonly name: string
  readonly asked: string
  readonly signIn: string
}

export interface GroupView {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly joinCode: string
  readonly joinOpen: boolean
  readonly keepUntil: string | null
  readonly students: readonly MemberView[]
  readonly teachers: readonly MemberView[]
  readonly former: readonly FormerView[]
  readonly requests: readonly { readonly id: string; readonly name: string; readonly signIn: string }[]
}

export interface SignInCard {
  readonly name: string
  readonly signIn: string
  readonly password: string
}

export interface RosterAnswer {
  readonly rows: readonly { readonly line: number; readonly name: string; readonly signIn: string | null }[]
  readonly problems: readonly { readonly line: number; readonly sentence: string }[]
  readonly classes: readonly string[]
  readonly cards: readonly SignInCard[]
}

export interface TrailView {
  readonly what: string
  readonly at: string
  readonly who: string
  readonly whom: string | null
  readonly assignment: string | null
}
