import { expect, test, type Person, whole } from '../harness/test'

const NAME = 'Milan Novotny'

declare global {
  var sound: AudioContext | undefined
}

async function atSqueezebox(person: Person): Promise<void> {
  await person.atBench(NAME)
  await person.chooseTrack('squeezebox')
}

async function chooseWay(person: Person, way: string): Promise<void> {
  await person.at('pass').click()
  await person.at(`way-${way}`).click()
  await person.page.keyboard.press('Escape')
}

const fader = (person: Person, name = 'Squeezebox') =>
  person.page.getByRole('slider', { name: `Volume of ${name}` })

/** Holds the fader of a track and pulls it to the left for a while. */
async function ride(person: Person, name = 'Squeezebox'): Promise<void> {
  const box = (await fader(person, name).boundingBox())!
  const knob = (await fader(person, name).locator('.knob').boundingBox())!
  const x = knob.x + knob.width / 2
  await person.page.mouse.move(x, box.y + box.height / 2)
  await person.page.mouse.down()
  for (let i = 1; i <= 15; i++) {
    await person.page.mouse.move(x - i * 2, box.y + box.height / 2)
    await person.page.waitForTimeout(40)
  }
}

whole(
  'a pass is written by hand and by keys, kept in part, asked about, and taken back',
  async ({ somebody }) => {
    const milan = await somebody()
    await atSqueezebox(milan)
    await test.step('a fader that is held writes its line, glides back, and is one step; what is locked is never written', async () => {
      const points = await milan.points()
      await chooseWay(milan, 'hold')
      await milan.at('play').click()
      await milan.page.waitForTimeout(600)
      await ride(milan)
      await expect(milan.page.getByText('Your hand is writing')).toBeVisible()
      await milan.page.mouse.up()
      await milan.page.waitForTimeout(800)
      await milan.at('play').click()
      await expect(milan.at('pass-summary')).toContainText('Squeezebox')
      expect(await milan.points()).toBeGreaterThan(points + 2)
      await milan.at('pass-undo').click()
      await expect(milan.at('pass-summary')).toHaveCount(0)
      expect(await milan.points()).toBe(points)
      await milan.isSaved()

      await chooseWay(milan, 'moved')
      await milan.at('play').click()
      await milan.page.waitForTimeout(400)
      await ride(milan, 'Harp')
      await milan.page.mouse.up()
      await expect(milan.page.getByText('is locked, so nothing is written')).toBeVisible()
      await milan.at('play').click()
      await expect(milan.at('pass-summary')).toHaveCount(0)
      expect(await milan.points()).toBe(0)
    })
    await milan.chooseTrack('squeezebox')
    await test.step('a spot is repaired from its remark', async () => {
      const points = await milan.points()
      await milan.at('repair').first().click()
      await expect(milan.page.getByText('Hold the control where it is wrong')).toBeVisible()
      await expect(milan.at('place')).toContainText(/^[34]/)
      await ride(milan)
      await milan.page.mouse.up()
      await milan.page.waitForTimeout(500)
      await milan.at('play').click()
      await expect(milan.at('pass-summary')).toBeVisible()
      expect(await milan.points()).toBeGreaterThan(points)
      await milan.at('pass-undo').click()
      await milan.isSaved()
    })
    await milan.chooseTrack('squeezebox')
    await test.step('from play to stop asks before it goes over moves, and follows again after the stop', async () => {
      const points = await milan.points()
      await milan.at('pass').click()
      await milan.choose(milan.page.getByRole('combobox', { name: 'On which track' }), 'Squeezebox')
      await milan.at('way-throughout').click()
      await milan.page.keyboard.press('Escape')
      await milan.at('play').click()
      await expect(milan.at('pass-asked')).toContainText('replaces')
      expect(await milan.points()).toBe(points)
      await milan.at('pass-yes').click()
      await milan.page.waitForTimeout(2500)
      await milan.at('play').click()
      await expect(milan.at('pass-summary')).toBeVisible()
      await milan.at('pass-undo').click()
      expect(await milan.points()).toBe(points)
      await milan.at('pass').click()
      await milan.choose(milan.page.getByRole('combobox', { name: 'On which track' }), 'Squeezebox')
      await expect(milan.at('way-follow')).toHaveAttribute('aria-checked', 'true')
    })
    await milan.chooseTrack('squeezebox')
    await test.step('by keys too; a lane outside the brief is pointed out, and only some are kept', async () => {
      const points = await milan.points()
      await milan.at('lane-chooser').click()
      await milan.at('lane-track/squeezebox/pan').click()
      await milan.at('open-lane').click()
      await milan.chooseTrack('squeezebox')
      await milan.at('view-balance').click()
      await chooseWay(milan, 'moved')
      await milan.at('play').click()
      await milan.page.waitForTimeout(500)
      await milan.page.getByRole('slider', { name: 'Pan of Squeezebox' }).press('ArrowRight')
      await fader(milan).press('ArrowDown')
      await milan.page.waitForTimeout(900)
      await milan.at('play').click()
      await milan.at('view-lines').click()
      const summary = milan.at('pass-summary')
      await expect(summary).toContainText('Your task does not need this lane')
      await summary.getByRole('checkbox', { name: /pan/ }).uncheck()
      await milan.at('pass-keep').click()
      expect(await milan.points()).toBeGreaterThan(points)
      await milan.at('lane-chooser').click()
      await milan.at('lane-track/squeezebox/pan').click()
      expect(await milan.points()).toBe(0)
      await milan.page.keyboard.press('Control+z')
      await milan.isSaved()
    })
  },
)

