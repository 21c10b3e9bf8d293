/** Components are tested as somebody reads them who is signed in. */
import { loadRooms } from '../src/words/language'

await loadRooms()
