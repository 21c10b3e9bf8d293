/** The languages that there are, and what is said in them by key. */
export { DOOR, LANGUAGES, type DoorKey, type LanguageName, type MessageKey, type RoomKey } from './languages'
export { pseudoOf } from './pseudo'
export type { Catalog } from './catalog'
