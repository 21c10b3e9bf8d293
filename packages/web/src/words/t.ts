import type { MessageKey } from '@rudlo/words/language'
import type { Catalog } from '@rudlo/words/language'
import { i18n, language } from './language'

/** What a message is filled with. `n` is how many: it also chooses between one and several. */
export type Values = Readonly<Record<string, string | number>>

/** What was said already where nothing is filled in: a page says hundreds of such texts while it is built. */
const said = new Map<MessageKey, string>()

function plain(key: MessageKey): string {
  const known = said.get(key)
  if (known !== undefined) return known
  const text = i18n.global.t(key, {})
  said.set(key, text)
  return text
}

/**
 * What is said under a key, filled.
 * @throws RangeError where there are no words for it
 */
export function t(key: MessageKey, values?: Values): string {
  if (!values) return plain(key)
  const n = values['n']
  return typeof n === 'number' ? i18n.global.t(key, values, n) : i18n.global.t(key, values)
}

/**
 * A message as it stands in the catalog, with its places to fill: for what is put together on the screen.
 * @throws RangeError where there are no words for it
 */
export function rawText(key: MessageKey): string {
  const text = (i18n.global.getLocaleMessage(language) as Catalog)[key]
  if (text === undefined) throw new RangeError(`There are no words for "${key}".`)
  return text
}

/** Every key that there are words for. */
export const messageKeys = () => Object.keys(i18n.global.getLocaleMessage(language)) as MessageKey[]
