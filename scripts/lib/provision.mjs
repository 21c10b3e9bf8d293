import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'
import { has, must, run } from './run.mjs'
import { giveUp, say } from './say.mjs'

/** What each Debian package gives: a command, or a file. */
const GIVES = {
  'mariadb-server': 'mariadbd',
  'chromium-headless-shell': 'chromium-headless-shell',
  ffmpeg: 'ffmpeg',
  'galera-4': '/usr/lib/galera/libgalera_smm.so',
  rsync: 'rsync',
  lsof: 'lsof',
  haproxy: 'haproxy',
  'openttd-openmsx': '/usr/share/games/openttd/baseset/openmsx/openmsx.obm',
  'wesnoth-1.16-music': '/usr/share/games/wesnoth/1.16/data/core/music/battle.ogg',
}

const isThere = (given) => (given.startsWith('/') ? existsSync(given) : has(given))

/** Installs the Debian packages whose command or file is missing, as root or through sudo. */
export async function needDebian(...packages) {
  const missing = packages.filter((name) => !isThere(GIVES[name]))
  if (!missing.length) return
  const install = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  const root = process.getuid?.() === 0
  if (!root && (await run('sudo', ['-n', 'true']).catch(() => ({ code: 1 }))).code !== 0) {
    giveUp(`please run this once, then start again:  sudo apt-get update && sudo ${install}`)
  }
  say(`installing ${missing.join(', ')} (once) …`)
  const env = { DEBIAN_FRONTEND: 'noninteractive' }
  const apt = (args) =>
    root ? must('apt-get', args, { env }) : must('sudo', ['-E', 'apt-get', ...args], { env })
  try {
    await apt(['update', '-qq'])
    // the database runs as a private instance; Debian must not start one of its own
    const policy = '/usr/sbin/policy-rc.d'
    const mine = root && !existsSync(policy)
    if (mine) writeFileSync(policy, '#!/bin/sh\nexit 101\n', { mode: 0o755 })
    try {
      await apt(['install', '-y', '-qq', '--no-install-recommends', ...missing])
    } finally {
      // also after an install that failed: nothing of this stays on the machine
      if (mine) rmSync(policy, { force: true })
    }
  } catch (error) {
    giveUp(`could not install ${missing.join(', ')}: ${error.message}\nTry by hand:  ${install}`)
  }
}

/** Installs the npm packages where the lock file is not the one that was installed last. */
export async function needModules() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
  const stamp = join(ROOT, 'node_modules/.rudlo-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('installing npm packages …')
  await must('npm', ['ci', '--no-audit', '--no-fund', '--prefer-offline'], { cwd: ROOT })
  mkdirSync(join(ROOT, 'node_modules'), { recursive: true })
  writeFileSync(stamp, lock)
}
