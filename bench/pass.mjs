import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'
import { inTerm } from './term.mjs'

const ROUNDS = 5
const SECONDS = 60
const NAME = 'Ines Varga'

/** A long pass on many controls: what it keeps, what its end takes, and whether the sound goes on without a gap. */
export async function pass() {
  setFlagsFromString('--expose-gc')
  globalThis.gc = runInNewContext('gc')
  const { longPass } = await imported('pass-run.ts')
  const runs = Array.from({ length: ROUNDS }, longPass)
  const best = (of) => Math.min(...runs.map(of))
  const most = (of) => Math.max(...runs.map(of))
  const name = '5 minutes on 8 controls'
  return [
    entry('pass', `${name}: kept`, most((r) => r.bytes) / 2 ** 20, 'MiB', '< 5'),
    entry(
      'pass',
      `${name}: lines ready after stop`,
      best((r) => r.ms),
      'ms',
      '< 100',
    ),
    entry('pass', `${name}: points that are left`, runs[0].points, '', ''),
    ...(await live()),
  ]
}

/** A minute of a pass on the faders of eight tracks at a real bench, each moved in every frame. */
async function live() {
  const installation = await new Installation(true).start()
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(() => localStorage.setItem('rudlo-listening', '{"delay":0,"checked":true}'))
    await page.goto(installation.address)
    await page.getByRole('button', { name: NAME, exact: true }).click()
    await (await inTerm(page, 'Make room for the tune')).click()
    await page.locator('[data-test=play]:not([disabled])').waitFor({ timeout: 60_000 })
    const { stutters, frames, lanes } = await page.evaluate(ride, SECONDS)
    return [
      entry(
        'pass',
        `${SECONDS} s on ${lanes} faders at the bench: times the sound stuttered`,
        stutters,
        '',
        '< 1',
      ),
      entry('pass', 'the same: frames drawn a second', frames / SECONDS, '', ''),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}

/** In the page: plays, holds every fader and moves it in each frame. */
async function ride(seconds) {
  const pinia = document.querySelector('#app').__vue_app__.config.globalProperties.$pinia
  const [player, pass, bench, work] = ['player', 'pass', 'desk', 'work'].map((id) => pinia._s.get(id))
  const lanes = work.mix.tracks.slice(0, 8).map((t) => `track/${t.id}/level`)
  for (const lane of lanes) bench.setOpen(lane, true)
  pass.choose('', 'moved')
  await player.play()
  while (!player.playing) await new Promise((done) => setTimeout(done, 50))
  for (const lane of lanes) pass.grab(lane, -10)
  const start = performance.now()
  let stutters = 0
  let frames = 0
  let before = false
  while (performance.now() - start < seconds * 1000) {
    await new Promise(requestAnimationFrame)
    frames++
    const at = (performance.now() - start) / 1000
    lanes.forEach((lane, i) => pass.move(lane, -12 + 6 * Math.sin(at * (1 + i / 8))))
    if (player.stuttered && !before) stutters++
    before = player.stuttered
  }
  for (const lane of lanes) pass.release(lane)
  player.stop()
  return { stutters, frames, lanes: lanes.length }
}
