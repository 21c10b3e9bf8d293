import mysql from 'mysql2/promise'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'

const TITLE = 'Make room for the tune'
const QUEUE = 500

/** Hands the same in again for so many people that the queue is full. */
async function fill({ host, port, username: user, password, database }) {
  const db = await mysql.createConnection({ host, port, user, password, database })
  const [[one]] = await db.query(
    `SELECT h.*, w.assignment_id FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN assignments a ON a.id = w.assignment_id
      WHERE a.title = ? AND h.measurement IS NOT NULL LIMIT 1`,
    [TITLE],
  )
  const { assignment_id: assignment, ...handIn } = one
  for (let i = 0; i < QUEUE; i++) {
    const [person, work, id] = [0, 1, 2].map(() => crypto.randomUUID())
    await db.query(
      "INSERT INTO people (id, name, sign_in, role, password_hash) VALUES (?, ?, ?, 'student', '')",
      [person, `Student ${i}`, `student-${i}`],
    )
    await db.query(
      'INSERT INTO works SELECT ?, assignment_id, ?, revision, document, window, last_save, updated_at FROM works WHERE id = ?',
      [work, person, handIn.work_id],
    )
    await db.query('INSERT INTO hand_ins SET ?', [
      { ...handIn, id, work_id: work, number: 1, state: 'waiting', same_as: null },
    ])
  }
  void assignment
  await db.end()
}

/** In the page: scrolls a long list from end to end, and counts the frames. */
async function scrollQueue() {
  const list = document.querySelector('.v-virtual-scroll.long')
  const start = performance.now()
  let frames = 0
  while (performance.now() - start < 3000) {
    await new Promise(requestAnimationFrame)
    frames++
    list.scrollTop =
      (list.scrollHeight - list.clientHeight) * ((1 - Math.cos((performance.now() - start) / 400)) / 2)
  }
  return frames / 3
}

/** The desk: from the choice of a hand-in until it plays, comparing two mixes, and a long queue. */
/** Runs in the page: speaks until the longest remark ends by itself, and says how large it is and when the server had it. */
async function speakLong() {
  const pinia = document.querySelector('#app').__vue_app__.config.globalProperties.$pinia
  const [desk, voice] = ['review', 'voice'].map((id) => pinia._s.get(id))
  const before = desk.remarks.length
  await voice.begin({ lane: null, from: 0, to: 960 })
  while (voice.isSpeaking) await new Promise((done) => setTimeout(done, 10))
  const ended = performance.now()
  while (desk.remarks.length === before) await new Promise((done) => setTimeout(done, 5))
  const saved = performance.now() - ended
  const { id } = desk.remarks.find((r) => r.spoken)
  const answer = await fetch(`/api/hand-ins/${desk.handIn.id}/remarks/${id}/spoken`)
  return { saved, bytes: (await answer.arrayBuffer()).byteLength }
}

export async function review() {
  const { comparing, picturesAfterEdits } = await imported('review-run.ts')
  const pictures = picturesAfterEdits()
  const installation = await new Installation(true).start()
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(() => localStorage.setItem('rudlo-listening', '{"delay":0,"checked":true}'))
    await page.goto(installation.address)
    await page.getByRole('button', { name: 'Maren Holt', exact: true }).click()
    await page.getByRole('link', { name: 'Assignments', exact: true }).click()
    await page
      .locator('article', { hasText: TITLE })
      .filter({ hasText: 'Thursday' })
      .getByRole('link', { name: /[Rr]eview/ })
      .click()
    await page.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
    await page.locator('[data-test=outcome]').waitFor({ timeout: 180_000 })
    const opening = []
    for (const i of [1, 2, 3, 1, 2]) {
      await page.locator('[data-test=queue]').click()
      await page.locator('[data-test=waiting]').first().waitFor()
      opening.push(
        await page.evaluate(async (index) => {
          const pinia = document.querySelector('#app').__vue_app__.config.globalProperties.$pinia
          const [desk, player] = ['review', 'player'].map((id) => pinia._s.get(id))
          const wanted = desk.waiting[index].id
          const start = performance.now()
          document.querySelectorAll('[data-test=waiting]')[index].click()
          while (
            desk.handIn?.id !== wanted ||
            document.querySelector('.found h1')?.textContent.includes(desk.waiting[index].student) !== true
          )
            await new Promise((done) => setTimeout(done, 4))
          // with its picture
          while (!document.querySelector('.picture-card svg path'))
            await new Promise((done) => setTimeout(done, 4))
          await player.play()
          const from = player.seconds
          while (player.seconds === from) await new Promise((done) => setTimeout(done, 4))
          const took = performance.now() - start
          player.stop()
          return took
        }, i),
      )
      await page.waitForTimeout(300)
    }
    const spoken = await page.evaluate(speakLong)
    await fill(installation.database.connection)
    await page.reload()
    await page.locator('[data-test=queue]').click()
    await page.locator('.v-virtual-scroll.long').waitFor({ timeout: 60_000 })
    await page.waitForTimeout(3000)
    return [
      entry(
        'review',
        'a hand-in opened until it plays with its pictures, song loaded',
        Math.min(...opening) / 1000,
        's',
        '< 0.5',
      ),
      entry('review', 'picture of a fade after an edit, dry', pictures.dry, 'ms', '< 50'),
      entry('review', 'picture of a build of 4 bars after an edit, rendered', pictures.build, 'ms', '< 500'),
      entry(
        'review',
        'picture of a balance of 8 tracks after an edit, rendered',
        pictures.balance,
        'ms',
        '< 500',
      ),
      entry('review', 'a spoken remark of 90 s: size', spoken.bytes / 1000, 'kB', '< 400'),
      entry('review', 'the same: saved after letting go', spoken.saved / 1000, 's', '< 1'),
      entry('review', 'two mixes of 40 lanes with 100 points compared', comparing(), 'ms', '< 20'),
      entry(
        'review',
        `queue of ${QUEUE} scrolled: frames a second`,
        await page.evaluate(scrollQueue),
        '1/s',
        '>= 58',
      ),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}
