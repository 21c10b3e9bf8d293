import type { Locator } from '@playwright/test'
import { expect, test, type Person } from '../harness/test'

async function atBalance(person: Person, name: string): Promise<void> {
  await person.atBench(name)
  await person.at('view-balance').click()
  await expect(person.at('row-harp')).toBeVisible()
}

const fader = (person: Person, of: string) =>
  person.page.getByRole('slider', { name: `Volume of ${of}`, exact: true })
const text = (person: Person, of: string) => person.page.getByLabel(`Volume of ${of} as text`)

async function dragBy(person: Person, slider: Locator, share: number): Promise<void> {
  const box = (await slider.boundingBox())!
  const now = Number(await slider.getAttribute('aria-valuenow')) / 100
  const x = box.x + now * box.width
  await person.page.mouse.move(x, box.y + box.height / 2)
  await person.page.mouse.down()
  await person.page.mouse.move(x + share * box.width, box.y + box.height / 2, { steps: 6 })
  await person.page.mouse.up()
}

test('a fader is dragged, typed, wheeled, nudged and returned to its default, and it is all kept', async ({
  somebody,
}) => {
  const petra = await somebody()
  await atBalance(petra, 'Petra Mraz')
  const harp = fader(petra, 'Harp')
  await dragBy(petra, harp, -0.2)
  await expect(text(petra, 'Harp')).toHaveValue(/^−1[2-6]\.\d dB$/)
  await petra.isSaved()

  await text(petra, 'Harp').fill('-8')
  await text(petra, 'Harp').press('Enter')
  await harp.focus()
  await petra.page.keyboard.press('ArrowUp')
  await petra.page.keyboard.press('Shift+ArrowUp')
  await expect(text(petra, 'Harp')).toHaveValue('−6.9 dB')
  await harp.hover()
  await petra.page.mouse.wheel(0, 100)
  await expect(text(petra, 'Harp')).toHaveValue('−7.9 dB')
  await text(petra, 'Harp').fill('very loud')
  await text(petra, 'Harp').press('Enter')
  await expect(petra.at('notice')).toContainText('“very loud” is no value here')
  await expect(text(petra, 'Harp')).toHaveValue('−7.9 dB')

  await petra.page.getByRole('slider', { name: 'Pan of Harp' }).dblclick()
  await expect(petra.page.getByRole('slider', { name: 'Pan of Harp' })).toHaveAttribute('aria-valuetext', 'C')
  await petra.isSaved()
  await petra.page.reload()
  await petra.canPlay()
  await petra.at('view-balance').click()
  await expect(text(petra, 'Harp')).toHaveValue('−7.9 dB')

  await petra.at('start-again').click()
  await expect(text(petra, 'Harp')).toHaveValue('−6.0 dB')
  await petra.page.keyboard.press('Control+z')
  await expect(text(petra, 'Harp')).toHaveValue('−7.9 dB')
})

test('a line in charge moves the fader by itself; taking it says why nothing changes', async ({
  somebody,
}) => {
  const petra = await somebody()
  await atBalance(petra, 'Petra Mraz')
  const tide = fader(petra, 'Tide')
  const before = await tide.getAttribute('aria-valuenow')
  await petra.at('play').click()
  await expect.poll(() => tide.getAttribute('aria-valuenow')).not.toBe(before)
  await petra.at('play').click()
  await dragBy(petra, tide, 0.1)
  await expect(petra.at('why')).toContainText('A line is in charge of it')
  await petra.page.getByRole('button', { name: 'Show its line' }).last().click()
  await expect(petra.page.getByRole('heading', { name: 'Tide' })).toBeVisible()
})

test('solo is heard at once, explains itself, and is never saved', async ({ somebody }) => {
  const petra = await somebody()
  await atBalance(petra, 'Petra Mraz')
  await petra.at('play').click()
  expect(await petra.loudness(1500)).toBeGreaterThan(-60)
  await petra.page.getByRole('button', { name: 'solo Brushes' }).click()
  await petra.page.waitForTimeout(700)
  expect(await petra.loudness(800)).toBeNull()
  await petra.page.getByRole('button', { name: 'Why can’t I hear Harp?' }).click()
  await expect(petra.at('why')).toContainText('Only Brushes can be heard: solo is on.')
  await petra.page.getByRole('button', { name: 'Hear everything' }).click()
  await petra.page.waitForTimeout(700)
  expect(await petra.loudness(1000)).toBeGreaterThan(-60)
  await expect(petra.at('save-state')).toHaveText('Saved')
})

