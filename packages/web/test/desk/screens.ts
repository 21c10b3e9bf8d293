import { beforeEach, describe, inject, onTestFailed } from 'vitest'
import { page } from 'vitest/browser'
import { by } from './hand'

declare module 'vitest' {
  interface ProvidedContext {
    /** Whether everything is tried on every screen, and not on one after the other in turn. */
    readonly everyScreen: boolean
  }
}

type Screen = readonly [width: number, height: number]

/** The screens that a school has, each with what is worked on it with: a mouse, or a finger on a tablet. */
const SCREENS: readonly Screen[] =
  by === 'finger'
    ? [[1024, 768]]
    : [
        [1280, 800],
        [1366, 640],
      ]

/**
 * Describes something that a person does. The tests of a description take the screens of this hand in turn, so that all of them
 * are tried in each; with `RUDLO_EVERY=1` every test is tried on all.
 */
export function onScreens(name: string, tests: () => void): void {
  const rounds = inject('everyScreen') ? SCREENS.map((screen) => [screen]) : [SCREENS]
  for (const screens of rounds)
    describe(`${name}, by ${by} on ${screens.map((s) => s.join('×')).join(' and ')}`, () => {
      let turn = 0
      beforeEach(async () => {
        const screen = screens[turn++ % screens.length]!
        onTestFailed(() => console.error(`That was on ${screen.join('×')}.`))
        await page.viewport(...screen)
      })
      tests()
    })
}
