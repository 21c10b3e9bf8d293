/** `npm run shots`: the pictures in docs/screenshots, made from the demo data. */
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { CHROMIUM } from './lib/chromium.mjs'
import { Installation } from './lib/installation.mjs'
import { ROOT } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { say } from './lib/say.mjs'

const FOLDER = join(ROOT, 'docs/screenshots')

await needDebian('mariadb-server', 'chromium-headless-shell')
await needModules()
const { build } = await import('./build.mjs')
await build()
mkdirSync(FOLDER, { recursive: true })
const { chromium } = await import('playwright-core')
const installation = await new Installation(true).start()
const browser = await chromium.launch(CHROMIUM)

/** A page of somebody's own; nobody's where no name is given. */
async function open(name, { width = 1280, height = 800, colorScheme = 'light' } = {}) {
  const page = await browser.newPage({ viewport: { width, height }, colorScheme })
  await page.addInitScript(() => localStorage.setItem('rudlo-listening', '{"delay":0,"checked":true}'))
  await page.goto(installation.address)
  await page.getByRole('heading', { name: 'Who are you today?' }).waitFor()
  if (name) {
    await page.getByRole('button', { name, exact: true }).click()
    await test(page, 'account').waitFor()
    await page.getByRole('heading', { level: 1 }).waitFor()
  }
  return page
}

/** Goes to bench or desk of an assignment, until it plays and the strip shows the loudness. */
async function enter(page, room = 'bench', title = 'Make room for the tune') {
  const answer = await page.request.get(`${installation.address}/api/assignments`)
  const { id } = (await answer.json()).find(
    (card) => card.title === title && card.group.startsWith('Thursday'),
  )
  await page.goto(`${installation.address}/${room}/${id}`)
  await page.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
  if (room !== 'round')
    await page.locator('.strip path[d^="M0"]').waitFor({ state: 'attached', timeout: 60_000 })
  return page
}

const test = (page, name) => page.locator(`[data-test="${name}"]`)

/** Waits until what came back was measured: its pictures are there then. */
async function measured(page) {
  for (let i = 0; i < 40 && !(await test(page, 'came-picture').count()); i++) {
    await page.waitForTimeout(2000)
    await page.reload()
    await test(page, 'came-back').waitFor()
    await page.waitForTimeout(1000)
  }
}

/** Waits until every hand-in of the class with the longest term is measured, and says which class that is. */
async function termMeasured(page) {
  const get = async (path) => (await page.request.get(`${installation.address}/api/${path}`)).json()
  const groups = await get('groups')
  const { id } = groups.find((g) => g.name.startsWith('Monday'))
  for (;;) {
    const { group, assignments, cells } = await get(`groups/${id}/term`)
    if (cells.every((c) => !c.handIn || c.tasks.length)) {
      await page.close()
      return { ...group, assignments }
    }
    await page.waitForTimeout(2000)
  }
}

async function shoot(page, name) {
  await page.evaluate(() => document.fonts.ready)
  await page.waitForTimeout(400)
  await page.screenshot({ path: join(FOLDER, `${name}.png`) })
  say(`docs/screenshots/${name}.png`)
  await page.close()
}

