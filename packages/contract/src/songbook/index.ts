/** Songs, their audio, and how they come in. */
export * from './answers'
export * from './requests'
