export * from './songs'
export * from './scenario'
