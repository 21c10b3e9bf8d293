import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createHash } from 'node:crypto'
import { join } from 'node:path'
import mysql from 'mysql2/promise'
import { Installation } from './installation.mjs'
import { ROOT } from './paths.mjs'
import { wait } from './run.mjs'
import { say } from './say.mjs'

/** Stories are about bars: how long one takes makes no difference, but a song that is longer has to be decoded and measured. */
const PACE = 2
const SEEDS = join(ROOT, '.build', 'seeds')

/**
 * The folder of an installation of the demo as it is once everything in it is measured: stories begin with a copy. Made anew
 * whenever the server was built anew.
 */
export async function seededFolder() {
  const name = createHash('sha256')
    .update(readFileSync(join(ROOT, '.build', 'server')))
    .update(String(PACE))
    .digest('hex')
    .slice(0, 16)
  const folder = join(SEEDS, name)
  if (existsSync(`${folder}.ready`)) return folder
  say('preparing an installation for the stories …')
  rmSync(SEEDS, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const installation = await new Installation(true, {
    folder,
    classes: 1,
    pace: PACE,
    rehearse: false,
  }).start()
  await measured(installation.database.connection)
  await installation.stop()
  for (const file of readdirSync(folder)) if (file.endsWith('.log')) rmSync(join(folder, file))
  writeFileSync(`${folder}.ready`, '')
  return folder
}

/** Waits until everything that was handed in is measured. The songs are everybody's from then on: each story has a teacher. */
async function measured({ host, port, username: user, password, database }) {
  const connection = await mysql.createConnection({ host, port, user, password, database })
  try {
    for (;;) {
      const [[{ left }]] = await connection.query(
        'SELECT COUNT(*) AS `left` FROM hand_ins WHERE measurement IS NULL OR assessment IS NULL',
      )
      if (Number(left) === 0) break
      await wait(200)
    }
    await connection.query('UPDATE songs SET made_by = NULL')
  } finally {
    await connection.end()
  }
}
