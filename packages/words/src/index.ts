/** What people read: texts by key in the language that is spoken, and numbers and lists as that language writes them. */
export { hasWords, speak, words } from './catalog'
export { counted } from './counted'
export { lengthInWords } from './lengths'
export { listText, numberText, shortNumber, signedText } from './numbers'
