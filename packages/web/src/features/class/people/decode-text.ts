import { t } from '../../../words/t'

/**
 * Reads a text file whatever it was saved by: UTF-8, UTF-16 with a mark, else the usual encoding of western spreadsheets.
 * @throws Error for what is no text
 */
export function decodeText(bytes: ArrayBuffer): string {
  const view = new Uint8Array(bytes)
  if (view[0] === 0xff && view[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (view[0] === 0xfe && view[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  if (view.includes(0)) throw new Error(t('class.add.not-text'))
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
