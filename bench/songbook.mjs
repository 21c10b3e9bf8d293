import { execFileSync } from 'node:child_process'
import { mkdtempSync, openAsBlob, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Installation } from '../scripts/lib/installation.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'

const STEMS = 12
const SECONDS = 240

/** Highest resident memory of a process so far, in MB. */
const peakOf = (pid) => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024

/** Stems of four minutes, a tone and noise, as files of a folder. */
function stemsIn(folder) {
  return Array.from({ length: STEMS }, (_, i) => {
    const file = join(folder, `${i}.wav`)
    execFileSync('ffmpeg', [
      ...['-loglevel', 'error', '-f', 'lavfi', '-i', `sine=${110 + 37 * i}:d=${SECONDS}`],
      ...[
        '-f',
        'lavfi',
        '-i',
        `anoisesrc=a=0.05:d=${SECONDS}:seed=${i}`,
        '-filter_complex',
        'amerge=inputs=2',
      ],
      ...['-ar', '48000', file],
    ])
    return file
  })
}

/** A song of twelve stems of four minutes brought in; a class from a table; notes read and played. */
export async function songbook() {
  const { reading, playing } = await imported('songbook-run.ts')
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-bench-'))
  // before the server comes up: it would rehearse while it waits for them
  const files = stemsIn(folder)
  const installation = await new Installation(false).start()
  const { address } = installation
  let cookie = ''
  const send = async (path, body, raw = false) => {
    const answer = await fetch(`${address}${path}`, {
      method: 'POST',
      headers: { cookie, ...(raw ? {} : { 'content-type': 'application/json' }) },
      body: raw ? body : JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(await answer.text())
    cookie ||= answer.headers.getSetCookie().at(-1)?.split(';')[0] ?? ''
    return answer.status === 204 ? null : answer.json()
  }
  try {
    await send('/api/first-teacher', {
      code: installation.code,
      name: 'B',
      signIn: 'bench',
      password: 'long enough',
    })
    const start = performance.now()
    const left = [...files.entries()]
    // as the page does it: one file is on its way while another is decoded
    const bringOn = async () => {
      for (let next = left.shift(); next; next = left.shift()) {
        const [i, file] = next
        const blob = await openAsBlob(file)
        const { id, chunk } = await send('/api/uploads', { name: `${i}.wav`, bytes: blob.size })
        for (let n = 0; n * chunk < blob.size; n++)
          await send(`/api/uploads/${id}/chunks/${n}`, blob.slice(n * chunk, (n + 1) * chunk), true)
        await send(`/api/uploads/${id}/decode`, {})
      }
    }
    await Promise.all([bringOn(), bringOn()])
    const took = (performance.now() - start) / 1000
    const memory = peakOf(installation.pid)
    const { id: group } = await send('/api/groups', { name: 'Thirty', place: '' })
    const roster = `Name\n${Array.from({ length: 30 }, (_, i) => `Student ${i + 1}`).join('\n')}`
    const before = performance.now()
    await send(`/api/groups/${group}/roster`, { text: roster, preview: false })
    const roll = (performance.now() - before) / 1000
    return [
      entry('songbook', `${STEMS} stems of ${SECONDS / 60} minutes brought in`, took, 's', '< 15'),
      entry('songbook', 'most memory of the server meanwhile', memory, 'MB', '< 300'),
      entry('songbook', 'a group of 30 from a table', roll, 's', '< 2'),
      entry('songbook', 'a MIDI file of 10,000 notes read', reading(), 'ms', '< 200'),
      entry('songbook', 'the same played, times real time, slowest family', playing(), '×', '>= 20'),
    ]
  } finally {
    await installation.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
