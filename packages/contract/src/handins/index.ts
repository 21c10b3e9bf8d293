/** Handing in and giving back. */
export * from './answers'
export * from './requests'
