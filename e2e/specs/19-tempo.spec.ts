import { readFile } from 'node:fs/promises'
import { readWav } from '@rudlo/core/exchange'
import type { Person } from '../harness/test'
import { expect, test, whole } from '../harness/test'

/** Seconds of the mixdown, and how loud a stretch of it is, as the root mean square of the left channel. */
async function mixdown(person: Person) {
  await person.at('files').click()
  const saved = person.page.waitForEvent('download')
  await person.at('file-mixdown').click()
  const { rate, channels } = readWav(new Uint8Array(await readFile(await (await saved).path())))
  await person.page.keyboard.press('Escape')
  const loud = (from: number, to: number) => {
    const part = channels[0]!.subarray(from * rate, to * rate)
    return Math.sqrt(part.reduce((sum, x) => sum + x * x, 0) / part.length)
  }
  return { seconds: channels[0]!.length / rate, loud }
}

whole(
  'the tempo is drawn where it is open, and everybody who plays from notes follows it',
  async ({ somebody }) => {
    const bea = await somebody()
    await bea.atBench('Bea Castellan', 'All the lanterns')
    const before = await mixdown(bea)
    await bea.at('lane-chooser').click()
    await bea.at('lane-song/tempo').click()
    await expect(bea.page.getByRole('heading', { name: 'Tempo of the song' })).toBeVisible()
    // as the song has it: nothing was changed by opening it
    expect(await bea.points()).toBe(6)

    await bea.at('line').focus()
    await bea.page.keyboard.press('Control+a')
    await bea.page.getByLabel('Value', { exact: true }).fill('160')
    await bea.page.keyboard.press('Enter')
    await expect(bea.at('learning')).toBeVisible()
    await expect(bea.at('learning')).toBeHidden({ timeout: 30_000 })
    await bea.canPlay()
    const after = await mixdown(bea)
    // 54 bars of three beats, eight in three seconds; the tails ring on
    expect(before.seconds).toBeLessThan(50)
    expect(after.seconds).toBeGreaterThanOrEqual(60.75)
    expect(after.seconds).toBeLessThan(72)
    // a beat of the last bar but one still sounds, where the song was long over before
    expect(after.loud(58.5, 59.25)).toBeGreaterThan(0.0005)

    // and so it does when it is handed in and measured
    await bea.isSaved()
    await bea.at('hand-in').click()
    await bea.at('confirm-hand-in').click()
    await expect(bea.at('measured').locator('li').first()).toBeVisible({ timeout: 90_000 })
    await bea.at('close-hand-in').click()

    // the last point stays: a song needs a tempo
    await bea.at('line').focus()
    await bea.page.keyboard.press('Control+a')
    await bea.page.keyboard.press('Delete')
    await expect(bea.at('notice')).toContainText('A song needs a tempo: its last point stays.')
  },
)

test('a teacher opens the tempo of an assignment', async ({ somebody }) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  await maren.goToAssignments()
  await maren.card('Out of the dark').getByRole('link', { name: 'Edit assignment' }).first().click()
  await maren.at('part-about').click()
  const open = maren.at('open-tempo').getByRole('checkbox')
  await expect(open).not.toBeChecked()
  await open.check()
  await maren.at('save-brief').click()
  await expect(maren.at('brief-state')).toHaveText('Saved')
  await maren.page.reload()
  await maren.at('part-about').click()
  await expect(open).toBeChecked()
})
