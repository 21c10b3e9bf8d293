import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveWithKeyValue,
  translate,
} from '@intlify/core-base'
import { EN } from './en'
import type { Catalog } from './language'
import { writeNumbersOf } from './numbers'

registerMessageCompiler(compile)
registerMessageResolver(resolveWithKeyValue)

const made = (texts: Catalog) =>
  createCoreContext({
    locale: 'one',
    messages: { one: texts },
    // what is missing fails where it is asked for, and is not shown as a key
    missing: (_, __, key) => {
      throw new RangeError(`There are no words for "${key}".`)
    },
  })

let catalog: Catalog = EN
let context = made(EN)

/** From now on findings and refusals are said in other words, and numbers written as they are there. @param locale BCP 47 */
export function speak(texts: Catalog, locale: string): void {
  catalog = texts
  context = made(texts)
  writeNumbersOf(locale)
}

/**
 * The message of a key, filled.
 * @param plural how many, where the message has a form for one and for several
 * @throws RangeError where there is none
 */
export function words(
  key: string,
  values: Readonly<Record<string, string | number>> = {},
  plural?: number,
): string {
  const text =
    plural === undefined
      ? translate(context, key, values)
      : translate(context, key, { ...values }, { plural })
  return String(text)
}

/** Whether there are words for a key. */
export const hasWords = (key: string): boolean => key in catalog
