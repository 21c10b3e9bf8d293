import { join } from 'node:path'
import { build } from 'esbuild'
import mysql from 'mysql2/promise'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { ROOT } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'
import { inTerm } from './term.mjs'

const NAME = 'Ines Varga'
const SECONDS = 240
const POINTS = 1000
const ROUNDS = 3
/** How long the page of assignments is looked at, in ms. */
const READING = 2000

/** Makes the demo song four minutes long and draws a line of 1,000 points on volume and pan of all its tracks. */
async function enlarge({ host, port, username: user, password, database }) {
  const db = await mysql.createConnection({ host, port, user, password, database })
  const [versions] = await db.query('SELECT id, document FROM song_versions')
  for (const { id, document } of versions) {
    const song = JSON.parse(document)
    await db.query('UPDATE song_versions SET document = ? WHERE id = ?', [
      JSON.stringify(longer(song).song),
      id,
    ])
  }
  const [works] = await db.query(
    'SELECT w.id, w.document, v.document AS song FROM works w JOIN assignments a ON a.id = w.assignment_id JOIN song_versions v ON v.id = a.song_version_id',
  )
  for (const work of works)
    await db.query('UPDATE works SET document = ? WHERE id = ?', [
      JSON.stringify(crowded(JSON.parse(work.document), JSON.parse(work.song))),
      work.id,
    ])
  await db.end()
}

/** A song of four minutes: what is there comes again and again. */
function longer(song) {
  const perSecond = (song.tempo[0].bpm * 960) / 60
  const length = Math.round(SECONDS * perSecond)
  const regions = []
  for (let again = 0; again * song.length < length; again++)
    for (const region of song.regions) {
      const start = region.start + again * song.length
      if (start < length) regions.push({ ...region, id: `${region.id}-${again}`, start })
    }
  return { song: { ...song, length, regions } }
}

function crowded(work, song) {
  const step = Math.floor(song.length / POINTS)
  const line = (address, i, valueAt) => ({
    id: `bench-${i}`,
    address,
    on: true,
    open: true,
    points: Array.from({ length: POINTS }, (_, k) => ({
      tick: k * step,
      value: valueAt(k),
      form: 'straight',
      bend: 0,
    })),
  })
  const envelopes = work.mix.tracks.flatMap((t, i) => [
    line(`track/${t.id}/level`, 2 * i, (k) => -12 + 6 * Math.sin(k / 9 + i)),
    line(`track/${t.id}/pan`, 2 * i + 1, (k) => Math.sin(k / 13 + i) / 2),
  ])
  const tracks = work.mix.tracks.map((t) => ({
    ...t,
    regions: song.regions
      .filter((r) => r.track === t.id)
      .map(({ id, asset, start, offset, length }) => ({
        id,
        asset,
        start,
        offset,
        length,
        level: 0,
        fadeIn: 0,
        fadeOut: 0,
      })),
  }))
  return { ...work, mix: { ...work.mix, tracks, envelopes, motifs: [], placements: [] } }
}

/**
 * In the page: for every frame with a pointer event, the time that the event's handlers and the frame's own work take;
 * the idle wait between them is not counted. And the time of every frame.
 */
function watchFrames() {
  const work = []
  const frames = []
  let handled = null
  let began = 0
  let frameBegan = 0
  const channel = new MessageChannel()
  // a message that is posted in a frame arrives when the frame's own work is done
  channel.port1.onmessage = () => {
    if (handled !== null) work.push(handled + performance.now() - frameBegan)
    handled = null
  }
  addEventListener('pointermove', () => (began = performance.now()), { capture: true })
  addEventListener('pointermove', () => (handled = (handled ?? 0) + performance.now() - began))
  const frame = (at) => {
    frameBegan = performance.now()
    frames.push(at)
    if (handled !== null) channel.port2.postMessage(0)
    requestAnimationFrame(frame)
  }
  requestAnimationFrame(frame)
  globalThis.watched = { work, frames }
}

