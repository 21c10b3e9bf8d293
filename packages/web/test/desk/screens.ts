import { beforeAll, describe } from 'vitest'
import { page } from 'vitest/browser'
import { by } from './hand'

type Screen = readonly [width: number, height: number]

/** The screens that everything on a lane is tried on, the usual one first. */
const ALL: readonly Screen[] = [
  [1280, 800],
  [1366, 640],
  [1024, 768],
]
/** For rooms beside the lanes: each screen once, with a mouse or with a finger. */
const ONCE = ALL.filter(([width]) => (width === 1024) === (by === 'finger'))

const onEach = (screens: readonly Screen[]) => (name: string, tests: () => void) => {
  for (const [width, height] of screens)
    describe(`${name}, by ${by} on ${width}×${height}`, () => {
      beforeAll(() => page.viewport(width, height))
      tests()
    })
}

/** Describes something on a lane: it is tried on every screen, with what the project works with. */
export const onScreens = onEach(ALL)
/** Describes a room beside the lanes. */
export const oncePerScreen = onEach(ONCE)
