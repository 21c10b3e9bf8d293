import { beforeEach, describe, inject, onTestFailed } from 'vitest'
import { page } from 'vitest/browser'
import { by, type By } from './hand'

declare module 'vitest' {
  interface ProvidedContext {
    /** Whether everything is tried by every hand on every screen, and not in turn. */
    readonly whole: boolean
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

/** The hand whose turn a test is: the same one whenever and wherever it runs. */
const handOf = (name: string): By =>
  [...name].reduce((sum, letter) => sum + letter.codePointAt(0)!, 0) % 2 ? 'mouse' : 'finger'

/**
 * Describes something that a person does, by this hand. The tests of a description take the screens of the hand in turn, so that
 * all of them are tried in each; in a whole run every test is tried on all.
 */
export function onScreens(name: string, tests: () => void): void {
  describeFor(name, () => true, tests)
}

/** The same for what one hand does as the other: a test is tried by one of the two, in a whole run by both. */
export function byEitherHand(name: string, tests: () => void): void {
  describeFor(name, (test) => handOf(test) === by, tests)
}

function describeFor(name: string, isMine: (test: string) => boolean, tests: () => void): void {
  const whole = inject('whole')
  const rounds = whole ? SCREENS.map((screen) => [screen]) : [SCREENS]
  for (const screens of rounds)
    describe(`${name}, by ${by} on ${screens.map((s) => s.join('×')).join(' and ')}`, () => {
      let turn = 0
      beforeEach(async ({ skip, task }) => {
        skip(!whole && !isMine(task.name), 'left to the other hand')
        const screen = screens[turn++ % screens.length]!
        onTestFailed(() => console.error(`That was on ${screen.join('×')}.`))
        await page.viewport(...screen)
      })
      tests()
    })
}
