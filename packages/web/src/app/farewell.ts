import { watch } from 'vue'
import type { useSession } from '../api/session-store'
import type * as PutAway from './put-away'

let loaded: Promise<typeof PutAway> | null = null
/** What puts things away knows the engine and the document: nobody waits for it before they are signed in. */
const putter = () => (loaded ??= import('./put-away'))

/** Has everything put away that is somebody's when they leave. It is fetched as they come: they may leave without a network. */
export function clearOnFarewell(session: ReturnType<typeof useSession>): void {
  watch(
    () => session.person?.id,
    (id) => void (id && putter()),
    { immediate: true },
  )
  session.onFarewell(async (personId) => (await putter()).putAway(personId))
}
