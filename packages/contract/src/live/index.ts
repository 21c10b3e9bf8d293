/** What happens elsewhere, told to pages. */
export * from './answers'
export * from './requests'