/** The least that a frame with a pointer event takes on this machine: one word of the page changes with it. */
async function leastFrame(page) {
  await page.evaluate(() => {
    const word = document.querySelector('.lane-head h2').lastChild
    addEventListener('pointermove', ({ clientX }) => (word.textContent = String(clientX)))
    watched.work.length = 0
  })
  for (let i = 0; i < 200; i++) await page.mouse.move(640 + 60 * Math.sin(i / 30), 26)
  return page.evaluate(() => watched.work)
}

/** Milliseconds that thinning a freehand line of 5,000 places takes, the best of some. */
async function thinning() {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { thin } from '@rudlo/core/envelope'
        import { levelScale } from '@rudlo/core/scale'
        const samples = Array.from({ length: 5000 }, (_, i) => ({ tick: i * 40, value: -20 + 9 * Math.sin(i / 90) + Math.sin(i / 7) / 3 }))
        export const times = Array.from({ length: 9 }, () => {
          const start = performance.now()
          thin(samples, levelScale)
          return performance.now() - start
        })`,
      resolveDir: join(ROOT, 'bench'),
    },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'node',
  })
  const code = Buffer.from(outputFiles[0].contents).toString('base64')
  const { times } = await import(`data:text/javascript;base64,${code}`)
  return Math.min(...times)
}

/** Dragging a point with 16 lanes of 1,000 points on a song of four minutes, four of them on the desk. */
export async function dragging() {
  const installation = await new Installation(true).start()
  await enlarge(installation.database.connection)
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(() => localStorage.setItem('rudlo-listening', '{"delay":0,"checked":true}'))
    const sent = []
    page.on('request', (r) => r.method() === 'PATCH' && sent.push(r.postDataBuffer()?.length ?? 0))
    await page.goto(installation.address)
    await page.getByRole('button', { name: NAME }).click()
    const opening = []
    for (let round = 0; round < ROUNDS; round++) {
      const link = await inTerm(page, 'Make room for the tune')
      // a person looks at the page first, and it fetches ahead meanwhile
      await page.waitForTimeout(READING)
      const start = performance.now()
      await link.click()
      await page.locator('[data-test=line]').waitFor()
      opening.push((performance.now() - start) / 1000)
      await page.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
      if (round + 1 < ROUNDS) await page.goto(installation.address)
    }
    const [first] = await page.locator('[data-test^=card-]').all()
    await first.click()
    // the table of instant loudness is made: what follows the finger is measured with it
    await page.waitForTimeout(4000)
    await page.evaluate(watchFrames)
    const box = await page.locator('[data-test=line]').boundingBox()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 3)
    await page.mouse.down()
    await page.evaluate(() => {
      watched.work.length = 0
      watched.frames.length = 0
    })
    for (let i = 0; i < 300; i++)
      await page.mouse.move(
        box.x + box.width / 2 + 60 * Math.sin(i / 30),
        box.y + box.height * (0.4 + 0.2 * Math.sin(i / 17)),
      )
    const { work, frames } = await page.evaluate(() => watched)
    await page.mouse.up()
    await page.waitForTimeout(3000)
    const least = await leastFrame(page)
    for (const times of [work, least]) times.sort((a, b) => a - b)
    const rate = (1000 * (frames.length - 1)) / (frames.at(-1) - frames[0])
    return [
      entry('drag', '16 lanes of 1,000 points: frames a second', rate, '1/s', '>= 58'),
      entry(
        'drag',
        'work of a pointer event and its frame, 95th percentile',
        work[Math.floor(work.length * 0.95)],
        'ms',
        '< 8',
      ),
      entry('drag', 'the same, median', work[Math.floor(work.length / 2)], 'ms', ''),
      entry(
        'drag',
        'a frame in which one word changes and nothing else, 95th percentile',
        least[Math.floor(least.length * 0.95)],
        'ms',
        '',
      ),
      entry('drag', 'the same, median', least[Math.floor(least.length / 2)], 'ms', ''),
      entry('drag', 'opening such a work until its lane is there', Math.min(...opening), 's', '< 0.6'),
      entry('drag', 'a freehand line of 5,000 places thinned', await thinning(), 'ms', '< 50'),
      entry('drag', 'largest save of an edit', Math.max(0, ...sent) / 1024, 'KiB', '< 64'),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}
