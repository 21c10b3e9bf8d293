/** Where class-transformer keeps what `@Type` says; it has no types of its own there. */
declare module 'class-transformer/cjs/storage.js' {
  import type { MetadataStorage } from 'class-transformer/types/MetadataStorage'
  export const defaultMetadataStorage: MetadataStorage
}
