import { randomUUID } from 'node:crypto'
import mysql from 'mysql2/promise'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { entry } from './entry.mjs'

/** Students of the whole school, assignments of a term, versions of each work. */
const SCHOOL = 3000
const ASSIGNMENTS = 12
const VERSIONS = 5
/** The classes that are opened: name and how many are in them. */
const CLASSES = [
  ['A class of 30', 30],
  ['A class of 120', 120],
]
const DAY = 24 * 3_600_000

/** A class with a term full of hand-ins, with the figures of those of the demo. */
async function makeClass(db, { name, students, teacher, figures, versions }) {
  const group = randomUUID()
  await db.query('INSERT INTO class_groups (id, name, place, join_code) VALUES (?, ?, ?, ?)', [
    group,
    name,
    '',
    group.slice(0, 8),
  ])
  if (teacher)
    await db.query("INSERT INTO memberships (group_id, person_id, role) VALUES (?, ?, 'teacher')", [
      group,
      teacher,
    ])
  const insert = async (table, columns, rows) => {
    for (let i = 0; i < rows.length; i += 2000)
      await db.query(`INSERT INTO ${table} (${columns}) VALUES ?`, [rows.slice(i, i + 2000)])
  }
  const people = Array.from({ length: students }, (_, i) => [randomUUID(), `${name} ${i}`])
  await insert(
    'people',
    'id, name, sign_in, role, password_hash',
    people.map(([id, called]) => [id, called, id, 'student', '']),
  )
  await insert(
    'memberships',
    'group_id, person_id, role',
    people.map(([id]) => [group, id, 'student']),
  )
  const [[model]] = await db.query('SELECT * FROM assignments WHERE title = ? LIMIT 1', [
    'Make room for the tune',
  ])
  for (let a = 0; a < ASSIGNMENTS; a++) {
    const id = randomUUID()
    const due = new Date(Date.now() - (ASSIGNMENTS - a - 2) * 7 * DAY)
    await db.query('INSERT INTO assignments SET ?', [
      {
        ...model,
        id,
        group_id: group,
        title: `Assignment ${a + 1}`,
        due_at: due,
        opens_at: null,
        given_with: null,
      },
    ])
    const works = people.map(([person]) => [randomUUID(), id, person, 9, '{}', due])
    await insert('works', 'id, assignment_id, person_id, revision, document, updated_at', works)
    const handIns = works.flatMap(([work], i) =>
      Array.from({ length: versions }, (_, v) => [
        randomUUID(),
        work,
        v + 1,
        model.song_version_id,
        v + 2,
        '{}',
        i % 3 ? 'given back' : 'waiting',
        i % 3 ? 'accepted' : null,
        due,
        i % 3 ? due : null,
      ]),
    )
    await insert(
      'hand_ins',
      'id, work_id, number, song_version_id, revision, document, state, outcome, handed_in_at, given_back_at',
      handIns,
    )
    if (figures.length)
      await insert(
        'hand_in_figures',
        'hand_in_id, figures',
        handIns.map(([handIn], i) => [handIn, figures[i % figures.length]]),
      )
  }
  return group
}

/** Waits until the hand-ins of the demo are measured: their figures are those of real work. */
async function measured(db) {
  for (;;) {
    const [[{ n }]] = await db.query(
      'SELECT COUNT(*) AS n FROM hand_ins WHERE assessment IS NULL AND measure_problem IS NULL',
    )
    if (!Number(n)) return
    await new Promise((resolve) => setTimeout(resolve, 1000))
  }
}

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]

/** Milliseconds from opening a class until its last row stands on the page, is painted, and answers. */
async function opening(page, address, group, students) {
  await page.goto(`${address}/songs`)
  await page.getByRole('link', { name: 'Class', exact: true }).waitFor()
  await page.waitForTimeout(600)
  return page.evaluate(
    async ([to, rows]) => {
      const link = [...document.querySelectorAll('header a')].find((a) => a.textContent.trim() === 'Class')
      const start = performance.now()
      // the bar leads to the first class: to this one, by its address
      history.replaceState(history.state, '', location.href)
      link.click()
      const router = document.querySelector('#app').__vue_app__.config.globalProperties.$router
      await router.push(to)
      while (document.querySelectorAll('[data-test=term-row]').length < rows)
        await new Promise(requestAnimationFrame)
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
      return performance.now() - start
    },
    [`/class/${group}/term`, students],
  )
}

/** Frames a second while the table is scrolled from top to bottom and back. */
const scrolling = (page) =>
  page.evaluate(async () => {
    const table = document.querySelector('.term-table')
    const most = table.scrollHeight - table.clientHeight
    const start = performance.now()
    let frames = 0
    while (performance.now() - start < 3000) {
      const share = ((performance.now() - start) / 1500) % 2
      table.scrollTop = most * (share < 1 ? share : 2 - share)
      await new Promise(requestAnimationFrame)
      frames++
    }
    return (frames * 1000) / (performance.now() - start)
  })

/** A term of twelve assignments in a school of three thousand. */
export async function classTerm() {
  const installation = await new Installation(true).start()
  const { host, port, username: user, password, database } = installation.database.connection
  const db = await mysql.createConnection({ host, port, user, password, database })
  const browser = await chromium.launch(CHROMIUM)
  try {
    await measured(db)
    const [kept] = await db.query('SELECT figures FROM hand_in_figures')
    const figures = kept.map((r) => r.figures)
    const [[teacher]] = await db.query("SELECT id FROM people WHERE role = 'teacher' LIMIT 1")
    // the rest of the school, whose figures nobody asks for
    for (let i = 0; i < SCHOOL / 100; i++)
      await makeClass(db, { name: `Class ${i}`, students: 100, teacher: null, figures: [], versions: 1 })
    const groups = []
    for (const [name, students] of CLASSES)
      groups.push(await makeClass(db, { name, students, teacher: teacher.id, figures, versions: VERSIONS }))
    for (const table of ['works', 'hand_ins', 'hand_in_figures', 'memberships', 'assignments'])
      await db.query(`ANALYZE TABLE ${table}`)
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(installation.address)
    await page.getByRole('button', { name: 'Maren Holt', exact: true }).click()
    await page.getByRole('link', { name: 'Class', exact: true }).waitFor()
    const asked = []
    for (let i = 0; i < 9; i++) {
      const start = performance.now()
      await (await page.request.get(`${installation.address}/api/groups/${groups[0]}/term`)).body()
      asked.push(performance.now() - start)
    }
    const [small, large] = [
      await opening(page, installation.address, groups[0], 30),
      await opening(page, installation.address, groups[1], 120),
    ]
    const fps = await scrolling(page)
    return [
      entry('term', `figures of 30 x 12 x 5, of a school of ${SCHOOL}`, median(asked), 'ms', '<= 150'),
      entry('term', 'the class page with 30 x 12 opens', small / 1000, 's', '<= 1'),
      entry('term', 'the class page with 120 x 12 opens', large / 1000, 's', '<= 2'),
      entry('term', 'scrolling 120 x 12', fps, 'fps', '>= 55'),
    ]
  } finally {
    await browser.close()
    await db.end()
    await installation.stop()
  }
}
