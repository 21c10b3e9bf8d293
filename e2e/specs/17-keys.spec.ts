import type { Locator } from '@playwright/test'
import { expect, test, type Person } from '../harness/test'

/** Everything here is done by keys alone. */
async function atSqueezebox(person: Person): Promise<void> {
  await person.signIn('Ines Varga')
  await person.openBench()
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
const said = (person: Person, surface: string) => person.at(surface).getByRole('status')

/** Goes to the start of a bar by the strip. */
async function atBar(person: Person, bar: number): Promise<void> {
  await person.at('strip').focus()
  await keys(person, 'Home')
  for (let i = 1; i < bar; i++) await keys(person, 'ArrowRight')
}

test('by keys: several points are chosen, moved and removed, and the line after one is bent', async ({
  somebody,
}) => {
  const ines = await somebody()
  await atSqueezebox(ines)
  const points = await ines.points()
  for (const bar of [18, 20, 22]) {
    await atBar(ines, bar)
    await ines.at('line').focus()
    await keys(ines, 'Enter', 'ArrowDown')
  }
  await keys(ines, 'Shift+PageUp', 'Shift+PageUp')
  await expect(said(ines, 'line')).toHaveText(/^3 points selected/)
  const value = await field(ines, 'Value').inputValue()
  await keys(ines, 'ArrowDown')
  await expect(field(ines, 'Value')).not.toHaveValue(value)
  await keys(ines, 'Delete')
  expect(await ines.points()).toBe(points)
  await ines.undo()
  expect(await ines.points()).toBe(points + 3)
  await keys(ines, 'Home', 'PageDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'PageUp')
  const steps = await ines.steps()
  await keys(ines, 'Alt+ArrowUp', 'Alt+ArrowUp')
  expect(await ines.steps()).toBe(steps + 2)
  await enter(ines.at('history'))
  await expect(ines.page.getByRole('button', { name: /^Bent the line/ })).toHaveCount(2)
  await keys(ines, 'Escape')
  await ines.isSaved()
})

test('by keys: bars are selected, lowered, faded, copied and pasted, shaped, and kept as a motif', async ({
  somebody,
}) => {
  const ines = await somebody()
  await atSqueezebox(ines)
  const points = await ines.points()
  await atBar(ines, 9)
  await ines.at('line').focus()
  await keys(ines, '2')
  await expect(ines.at('bars-surface')).toBeFocused()
  await keys(ines, 'ArrowRight', 'ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight')
  await expect(said(ines, 'bars-surface')).toHaveText('Bars 10 to 12 selected')
  await keys(ines, 'Shift+ArrowLeft')
  await expect(said(ines, 'bars-surface')).toHaveText('Bars 10 to 11 selected')
  for (const act of ['lower', 'move-fade out', 'raise']) {
    const before = await ines.steps()
    await enter(ines.at(act))
    expect(await ines.steps()).toBe(before + 1)
    await ines.undo()
  }
  expect(await ines.points()).toBe(points)

  await enter(ines.at('lower'))
  await enter(ines.at('copy'))
  await atBar(ines, 20)
  const lowered = await ines.points()
  await enter(ines.at('paste'))
  expect(await ines.points()).toBeGreaterThan(lowered)
  await ines.undo()

  await enter(ines.at('shapes'))
  await enter(ines.at('shape-wave'))
  const shaped = await ines.points()
  expect(shaped).toBeGreaterThan(lowered)
  await ines.at('shape-cycles').fill('5')
  await keys(ines, 'Enter')
  await ines.at('handle-depth').press('ArrowUp')
  await ines.at('handle-middle').press('ArrowDown')
  expect(await ines.points()).toBeGreaterThan(shaped)
  await ines.undo()
  expect(await ines.points()).toBe(lowered)

  await enter(ines.at('motifs'))
  await field(ines, 'Name for these bars').fill('Sigh')
  await enter(ines.at('keep-motif'))
  await keys(ines, 'Escape')
  await expect(field(ines, 'Name for these bars')).toHaveCount(0)
  await atBar(ines, 24)
  await enter(ines.at('motifs'))
  await enter(ines.at('place-Sigh'))
  await expect.poll(() => ines.points()).toBeGreaterThan(lowered)
  await keys(ines, 'Escape')
  await ines.isSaved()
})

test('by keys: a pen draws freely, is lifted and taken back', async ({ somebody }) => {
  const ines = await somebody()
  await atSqueezebox(ines)
  const points = await ines.points()
  await atBar(ines, 26)
  await ines.at('line').focus()
  await keys(ines, '3')
  await expect(ines.at('freehand-surface')).toBeFocused()
  await expect(said(ines, 'freehand-surface')).toHaveText('Pen up')
  await keys(ines, 'Enter')
  for (let i = 0; i < 6; i++) await keys(ines, 'ArrowRight', 'ArrowDown', 'ArrowDown')
  await expect(said(ines, 'freehand-surface')).toHaveText(/^Pen down: .* dB, bar 27, beat 3$/)
  const before = await ines.steps()
  await keys(ines, 'Enter')
  expect(await ines.steps()).toBe(before + 1)
  const drawn = await ines.points()
  expect(drawn).toBeGreaterThan(points)
  await keys(ines, 'Enter', 'ArrowRight', 'ArrowUp', 'ArrowRight', 'Escape')
  await expect(said(ines, 'freehand-surface')).toHaveText('Pen up')
  expect(await ines.points()).toBe(drawn)
  await ines.undo()
  expect(await ines.points()).toBe(points)
  await ines.isSaved()
})

test('by keys: cells are given values and cleared; those of a switch are turned over', async ({
  somebody,
}) => {
  const ines = await somebody()
  await atSqueezebox(ines)
  const points = await ines.points()
  await atBar(ines, 14)
  await ines.at('line').focus()
  await keys(ines, '4')
  await expect(ines.at('cells-surface')).toBeFocused()
  await keys(ines, 'ArrowDown', 'ArrowDown', 'ArrowRight', 'ArrowUp')
  await expect(said(ines, 'cells-surface')).toHaveText(/^bar 14, beat 2: .* dB$/)
  const drawn = await ines.points()
  expect(drawn).toBeGreaterThan(points + 2)
  await keys(ines, 'Delete')
  await expect.poll(() => ines.points()).toBeLessThan(drawn)
  for (let i = 0; i < 4; i++) await ines.undo()
  expect(await ines.points()).toBe(points)

  await enter(ines.at('lane-chooser'))
  await enter(ines.at('lane-track/squeezebox/mute'))
  await enter(ines.at('open-lane'))
  await ines.at('cells-surface').focus()
  await keys(ines, 'Enter')
  await expect(said(ines, 'cells-surface')).toHaveText(/: on$/)
  await keys(ines, 'ArrowRight')
  await expect(said(ines, 'cells-surface')).toHaveText(/: off$/)
  await keys(ines, 'ArrowLeft', 'Delete')
  await expect(said(ines, 'cells-surface')).toHaveText(/: off$/)
  await ines.undo()
  await ines.undo()
  expect(await ines.points()).toBe(0)
})

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
