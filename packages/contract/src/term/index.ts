/** A class over a term, and each one's way through it. */
export * from './answers'
export * from './requests'
