/** Before each file of tests: what another file mocked, or left in a module, is not seen. Packages stay loaded. */
import { vi } from 'vitest'

vi.resetModules()
vi.unstubAllGlobals()

// a test says what somebody reads who is signed in
const { loadRooms } = await import('../src/words/language')
await loadRooms()
