import { bubbleOn } from '../harness/bubble'
import { Finger } from '../harness/hand'
import { expect, test, type Person } from '../harness/test'

const NAME = 'Milan Novotny'

async function atSqueezebox(person: Person): Promise<void> {
  await person.atBench(NAME)
  await person.chooseTrack('squeezebox')
}

test('a try is kept, heard beside the work and gone on from', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await milan.at('tries').click()
  await milan.page.getByLabel('Name for how it is now').fill('Before')
  await milan.at('keep-try').click()
  await expect(milan.at('hear-Before')).toBeVisible()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  await milan.press(0.87, 0.2)
  await milan.at('tries').click()
  await milan.at('hear-Before').click()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  await expect(milan.at('heard')).toContainText('“Before”')
  await milan.at('heard').click()
  await expect(milan.at('heard')).toHaveCount(0)
  expect(await milan.points()).toBe(points + 1)
  await milan.at('tries').click()
  await milan.at('go-on-Before').click()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  expect(await milan.points()).toBe(points)
  await milan.undo()
  expect(await milan.points()).toBe(points + 1)
  await milan.undo()
  await milan.isSaved()
})

test('a finger sets a point, with its value large above it; two fingers scroll and zoom', async ({
  somebody,
}) => {
  const milan = await somebody({ hasTouch: true })
  await atSqueezebox(milan)
  const finger = new Finger(milan.page)
  const points = await milan.points()
  const at = await milan.onLane(await milan.freePlace(), 0.5)
  await finger.touch('touchStart', at)
  // clear of the finger, and larger than beside a mouse
  let told = { x: 0, y: 0, width: 0, height: 0 }
  await expect
    .poll(async () => {
      told = (await bubbleOn(milan.page)) ?? told
      return told.width
    })
    .toBeGreaterThan(240)
  expect(told.y + told.height).toBeLessThan(at.y - 38)
  await finger.touch('touchMove', { x: at.x + 5, y: at.y - 40 })
  await finger.touch('touchEnd')
  await expect.poll(() => milan.points()).toBe(points + 1)
  const shown = () =>
    milan.page.evaluate(() => {
      const app = document.querySelector('#app') as unknown as {
        __vue_app__: {
          config: {
            globalProperties: {
              $pinia: { state: { value: { desk: { span: { from: number; to: number } } } } }
            }
          }
        }
      }
      const { from, to } = app.__vue_app__.config.globalProperties.$pinia.state.value.desk.span
      return to - from
    })
  const before = await shown()
  await finger.touch('touchStart', at)
  await finger.touch('touchStart', at, { x: at.x + 80, y: at.y })
  await finger.touch('touchMove', { x: at.x - 60, y: at.y }, { x: at.x + 160, y: at.y })
  await finger.touch('touchEnd')
  expect(await shown()).toBeLessThan(before * 0.7)
  expect(await milan.points()).toBe(points + 1)
  await milan.undo()
  await milan.isSaved()
})
