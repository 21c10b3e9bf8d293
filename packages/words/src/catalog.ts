import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveWithKeyValue,
  translate,
} from '@intlify/core-base'
import { EN } from './en'

registerMessageCompiler(compile)
registerMessageResolver(resolveWithKeyValue)

const context = createCoreContext({
  locale: 'en',
  messages: { en: EN },
  // what is missing fails where it is asked for, and is not shown as a key
  missing: (_, __, key) => {
    throw new RangeError(`There are no words for "${key}".`)
  },
})

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
export const hasWords = (key: string): boolean => key in EN
