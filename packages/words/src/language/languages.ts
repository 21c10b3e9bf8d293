import type * as Behind from '../en/behind'
import { DOOR } from '../en/door'

export { DOOR }

/** A key of what is said before somebody is signed in, and by the parts that every page is made of. */
export type DoorKey = keyof typeof DOOR
/** A key of what is said in a room. */
export type RoomKey = keyof typeof Behind.ROOMS
/** A key of what the computation, the contract and the server say. */
export type FindingKey = keyof typeof Behind.FINDINGS
export type MessageKey = DoorKey | RoomKey

/** A language: what it is called by those who speak it, how it writes dates where nobody says otherwise, and its texts. */
export interface Language {
  readonly name: string
  readonly locale: string
  readonly door: () => Promise<Readonly<Record<DoorKey, string>>>
  readonly behind: () => Promise<{
    readonly ROOMS: Readonly<Record<RoomKey, string>>
    readonly FINDINGS: Readonly<Record<FindingKey, string>>
  }>
}

/** Every language. One more is a folder beside `en` and an entry here. */
export const LANGUAGES = {
  en: {
    name: 'English',
    locale: 'en-GB',
    door: () => Promise.resolve(DOOR),
    behind: () => import('../en/behind'),
  },
} as const satisfies Readonly<Record<string, Language>>
export type LanguageName = keyof typeof LANGUAGES
