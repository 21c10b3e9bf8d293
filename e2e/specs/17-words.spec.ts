import { tightBoxes } from '../harness/boxes'
import { expect, type Person, whole } from '../harness/test'

/** Everything that is said, a third longer and with accents: what has no room for it, or says it past its box, is found. */
async function speaksOddly(person: Person): Promise<void> {
  await person.page.addInitScript(() => localStorage.setItem('rudlo-language', 'pseudo'))
}

/** Nothing is cut off, lies on something else or sticks out; everything that is said comes from a catalog. */
async function hasRoom(person: Person, room: string): Promise<void> {
  await person.page.waitForTimeout(400)
  expect(await person.page.evaluate(tightBoxes), room).toEqual([])
}

whole(
  'every room of a student has room for a language that is longer',
  async ({ somebody, installation }) => {
    const wilma = await somebody({ reducedMotion: 'reduce' })
    await speaksOddly(wilma)
    await wilma.page.goto(installation.address)
    await expect(wilma.page.getByRole('heading', { level: 1 })).toContainText('⟦')
    await hasRoom(wilma, 'sign-in')
    await wilma.signIn('Wilma Osei')
    await hasRoom(wilma, 'first page')
    await wilma.open('bench')
    await wilma.at('ask').click()
    await expect(wilma.at('check').first()).toBeVisible({ timeout: 60_000 })
    await hasRoom(wilma, 'bench: lines')
    await wilma.at('pass').click()
    await hasRoom(wilma, 'bench: ways of writing')
    await wilma.page.keyboard.press('Escape')
    await wilma.at('view-balance').click()
    await hasRoom(wilma, 'bench: balance')
    await wilma.at('account').click()
    await hasRoom(wilma, 'account')
    await wilma.page.keyboard.press('Escape')
    await wilma.at('hand-in').click()
    await hasRoom(wilma, 'handing in')
    await wilma.page.keyboard.press('Escape')
    await wilma.page.goto(`${installation.address}/progress`)
    await expect(wilma.at('way').first()).toBeVisible()
    await hasRoom(wilma, 'progress')
  },
)

whole(
  'every room of a teacher has room for a language that is longer',
  async ({ somebody, installation }) => {
    const maren = await somebody({ reducedMotion: 'reduce' })
    await speaksOddly(maren)
    await maren.signIn('Maren Holt')
    await hasRoom(maren, 'first page')
    await maren.goToAssignments()
    await hasRoom(maren, 'assignments')
    await maren.at('new-assignment').click()
    await hasRoom(maren, 'a new assignment')
    await maren.page.keyboard.press('Escape')
    await maren.card().locator('[data-test=edit-brief]').click()
    await expect(maren.at('task')).toHaveCount(3)
    for (const part of ['task', 'about', 'model', 'publish']) {
      if (part !== 'task') await maren.at(`part-${part}`).click()
      await hasRoom(maren, `assignment: ${part}`)
    }
    await maren.page.goto(`${installation.address}/class`)
    await expect(maren.at('term-row')).toHaveCount(10)
    await hasRoom(maren, 'class: term')
    await maren.at('open-assignment').first().click()
    await expect(maren.at('task-row')).toHaveCount(10)
    await hasRoom(maren, 'class: an assignment')
    await maren.page.goBack()
    await maren.at('to-student').first().click()
    await expect(maren.at('way').first()).toBeVisible()
    await hasRoom(maren, 'class: a student')
    await maren.page.goBack()
    await maren.at('tab-people').click()
    await expect(maren.at('student')).toHaveCount(10)
    for (const tab of ['people', 'marks', 'settings', 'changes']) {
      await maren.at(`tab-${tab}`).click()
      await hasRoom(maren, `class: ${tab}`)
    }
    await maren.at('tab-marks').click()
    await maren.at('scheme').click()
    await hasRoom(maren, 'class: scale and rule')
    await maren.page.keyboard.press('Escape')
    await maren.at('tab-people').click()
    await maren.at('add-students').click()
    await hasRoom(maren, 'adding students')
    await maren.page.keyboard.press('Escape')
    await maren.at('lesson').click()
    await maren.at('in-lesson').first().click()
    await hasRoom(maren, 'lesson')
    await maren.at('show-move').click()
    await maren.canPlay()
    await hasRoom(maren, 'lesson: a move')
    await maren.page.goto(`${installation.address}/songs`)
    await expect(maren.at('song').first()).toBeVisible()
    await hasRoom(maren, 'songbook')
    await maren.at('song').first().click()
    await maren.canPlay()
    await hasRoom(maren, 'song')
    await maren.open('review')
    await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
    await hasRoom(maren, 'review desk')
    await maren.at('edit-rubric').click()
    await hasRoom(maren, 'rubric')
    await maren.page.keyboard.press('Escape')
    await maren.listHandIns()
    await maren.at('compare').click()
    await expect(maren.at('crowd')).toBeVisible()
    await hasRoom(maren, 'comparing')
    await maren.page.goto(maren.page.url().replace('/compare/', '/sheets/'))
    await expect(maren.at('paper').first()).toBeVisible()
    await hasRoom(maren, 'sheets')
  },
)
