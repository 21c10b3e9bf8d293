import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'
import { SERVER_DIST } from '../scripts/lib/paths.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'

const HAND_INS = 30
const WORKERS = 2

/** What recognises moves and mistakes: how often it is right, how long it takes; and the marking of a class. */
export async function assess() {
  const { classOf, demoChecks, manyLanes, mistakesRight, movesRight, Recordings, WorkerPool } =
    await imported('assess-run.ts')
  const moves = movesRight()
  const mistakes = mistakesRight()
  const checks = demoChecks()
  return [
    entry('assess', '240 moves as people draw them: kind right', moves.kinds, '%', '>= 97'),
    entry('assess', 'the same: edges within an eighth', moves.edges, '%', '>= 95'),
    entry(
      'assess',
      'mistakes, 20 true and 20 near each: weakest precision',
      mistakes.precision,
      '%',
      '>= 95',
    ),
    entry('assess', 'the same: weakest recall', mistakes.recall, '%', '>= 95'),
    entry('assess', 'moves and mistakes on 40 lanes of 500 points', manyLanes(), 'ms', '< 20'),
    entry('assess', 'checks of a brief by lines alone', checks.lines, 'ms', '< 100'),
    entry('assess', 'an 80 s song with its checks, nothing heard before', checks.cold, 's', ''),
    entry('assess', 'the same for a work of two changed lanes', checks.warm, 's', '< 3'),
    entry(
      'assess',
      `${HAND_INS} hand-ins of an 81 s song with effects, cold, two workers`,
      await marking({ ...classOf(HAND_INS), Recordings, WorkerPool }),
      's',
      '< 15',
    ),
  ]
}

/** Measures a class as the server does: its own worker scripts, threads that have decoded and heard nothing before. */
async function marking({ song, start, mixes, brief, sounds, Recordings, WorkerPool }) {
  const encoder = new Worker(join(SERVER_DIST, 'flac-encoder-worker.js'))
  const flac = new Map()
  for (const [i, { id }] of song.assets.entries()) flac.set(id, (await ask(encoder, sounds[i])).flac)
  await encoder.terminate()
  const decoders = new WorkerPool(new URL('decode-worker.js', pathToFileURL(`${SERVER_DIST}/`)), WORKERS)
  const recordings = new Recordings((id) => Promise.resolve(flac.get(id)), decoders)
  const began = performance.now()
  const audio = await recordings.of(song)
  const workers = Array.from({ length: WORKERS }, () => new Worker(join(SERVER_DIST, 'measure-worker.js')))
  const left = [...mixes]
  await Promise.all(
    workers.map(async (worker) => {
      for (let mix = left.pop(); mix; mix = left.pop())
        await ask(worker, {
          song,
          start: { mix: JSON.stringify(start) },
          mix: { mix: JSON.stringify(mix) },
          brief,
          more: {},
          audio,
        })
    }),
  )
  const seconds = (performance.now() - began) / 1000
  await Promise.all([decoders.close(), ...workers.map((worker) => worker.terminate())])
  return seconds
}

function ask(worker, task) {
  return new Promise((resolve, reject) => {
    worker.once('message', ({ result, error }) => (error ? reject(new Error(error)) : resolve(result)))
    worker.postMessage(task)
  })
}
