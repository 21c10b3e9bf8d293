/** `npm run bench`: a table; `-- --json`: one JSON object and nothing else; `-- --only GROUP`: one group. */
import { needDebian, needModules } from './lib/provision.mjs'
import { giveUp, say } from './lib/say.mjs'

await needDebian('mariadb-server', 'chromium-headless-shell', 'ffmpeg')
await needModules()
const { build } = await import('./build.mjs')
await build()

const GROUPS = {
  engine: async () => (await import('../bench/engine.mjs')).engine(),
  live: async () => (await import('../bench/live.mjs')).live(),
  loudness: async () => (await import('../bench/loudness.mjs')).loudness(),
  save: async () => (await import('../bench/save.mjs')).saving(),
  'hand-ins': async () => {
    const { handingIn, handingInCold } = await import('../bench/hand-ins.mjs')
    return [...(await handingInCold()), ...(await handingIn())]
  },
  kill: async () => (await import('../bench/kill.mjs')).kills(),
  desk: async () => (await import('../bench/desk.mjs')).desk(),
  pass: async () => (await import('../bench/pass.mjs')).pass(),
  assess: async () => (await import('../bench/assess.mjs')).assess(),
  drag: async () => (await import('../bench/drag.mjs')).dragging(),
  review: async () => (await import('../bench/review.mjs')).review(),
  open: async () => (await import('../bench/open-sound.mjs')).openSound(),
  rooms: async () => (await import('../bench/rooms.mjs')).rooms(),
  term: async () => (await import('../bench/class-term.mjs')).classTerm(),
  songbook: async () => (await import('../bench/songbook.mjs')).songbook(),
  lesson: async () => (await import('../bench/lesson.mjs')).lesson(),
  fuzz: async () => (await import('../bench/fuzz.mjs')).fuzz(),
}

/** What takes so long that it is measured only when it is asked for. */
const LONG = {
  cluster: async () => (await import('../bench/cluster.mjs')).cluster(),
  hour: async () => (await import('../bench/save.mjs')).anHour(),
  kills: async () => (await import('../bench/kill.mjs')).thousandKills(),
}

const ALL = { ...GROUPS, ...LONG }

const unknown = process.argv
  .slice(2)
  .find((word) => word.startsWith('-') && !['--json', '--only'].includes(word))
if (unknown)
  giveUp(`There is no "${unknown}": say --json, or --only with one of ${Object.keys(ALL).join(', ')}.`)
const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : null
if (only !== null && !(only in ALL))
  giveUp(
    `There is no group "${only}". The groups are: ${Object.keys(GROUPS).join(', ')}; and, only when asked for: ${Object.keys(LONG).join(', ')}.`,
  )

const entries = []
for (const [name, measure] of Object.entries(only === null ? GROUPS : { [only]: ALL[only] })) {
  say(`measuring ${name} …`)
  entries.push(...(await measure()))
}

if (process.argv.includes('--json'))
  process.stdout.write(JSON.stringify({ figures: entries }, null, 1) + '\n')
else {
  for (const { group, name, value, unit, goal, met } of entries) {
    const mark = met === null ? '' : met ? 'met' : 'MISSED'
    process.stdout.write(
      `${group.padEnd(9)} ${name.padEnd(66)} ${String(value).padStart(9)} ${unit.padEnd(6)} ${goal.padEnd(7)} ${mark}\n`,
    )
  }
}
