import { randomUUID } from 'node:crypto'
import mysql from 'mysql2/promise'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { entry } from './entry.mjs'

const STUDENTS = 120

/** Fills the class of the demo up to so many students. */
async function fill({ host, port, username: user, password, database }) {
  const db = await mysql.createConnection({ host, port, user, password, database })
  const [[group]] = await db.query(
    "SELECT group_id AS id, COUNT(*) AS n FROM memberships WHERE role = 'student' GROUP BY group_id ORDER BY n DESC LIMIT 1",
  )
  for (let i = Number(group.n); i < STUDENTS; i++) {
    const id = randomUUID()
    await db.query(
      "INSERT INTO people (id, name, sign_in, role, password_hash) VALUES (?, ?, ?, 'student', '')",
      [id, `Student ${i}`, `student-${i}`],
    )
    await db.query("INSERT INTO memberships (group_id, person_id, role) VALUES (?, ?, 'student')", [
      group.id,
      id,
    ])
  }
  await db.end()
}

/** Milliseconds from a click on a link of the bar until something stands on the page and is painted. */
const opening = (page, link, there) =>
  page.evaluate(
    async ([name, selector]) => {
      const to = [...document.querySelectorAll('header a')].find((a) => a.textContent.trim() === name)
      const start = performance.now()
      to.click()
      while (!document.querySelector(selector)) await new Promise(requestAnimationFrame)
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
      return performance.now() - start
    },
    [link, there],
  )

/** A class of 120: how long it takes to open. */
export async function rooms() {
  const installation = await new Installation(true).start()
  const browser = await chromium.launch(CHROMIUM)
  try {
    await fill(installation.database.connection)
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(installation.address)
    await page.getByRole('button', { name: 'Maren Holt', exact: true }).click()
    await page.getByRole('link', { name: 'Class', exact: true }).waitFor()
    // somebody reads the page before they go on
    await page.waitForTimeout(2000)
    const times = []
    for (let i = 0; i < 5; i++) {
      times.push((await opening(page, 'Class', '[data-test=term-row]')) / 1000)
      await opening(page, 'Assignments', '[data-test=new-assignment]')
    }
    const [first, ...again] = times
    return [
      entry('rooms', `a class of ${STUDENTS} opens for the first time`, first, 's', '<= 0.5'),
      entry('rooms', `a class of ${STUDENTS} opens again`, Math.max(...again), 's', '<= 0.5'),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}
