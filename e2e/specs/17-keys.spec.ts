import type { Locator } from '@playwright/test'
import { expect, test, type Person } from '../harness/test'

/** Everything here is done by keys alone. */
async function atSqueezebox(person: Person): Promise<void> {
  await person.atBench('Ines Varga')
  await enter(person.at('card-squeezebox'))
}

/** Goes to a button and presses it, as somebody does without a mouse. */
async function enter(button: Locator): Promise<void> {
  await button.focus()
  await button.press('Enter')
}

async function keys(person: Person, ...all: string[]): Promise<void> {
  for (const key of all) await person.page.keyboard.press(key)
}

const field = (person: Person, name: string) => person.page.getByLabel(name, { exact: true })

/** Goes to the start of a bar by the strip. */
async function atBar(person: Person, bar: number): Promise<void> {
  await person.at('strip').focus()
  await keys(person, 'Home')
  for (let i = 1; i < bar; i++) await keys(person, 'ArrowRight')
}

test('by keys: a region is moved with its lines and split, a setting is stamped, a try is kept', async ({
  somebody,
}) => {
  const ines = await somebody()
  await atSqueezebox(ines)
  const points = await ines.points()
  const steps = await ines.steps()
  await ines.at('region').first().press('ArrowRight')
  await expect(ines.at('region-question')).toBeVisible()
  await enter(ines.at('along-moved'))
  expect(await ines.steps()).toBe(steps + 1)
  await ines.undo()
  await atBar(ines, 12)
  await enter(ines.at('region-menu'))
  await enter(ines.at('region-split'))
  await expect(ines.at('region')).toHaveCount(2)
  await ines.at('region-end').last().press('ArrowLeft')
  expect(await ines.steps()).toBe(steps + 2)
  await ines.undo()
  await ines.undo()
  expect(await ines.points()).toBe(points)

  await atBar(ines, 19)
  await enter(ines.at('stamp'))
  await enter(ines.at('stamp-jump'))
  expect(await ines.points()).toBeGreaterThan(points)
  await ines.undo()

  await enter(ines.at('tries'))
  await field(ines, 'Name for how it is now').fill('Still')
  await enter(ines.at('keep-try'))
  await enter(ines.at('hear-Still'))
  await keys(ines, 'Escape')
  await expect(ines.at('heard')).toContainText('“Still”')
  await enter(ines.at('heard'))
  await expect(ines.at('heard')).toHaveCount(0)
  await ines.isSaved()
})
