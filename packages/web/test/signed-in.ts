/** Components are tested as somebody has them who is signed in: with all words, and in their sizes and colours. */
import { paint } from '../src/ui/theme/paint'
import { LIGHT } from '../src/ui/theme/palette'
import { loadRooms } from '../src/words/language'

paint(LIGHT, 'light')
await loadRooms()
