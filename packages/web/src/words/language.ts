import { DOOR, LANGUAGES, pseudoOf, type Catalog, type LanguageName } from '@rudlo/words/language'
import { createI18n } from 'vue-i18n'
import { kept } from '../browser/kept'

/** The language that is kept in this browser. */
export const LANGUAGE_KEY = 'rudlo-language'
/** English with every letter accented and a third longer: what is not in a catalog, or has no room, shows. */
export const PSEUDO = 'pseudo'
/** The language of everything before another one is chosen. */
const FIRST: LanguageName = 'en'

const chosen = kept(LANGUAGE_KEY)
/** The language of this browser. It is read once: another one begins with the next page. */
export const language: LanguageName = chosen && chosen in LANGUAGES ? (chosen as LanguageName) : FIRST
const isPseudo = chosen === PSEUDO

/** How dates and numbers are written: as this person has it, where that is the language of the page. */
export const locale: string =
  globalThis.navigator?.languages?.find((l) => l.split('-')[0] === language) ?? LANGUAGES[language].locale

const shown = (catalog: Catalog): Catalog => (isPseudo ? pseudoOf(catalog) : catalog)

export const i18n = createI18n({
  legacy: false,
  locale: language,
  messages: { [language]: shown(DOOR) },
  // keys are whole names: "class.add.title" is no path
  messageResolver: (messages, key) => (messages as Catalog)[key] ?? null,
  missingWarn: false,
  fallbackWarn: false,
  missing: (_, key) => {
    throw new RangeError(`There are no words for "${key}".`)
  },
})

let loading: Promise<void> | null = null

/** Fetches everything that is said behind the door; before it, there are the words of the sign-in alone. */
export function loadRooms(): Promise<void> {
  loading ??= Promise.all([LANGUAGES[language].behind(), import('@rudlo/words')]).then(
    ([behind, { speak }]) => {
      const { ROOMS, FINDINGS } = behind
      i18n.global.mergeLocaleMessage(language, shown(ROOMS))
      speak(shown(FINDINGS), locale)
      if (typeof document !== 'undefined') document.documentElement.lang = language
    },
  )
  return loading
}
