import { beforeAll, describe } from 'vitest'
import { page } from 'vitest/browser'
import { by } from './hand'

type Screen = readonly [width: number, height: number]

/** The screens that a school has, each with what is worked on it with: a mouse, or a finger on a tablet. */
const SCREENS: readonly Screen[] =
  by === 'finger'
    ? [[1024, 768]]
    : [
        [1280, 800],
        [1366, 640],
      ]

/** Describes something that a person does: it is tried on every screen that this hand works on. */
export function onScreens(name: string, tests: () => void): void {
  for (const [width, height] of SCREENS)
    describe(`${name}, by ${by} on ${width}×${height}`, () => {
      beforeAll(() => page.viewport(width, height))
      tests()
    })
}