try {
  await shoot(await open('Ayla Demir'), 'first-page')
  const list = await open('Maren Holt')
  await test(list, 'to-assignments').click()
  await test(list, 'new-assignment').waitFor()
  await shoot(list, 'assignments')

  const bench = await enter(await open('Rune Solberg'))
  await bench.getByRole('button', { name: 'Make room at B' }).click()
  const strip = await test(bench, 'strip').boundingBox()
  await bench.mouse.click(strip.x + strip.width * 0.21, strip.y + 40)
  const lane = await test(bench, 'line').boundingBox()
  await bench.mouse.move(lane.x + lane.width * 0.131, lane.y + lane.height * 0.513)
  await bench.mouse.down()
  await bench.mouse.move(lane.x + lane.width * 0.131, lane.y + lane.height * 0.56, { steps: 4 })
  await shoot(bench, 'bench')

  const balance = await enter(await open('Jonas Feld'))
  await test(balance, 'view-balance').click()
  const whole = await test(balance, 'strip').boundingBox()
  await balance.mouse.click(whole.x + whole.width * 0.7, whole.y + 40)
  await balance.getByText('Loudness in D').waitFor()
  await balance.locator('.figure', { hasText: '−' }).first().waitFor({ timeout: 30_000 })
  await shoot(balance, 'balance')

  const heard = await enter(await open('Petra Mraz'), 'bench', 'Out of the dark')
  await heard
    .getByRole('tab', { name: 'Tasks' })
    .or(heard.getByRole('radio', { name: 'Tasks' }))
    .first()
    .click()
  await heard.getByText('Strings out as the harp comes in').first().click()
  await test(heard, 'view-heard').click()
  await test(heard, 'crossing-picture').waitFor({ timeout: 60_000 })
  await shoot(heard, 'heard')

  const back = await enter(await open('Ayla Demir', { colorScheme: 'dark', width: 1366, height: 640 }))
  await measured(back)
  await test(back, 'remark').first().click()
  await shoot(back, 'came-back-dark')

  const brief = await open('Maren Holt')
  await test(brief, 'to-assignments').click()
  await brief
    .locator('article', { hasText: 'Out of the dark' })
    .first()
    .locator('[data-test=edit-brief]')
    .click()
  await test(brief, 'task').first().waitFor()
  await shoot(brief, 'assignment')

  const desk = await enter(await open('Maren Holt'), 'review')
  await test(desk, 'queue').click()
  await test(desk, 'waiting').filter({ hasText: 'Tobin' }).click()
  await test(desk, 'changes').waitFor({ timeout: 120_000 })
  await desk.getByText('Make room at B').click()
  await test(desk, 'lead-picture').waitFor({ timeout: 60_000 })
  await shoot(desk, 'review-desk')

  const turn = await enter(await open('Maren Holt'), 'round', 'Out of the dark')
  await test(turn, 'round-row').nth(3).waitFor()
  await shoot(turn, 'round')

  const { id: group, name, assignments } = await termMeasured(await open('Maren Holt'))
  const today = await open('Maren Holt')
  await test(today, 'waiting').first().waitFor()
  await shoot(today, 'today')
  const inClass = async (path, there, size) => {
    const page = await open('Maren Holt', size)
    await page.goto(`${installation.address}${path}`)
    await test(page, there).first().waitFor()
    await page.waitForTimeout(1200)
    return page
  }
  await shoot(await inClass(`/class/${group}`, 'term-row'), 'class')
  const { id: room } = assignments.find((a) => a.title === 'Make room for the tune')
  await shoot(await inClass(`/class/${group}/term?assignment=${room}`, 'strip'), 'class-assignment')
  const one = await inClass(`/class/${group}`, 'term-row')
  await test(one, 'to-student').filter({ hasText: 'Bruno' }).click()
  await test(one, 'way').first().waitFor()
  await shoot(one, 'student')
  await shoot(await inClass(`/class/${group}/marks`, 'marks-row'), 'marks')
  const wall = await inClass(`/projector/${group}`, 'projector-counts', { width: 1920, height: 1080 })
  await shoot(wall, 'projector')
  say(`${name}: the term`)
  const own = await open('Hanno Weiss')
  await test(own, 'to-progress').click()
  await test(own, 'way').first().waitFor()
  await shoot(own, 'progress')

  const songs = await open('Maren Holt')
  await test(songs, 'songbook').click()
  await test(songs, 'song').first().waitFor()
  await songs.waitForTimeout(800)
  await shoot(songs, 'songbook')

  const song = await open('Maren Holt')
  await test(song, 'songbook').click()
  await test(song, 'song').first().click()
  await song.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
  await song.waitForTimeout(2000)
  await shoot(song, 'song')

  const rune = await enter(await open('Rune Solberg'))
  await test(rune, 'need-help').click()
  const lesson = await open('Maren Holt')
  const lessonOf = (await (await lesson.request.get(`${installation.address}/api/groups`)).json()).find((g) =>
    g.name.startsWith('Thursday'),
  )
  await lesson.goto(`${installation.address}/lesson/${lessonOf.id}`)
  await test(lesson, 'hand').click()
  await lesson.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
  await lesson.waitForTimeout(2000)
  await shoot(lesson, 'lesson')
  await rune.close()
} finally {
  await browser.close()
  await installation.stop()
}
