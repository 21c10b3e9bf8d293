import { constants, setPriority } from 'node:os'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { Problem } from '../http/problem'

/** What a worker thread answers. */
export type WorkerAnswer<Out> =
  | { readonly result: Out }
  | {
      readonly error: string
      /** Of what is refused for a reason that whoever asked is told. */
      readonly problem?: Pick<Problem, 'status' | 'code'>
      /** Whether it was a RangeError. */
      readonly isRange?: boolean
    }

/** Makes of a computation what a worker thread does: a task is answered with its result or with why there is none. */
export function answering<In, Out>(work: (task: In) => Out | Promise<Out>): (task: In) => Promise<unknown> {
  // on Linux this is the priority of this thread alone: whoever saves or draws comes before what takes its time
  setPriority(0, constants.priority.PRIORITY_BELOW_NORMAL)
  return async (task) => {
    try {
      const result = await work(task)
      return handedOver<WorkerAnswer<Out>>({ result }, buffersOf(result))
    } catch (error) {
      return refused(error as Error)
    }
  }
}

function refused(error: Error): WorkerAnswer<never> {
  const { message } = error
  return error instanceof Problem
    ? { error: message, problem: { status: error.status, code: error.code } }
    : { error: message, isRange: error instanceof RangeError }
}

/** Something with buffers that go over whole instead of being copied. */
const handedOver = <T extends object>(value: T, buffers: readonly ArrayBuffer[]): unknown =>
  move({ [transferableSymbol]: buffers, [valueSymbol]: value })

/** Buffers that a result has for itself, in it or one step inside, and that are large. */
function buffersOf(result: unknown, deeper = 1): ArrayBuffer[] {
  // samples in shared memory are views, too: nobody may look through them one by one
  if (ArrayBuffer.isView(result)) {
    const { buffer, byteLength } = result
    return buffer instanceof ArrayBuffer && byteLength > 65_536 && byteLength === buffer.byteLength
      ? [buffer]
      : []
  }
  if (typeof result !== 'object' || result === null || deeper < 0) return []
  return Object.values(result).flatMap((value) => buffersOf(value, deeper - 1))
}
