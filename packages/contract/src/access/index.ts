/** Signing in, sessions, passwords. */
export * from './answers'
export * from './requests'
