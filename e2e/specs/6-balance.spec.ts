import { expect, test, type Person, whole } from '../harness/test'

async function atBalance(person: Person, name: string): Promise<void> {
  await person.atBench(name)
  await person.at('view-balance').click()
  await expect(person.at('row-harp')).toBeVisible()
}

const fader = (person: Person, of: string) =>
  person.page.getByRole('slider', { name: `Volume of ${of}`, exact: true })

whole(
  'while it plays: a line in charge moves its fader, solo is heard at once and explains itself, and is never saved',
  async ({ somebody }) => {
    const petra = await somebody()
    await atBalance(petra, 'Petra Mraz')
    const tide = fader(petra, 'Tide')
    const before = await tide.getAttribute('aria-valuenow')
    await petra.at('play').click()
    await expect.poll(() => tide.getAttribute('aria-valuenow')).not.toBe(before)
    await petra.hears()
    await petra.page.getByRole('button', { name: 'Solo Brushes' }).click()
    await petra.hearsNothing()
    await petra.page.getByRole('button', { name: 'Why can’t I hear Harp?' }).click()
    await expect(petra.at('why')).toContainText('Solo is on: only Brushes can be heard.')
    await petra.page.getByRole('button', { name: 'Hear everything' }).click()
    await petra.hears()
    await expect(petra.at('save-state')).toHaveText('Saved')
  },
)

test('what was mixed is kept: faders, returns, sends, effects, and a note dropped while it plays', async ({
  somebody,
}) => {
  const petra = await somebody()
  await atBalance(petra, 'Petra Mraz')
  const harp = petra.page.getByLabel('Volume of Harp as text')
  await harp.fill('-8')
  await harp.press('Enter')
  await petra.at('add-return').click()
  await petra.at('return-reverb').click()
  await petra.page.getByRole('button', { name: 'Send Whistle to Reverb' }).click()
  await petra.page.getByRole('button', { name: /^FX of Harp/ }).click()
  await petra.page.getByRole('button', { name: '+ Filter' }).click()
  await petra.page.getByLabel('Frequency of Filter as text').fill('2.4k')
  await petra.page.getByLabel('Frequency of Filter as text').press('Enter')
  await petra.page.getByRole('button', { name: 'Done' }).click()
  await petra.at('view-lines').click()
  await petra.at('play').click()
  await petra.page.waitForTimeout(600)
  await petra.at('line').focus()
  await petra.page.keyboard.press('n')
  const note = petra.page.getByRole('textbox', { name: /^Note at bar/ })
  await expect(note).toBeFocused()
  await note.fill('too loud here')
  await note.press('Enter')
  await petra.at('play').click()
  await petra.isSaved()

  await petra.page.reload()
  await petra.canPlay()
  await petra.at('view-balance').click()
  await expect(harp).toHaveValue('−8.0 dB')
  await expect(petra.page.getByRole('slider', { name: 'Send of Whistle to Reverb' })).toBeVisible()
  await petra.page.getByRole('button', { name: /^FX of Harp/ }).click()
  await expect(petra.page.getByLabel('Frequency of Filter as text')).toHaveValue('2.40 kHz')
  await petra.page.getByRole('button', { name: 'Done' }).click()
  await expect(petra.at('notes')).toHaveText('Notes 1')
  await petra.at('notes').click()
  await expect(petra.page.getByRole('textbox', { name: /^Note at bar/ })).toHaveValue('too loud here')
  await petra.page.getByRole('checkbox', { name: /is done/ }).check()
  await expect(petra.at('notes')).toHaveText('Notes')
  await petra.isSaved()
})
