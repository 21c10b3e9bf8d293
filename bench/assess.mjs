import { pathToFileURL } from 'node:url'
import { SERVER_DIST } from '../scripts/lib/paths.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'

const HAND_INS = 30
const WORKERS = 2
/** Works with a mistake and works that come near it, each; and answers a check. */
const TRUE_AND_NEAR = 30
const ANSWERS = 60
/** Hand-ins of two to five answers that are marked. */
const MARKED = 300

/** What recognises moves and mistakes: how often it is right, how long it takes; and the marking of a class. */
export async function assess() {
  const {
    classOf,
    demoChecks,
    manyLanes,
    movesRight,
    sealedAnswers,
    sealedLines,
    sealedMarks,
    sealedMistakes,
    Recordings,
    WorkerPool,
  } = await imported('assess-run.ts')
  // first of all: what the sets below make of points has other shapes than what is stored, and would slow it down
  const lanes = manyLanes()
  const moves = movesRight()
  const sealed = sealedLines()
  const mistakes = sealedMistakes(TRUE_AND_NEAR)
  const answers = sealedAnswers(ANSWERS)
  const marks = sealedMarks(MARKED)
  const checks = demoChecks()
  return [
    entry(
      'assess',
      `${sealed.lines} whole lines, sealed: all of a line named right`,
      sealed.named,
      '%',
      '>= 97',
    ),
    entry('assess', 'those of them that are ridden by hand', sealed.ridden, '%', '>= 95'),
    entry('assess', 'the same: both edges within an eighth', sealed.edges, '%', '>= 95'),
    entry('assess', 'the same: moves that are none', sealed.false, '%', '<= 2'),
    entry('assess', '240 moves as people draw them: kind right', moves.kinds, '%', '>= 97'),
    entry('assess', 'the same: edges within an eighth', moves.edges, '%', '>= 95'),
    entry(
      'assess',
      `mistakes, ${TRUE_AND_NEAR} true and ${TRUE_AND_NEAR} near each, sealed: weakest precision`,
      mistakes.precision,
      '%',
      '>= 97',
    ),
    entry('assess', 'the same: weakest recall', mistakes.recall, '%', '>= 90'),
    entry('assess', `${ANSWERS} answers a check, sealed: verdict right`, answers.right, '%', '>= 97'),
    entry('assess', 'the same: weakest check', answers.weakest, '%', '>= 97'),
    entry('assess', 'the same: another way accepted', answers.others, '%', '>= 97'),
    entry('assess', 'the same: right answers accused of a mistake', answers.accused, '%', '<= 1'),
    entry('assess', `${MARKED} marks, sealed: the level a teacher would give`, marks.same, '%', '>= 80'),
    entry('assess', 'the same: within one level', marks.within, '%', '>= 97'),
    entry('assess', 'moves and mistakes on 40 lanes of 500 points', lanes, 'ms', '< 20'),
    entry('assess', 'checks of a brief by lines alone', checks.lines, 'ms', '< 30'),
    entry('assess', 'an 80 s song with its checks, nothing heard before', checks.cold, 's', ''),
    entry('assess', 'the same for a work of two changed lanes', checks.warm, 's', '< 3'),
    entry(
      'assess',
      `${HAND_INS} hand-ins of an 81 s song with effects, cold, two workers`,
      await marking({ ...classOf(HAND_INS), Recordings, WorkerPool }),
      's',
      '< 10',
    ),
  ]
}

/** Measures a class as the server does: its own worker scripts, threads that have decoded and heard nothing before. */
async function marking({ song, start, mixes, brief, sounds, Recordings, WorkerPool }) {
  const pool = (name, size) => new WorkerPool(new URL(`${name}.js`, pathToFileURL(`${SERVER_DIST}/`)), size)
  const encoder = pool('flac-encoder-worker', 1)
  const flac = new Map()
  for (const [i, { id }] of song.assets.entries()) flac.set(id, (await encoder.run(sounds[i])).flac)
  await encoder.close()
  const decoders = pool('decode-worker', WORKERS)
  const recordings = new Recordings((id) => Promise.resolve(flac.get(id)), decoders)
  const began = performance.now()
  const audio = await recordings.of(song)
  const measurers = pool('measure-worker', WORKERS)
  const stored = (mix) => ({ mix: JSON.stringify(mix) })
  await Promise.all(
    mixes.map((mix) =>
      measurers.run({ song, start: stored(start), mix: stored(mix), brief, more: {}, pictured: true, audio }),
    ),
  )
  const seconds = (performance.now() - began) / 1000
  await Promise.all([decoders.close(), measurers.close()])
  return seconds
}
