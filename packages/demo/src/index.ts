export * from './songs'
export * from './scenario'
export { playerFor } from './instruments'
