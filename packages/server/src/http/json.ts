import { words } from '@rudlo/words'
import { breathFor } from './breath'
import { badInput } from './problem'

/** Nothing that Rudlo is sent is nested deeper: a reader that goes down with it would run out of stack. */
const DEEPEST = 40

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [
  0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d,
]

/** Whether JSON text is nested deeper than that, found without reading it. */
function isTooDeep(bytes: Uint8Array): boolean {
  let depth = 0
  let inText = false
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]
    if (inText) {
      if (byte === BACKSLASH) i++
      else if (byte === QUOTE) inText = false
    } else if (byte === QUOTE) inText = true
    else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      if (++depth > DEEPEST) return true
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth--
  }
  return false
}

/** Reads JSON that was sent. @throws Problem 400 where it is none, or nested too deep */
export async function parseJson(bytes: Uint8Array): Promise<unknown> {
  if (isTooDeep(bytes)) throw badInput(words('server.request-nested-too'))
  await breathFor(bytes.length)
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    throw badInput(words('server.request-not-valid'))
  }
}
