/** What was removed and can be had back. */
export * from './answers'
export * from './requests'
