import { server } from './client'

/** Asks the server whether it is there. @returns the sentence that says why not; null where it answers */
export const whyNotReached = (): Promise<string | null> =>
  server.health.$get().then(
    () => null,
    (error: Error) => error.message,
  )
