/** What is to be said, as data: a key and its values. Who says it, and in which language, is another's. */
export * from './saying'
export * from './say'