test('returns, sends and effects are added, heard of, kept and taken out', async ({ somebody }) => {
  const petra = await somebody()
  await atBalance(petra, 'Petra Mraz')
  await petra.at('add-return').selectOption('reverb')
  await petra.at('add-return').selectOption('delay')
  await petra.page.getByRole('button', { name: 'Send Whistle to Reverb' }).click()
  await petra.page.getByRole('slider', { name: 'Send of Whistle to Reverb' }).focus()
  for (let i = 0; i < 30; i++) await petra.page.keyboard.press('ArrowUp')
  await petra.page.getByRole('button', { name: 'Send Reverb to Delay' }).click()
  await expect(petra.page.getByRole('button', { name: 'Send Delay to Reverb' })).toHaveCount(0)

  await petra.page.getByRole('button', { name: /^fx .*on Harp/ }).click()
  await petra.page.getByRole('button', { name: '+ Filter' }).click()
  await petra.page.getByRole('button', { name: '+ EQ' }).click()
  await petra.page.getByLabel('Frequency of Filter as text').fill('2.4k')
  await petra.page.getByLabel('Frequency of Filter as text').press('Enter')
  await petra.page.getByRole('button', { name: 'Move EQ up' }).click()
  await petra.page.getByRole('button', { name: 'Done' }).click()
  await petra.isSaved()

  await petra.page.reload()
  await petra.canPlay()
  await petra.at('view-balance').click()
  await expect(petra.page.getByRole('button', { name: /^fx .*on Harp/ })).toHaveText('fx 2')
  await petra.page.getByRole('button', { name: /^fx .*on Harp/ }).click()
  await expect(petra.page.getByLabel('Name of effect 1')).toHaveValue('EQ')
  await expect(petra.page.getByLabel('Frequency of Filter as text')).toHaveValue('2.40 kHz')
  await petra.page.getByRole('button', { name: 'Done' }).click()
  await petra.at('row-harp').scrollIntoViewIfNeeded()
  await petra.page.getByRole('button', { name: 'Remove', exact: true }).first().click()
  await expect(petra.page.getByRole('slider', { name: 'Send of Whistle to Reverb' })).toHaveCount(0)
  await petra.isSaved()
})

test('a listening note is dropped while it plays, written, kept and ticked off', async ({ somebody }) => {
  const petra = await somebody()
  await petra.atBench('Petra Mraz')
  await petra.at('play').click()
  await petra.page.waitForTimeout(600)
  await petra.at('line').focus()
  await petra.page.keyboard.press('n')
  const note = petra.page.getByRole('textbox', { name: /^Note at bar 1/ })
  await expect(note).toBeFocused()
  await note.fill('too loud here')
  await note.press('Enter')
  await petra.at('play').click()
  await petra.isSaved()
  await petra.page.reload()
  await petra.canPlay()
  await expect(petra.at('notes')).toHaveText('Notes 1')
  await petra.at('notes').click()
  await expect(petra.page.getByRole('textbox', { name: /^Note at bar 1/ })).toHaveValue('too loud here')
  await petra.page.getByRole('checkbox', { name: /dealt with/ }).check()
  await expect(petra.at('notes')).toHaveText('Notes')
  await petra.isSaved()
})

test('the track cards mix too: a mute is heard and undone', async ({ somebody }) => {
  const petra = await somebody()
  await petra.atBench('Petra Mraz')
  const mute = petra.page.getByRole('button', { name: 'Mute Harp' })
  await mute.click()
  await expect(mute).toHaveAttribute('aria-pressed', 'true')
  await petra.isSaved()
  await petra.page.keyboard.press('Control+z')
  await expect(mute).toHaveAttribute('aria-pressed', 'false')
})
