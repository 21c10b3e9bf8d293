/** Checking what is sent, the same on both sides. */
export * from './check'
