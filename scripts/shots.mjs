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
  const { id } = (await answer.json()).find((card) => card.title === title)
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

async function shoot(page, name) {
  await page.evaluate(() => document.fonts.ready)
  await page.waitForTimeout(400)
  await page.screenshot({ path: join(FOLDER, `${name}.png`) })
  say(`docs/screenshots/${name}.png`)
  await page.close()
}

try {
  await shoot(await open(null), 'sign-in')
  await shoot(await open('Ayla Demir'), 'first-page')
  await shoot(await open('Maren Holt'), 'assignments')

  const bench = await enter(await open('Rune Solberg'))
  await bench.getByRole('button', { name: 'Make room at B' }).click()
  const strip = await test(bench, 'strip').boundingBox()
  await bench.mouse.click(strip.x + strip.width * 0.21, strip.y + 40)
  const lane = await test(bench, 'line').boundingBox()
  await bench.mouse.move(lane.x + lane.width * 0.131, lane.y + lane.height * 0.513)
  await bench.mouse.down()
  await bench.mouse.move(lane.x + lane.width * 0.131, lane.y + lane.height * 0.56, { steps: 4 })
  await shoot(bench, 'bench')

  const asked = await enter(await open('Wilma Osei'))
  await test(asked, 'ask').click()
  await test(asked, 'check').first().waitFor({ timeout: 60_000 })
  await asked.locator('aside > :first-child').evaluate((column) => column.scrollTo(0, 400))
  await shoot(asked, 'bench-checks')

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

  const narrow = await enter(await open('Ayla Demir', { width: 390, height: 800 }))
  await measured(narrow)
  await shoot(narrow, 'came-back-narrow')

  const begun = await open('Maren Holt')
  await test(begun, 'new-assignment').click()
  await test(begun, 'new-song').first().waitFor()
  await shoot(begun, 'new-assignment')

  const brief = await open('Maren Holt')
  await brief.locator('article', { hasText: 'Out of the dark' }).locator('[data-test=edit-brief]').click()
  await test(brief, 'task').first().waitFor()
  await shoot(brief, 'assignment')

  const desk = await enter(await open('Maren Holt'), 'review')
  await test(desk, 'queue').click()
  await test(desk, 'waiting').filter({ hasText: 'Tobin' }).click()
  await test(desk, 'changes').waitFor({ timeout: 120_000 })
  await desk.getByText('Make room at B').click()
  await test(desk, 'lead-picture').waitFor({ timeout: 60_000 })
  await shoot(desk, 'review-desk')

  const figures = await enter(await open('Maren Holt'), 'review')
  await test(figures, 'queue').click()
  await test(figures, 'compare').click()
  await test(figures, 'crowd').waitFor()
  await figures.waitForTimeout(2500)
  await shoot(figures, 'compare')
  const turn = await enter(await open('Maren Holt'), 'round', 'Out of the dark')
  await test(turn, 'round-row').nth(3).waitFor()
  await shoot(turn, 'round')

  const group = await open('Maren Holt')
  await test(group, 'groups').click()
  await test(group, 'student').first().waitFor()
  await shoot(group, 'class')

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
  await test(lesson, 'groups').click()
  await test(lesson, 'lesson').click()
  await test(lesson, 'hand').click()
  await lesson.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
  await lesson.waitForTimeout(2000)
  await shoot(lesson, 'lesson')
  await rune.close()
} finally {
  await browser.close()
  await installation.stop()
}
