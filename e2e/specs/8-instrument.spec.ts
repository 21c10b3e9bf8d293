import { readFile } from 'node:fs/promises'
import { readWav, unpackBundle } from '@rudlo/core/exchange'
import { measureLoudness } from '@rudlo/core/loudness'
import type { Download } from '@playwright/test'
import { expect, whole } from '../harness/test'

const NAME = 'Bea Castellan'

const bytes = async (download: Download) => new Uint8Array(await readFile(await download.path()))

whole(
  'the sound is checked on first entry, taps measure the delay of headphones, and a bar is counted that no meter knows of @sound',
  async ({ somebody }) => {
    const bea = await somebody()
    await bea.page.addInitScript(() => localStorage.removeItem('rudlo-listening'))
    await bea.atBench(NAME)
    const dialog = bea.page.getByRole('dialog', { name: 'Check your sound' })
    await expect(dialog).toBeVisible()
    await bea.at('check-left').click()
    await bea.at('check-right').click()
    await bea.at('check-level').click()
    await bea.at('tap').click()
    await expect(bea.at('tap')).toHaveText(/0 of 10/)
    // clicks come every 900 ms, the first after half a second: somebody who hears them 200 ms late
    await bea.page.waitForTimeout(700)
    for (let i = 0; i < 7; i++) {
      await bea.at('tap').dispatchEvent('pointerdown')
      await bea.page.waitForTimeout(890)
    }
    await expect(dialog.getByText(/ms late|no delay/)).toBeVisible()
    const delay = Number(/\d+/.exec((await bea.at('delay').textContent())!)![0])
    expect(delay).toBeGreaterThan(60)
    await bea.at('check-done').click()
    await expect(dialog).toBeHidden()

    await bea.at('listen').click()
    await bea.tick('count-in')
    await bea.tick('metronome')
    await bea.tick('mono')
    await bea.page.keyboard.press('Escape')
    await bea.at('play').click()
    await expect(bea.page.getByText('counting in')).toBeVisible()
    await bea.hearsNothing()
    await expect(bea.at('place')).toHaveText(/^(1·[2-4]|[2-9]·\d)/)
    await bea.hears()
    await bea.at('play').click()
  },
)

whole(
  'the figures of the sound come with words, and mix, tracks and bundle are saved as files',
  async ({ somebody }) => {
    const bea = await somebody()
    await bea.atBench(NAME)
    await bea.at('meters').click()
    await expect(bea.at('integrated')).toHaveText(/−\d+\.\d LUFS/)
    await expect(bea.at('true-peak')).toHaveText(/−\d+\.\d dBTP/)
    await expect(bea.page.getByText(/softer than most songs|about as loud/)).toBeVisible()
    const shown = Number((await bea.at('integrated').textContent())!.replace('−', '-').split(' ')[0])
    await bea.page.keyboard.press('Escape')
    await bea.at('files').click()
    const mixdown = bea.page.waitForEvent('download')
    await bea.at('file-mixdown').click()
    const file = await mixdown
    expect(file.suggestedFilename()).toMatch(/\.wav$/)
    const { rate, channels } = readWav(await bytes(file))
    expect(measureLoudness(rate, [channels[0]!, channels[1]!]).integrated).toBeCloseTo(shown, 0)

    await bea.at('file-stems').click()
    await bea.at('file-stop').click()
    await expect(bea.at('file-stems')).toBeEnabled()

    const bundle = bea.page.waitForEvent('download')
    await bea.at('file-bundle').click()
    const parts = unpackBundle(await bytes(await bundle))
    expect(parts.mix).toMatchObject({ format: 'rudlo-mix' })
    expect(parts.audio.size).toBeGreaterThan(5)

    // the lines by themselves, and a table read in again as one step
    const midi = bea.page.waitForEvent('download')
    await bea.at('file-midi').click()
    expect(new TextDecoder().decode((await bytes(await midi)).subarray(0, 4))).toBe('MThd')
    const table = bea.page.waitForEvent('download')
    await bea.at('file-csv').click()
    const rows = new TextDecoder().decode(await bytes(await table)).split('\r\n')
    expect(rows[0]).toContain('address')
    await bea.at('read-lines').setInputFiles({
      name: 'lines.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('address,bar and beat,value\ntrack/squeezebox/level,3.1,loud'),
    })
    await expect(bea.page.getByText('Line 2: “loud” is not a value.')).toBeVisible()
    await bea.at('read-lines').setInputFiles({
      name: 'lines.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'address,bar and beat,value\ntrack/squeezebox/level,3.1,-6\ntrack/squeezebox/level,5.1,-12\nno/such/lane,1.1,0',
      ),
    })
    await expect(bea.at('lines-taken')).toHaveText(
      '1 line read. 1 of them belongs to a lane that this mix does not have.',
    )
    await bea.page.keyboard.press('Escape')
    await bea.chooseTrack('squeezebox')
    await expect.poll(() => bea.points()).toBe(2)
    await bea.page.keyboard.press('Control+z')
    await expect.poll(() => bea.points()).not.toBe(2)
    await bea.isSaved()
  },
)
