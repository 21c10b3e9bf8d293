import { constants, setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import { Problem } from '../http/problem'
import type { WorkerAnswer } from './worker-pool'

/** What a worker thread does: one task after another, each answered with its result or with why there is none. */
export function answering<In, Out>(work: (task: In) => Out | Promise<Out>): void {
  // on Linux this is the priority of this thread alone: whoever saves or draws comes before what takes its time
  setPriority(0, constants.priority.PRIORITY_BELOW_NORMAL)
  const answer = (told: WorkerAnswer<Out>) => parentPort!.postMessage(told)
  parentPort!.on('message', (task: In) => {
    void (async () => work(task))().then(
      (result) => parentPort!.postMessage({ result } satisfies WorkerAnswer<Out>, buffersOf(result)),
      (error: Error) => {
        const { message } = error
        if (error instanceof Problem)
          answer({ error: message, problem: { status: error.status, code: error.code } })
        else answer({ error: message, isRange: error instanceof RangeError })
      },
    )
  })
}

/** Buffers that go over whole instead of being copied: those that a result has for itself, in it or one step inside. */
function buffersOf(result: unknown, deeper = 1): ArrayBuffer[] {
  if (result instanceof Uint8Array) {
    const { buffer, byteLength } = result
    return buffer instanceof ArrayBuffer && byteLength > 65_536 && byteLength === buffer.byteLength
      ? [buffer]
      : []
  }
  if (typeof result !== 'object' || result === null || deeper < 0) return []
  return Object.values(result).flatMap((value) => buffersOf(value, deeper - 1))
}