whole(
  'the practice rig speaks MIDI alone: its motors follow the lines, and its faders write them',
  async ({ somebody }) => {
    const milan = await somebody()
    await atSqueezebox(milan)
    const points = await milan.points()
    await milan.at('pass').click()
    await milan.at('way-hold').click()
    await milan.at('open-rig').click()
    const rig = milan.at('rig-fader-0')
    const place = async () => Number(await rig.getAttribute('aria-valuenow'))
    await expect.poll(place).toBeGreaterThan(40)
    await milan.at('rig-play').click()
    await milan.page.waitForTimeout(800)
    const cap = (await rig.locator('.cap').boundingBox())!
    await milan.page.mouse.move(cap.x + 15, cap.y + 9)
    await milan.page.mouse.down()
    for (let i = 1; i <= 12; i++) {
      await milan.page.mouse.move(cap.x + 15, cap.y + 9 + i * 3)
      await milan.page.waitForTimeout(40)
    }
    const low = await place()
    await milan.page.mouse.up()
    // the line glides back, and the motor with it
    await expect.poll(place).toBeGreaterThan(low + 10)
    await milan.at('rig-stop').click()
    await expect(milan.at('pass-summary')).toContainText('Squeezebox')
    expect(await milan.points()).toBeGreaterThan(points + 2)
    await milan.at('pass-undo').click()
    expect(await milan.points()).toBe(points)
    await milan.isSaved()
  },
)

whole(
  'without a surface at hand it is explained, and the rig is offered, also in a window of its own',
  async ({ somebody }) => {
    const milan = await somebody()
    await milan.atBench('Milan Novotny')
    await milan.at('pass').click()
    await milan.at('open-surfaces').click()
    await expect(milan.at('surfaces')).toContainText('No control surface?')
    const opened = milan.page.waitForEvent('popup')
    await milan.at('rig-there').click()
    const rig = await opened
    const fader = rig.locator('[data-test=rig-fader-0]')
    await expect.poll(async () => Number(await fader.getAttribute('aria-valuenow'))).toBeGreaterThan(30)
    await rig.close()
    await expect(milan.page.getByText('The control surface was unplugged. Nothing is lost.')).toBeVisible()
  },
)

whole('a pass outlasts a lost server, a sound that is held up, and leaving', async ({ somebody }) => {
  const milan = await somebody()
  await milan.page.addInitScript(() => {
    const { AudioContext: Plain } = window
    window.AudioContext = class extends Plain {
      constructor(options?: AudioContextOptions) {
        super(options)
        globalThis.sound = this
      }
    }
  })
  await atSqueezebox(milan)
  const points = await milan.points()
  await chooseWay(milan, 'hold')
  await milan.at('play').click()
  await milan.page.waitForTimeout(600)
  await ride(milan)
  await milan.page.context().setOffline(true)
  await milan.page.evaluate(() => globalThis.sound!.suspend())
  await milan.page.waitForTimeout(300)
  await milan.page.evaluate(() => globalThis.sound!.resume())
  await milan.page.waitForTimeout(300)
  await milan.page.mouse.up()
  await milan.page.waitForTimeout(500)
  // leaving says that the hand still writes; what it wrote is kept
  await milan.page.getByRole('link', { name: 'Rudlo: go to the first page' }).click()
  await expect(milan.at('leave-writing')).toBeVisible()
  await milan.page.getByRole('button', { name: 'Stay' }).click()
  await milan.at('play').click()
  await expect(milan.at('pass-summary')).toContainText('Squeezebox')
  const written = await milan.points()
  expect(written).toBeGreaterThan(points + 2)
  await expect(milan.at('save-state')).not.toHaveText('Saved')
  await milan.page.context().setOffline(false)
  await milan.isSaved()
  await milan.page.reload()
  await milan.canPlay()
  await milan.chooseTrack('squeezebox')
  expect(await milan.points()).toBe(written)
  await milan.page.keyboard.press('Control+z')
  await expect.poll(() => milan.points()).toBe(points)
  await milan.isSaved()
})
