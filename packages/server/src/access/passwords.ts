import { hash, verify } from '@node-rs/argon2'
import PQueue from 'p-queue'
import { busy } from '../http/problem'

/** argon2id (2 in the package's numbering) with the parameters that OWASP recommends. */
const ARGON2ID = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

/** Each takes 19 MB and a core for some 30 ms: a few at a time, whatever comes in. */
const AT_ONCE = 2
/** So many may wait, of one asker and of all. */
const MOST_OF_ONE = 250
const MOST = 1000

const queue = new PQueue({ concurrency: AT_ONCE })
const waiting = new Map<string, number>()

/**
 * Does dear work when it is its turn. Whoever has the least waiting comes first, so that one who asks a thousand times does
 * not keep others waiting.
 * @param asker an address, or whatever else tells askers apart
 * @throws Problem 503 where too much waits
 */
async function inTurn<T>(asker: string, work: () => Promise<T>): Promise<T> {
  const mine = waiting.get(asker) ?? 0
  if (mine >= MOST_OF_ONE || queue.size >= MOST) throw busy()
  waiting.set(asker, mine + 1)
  try {
    return await queue.add(work, { priority: -mine })
  } finally {
    const left = (waiting.get(asker) ?? 1) - 1
    if (left) waiting.set(asker, left)
    else waiting.delete(asker)
  }
}

export function hashPassword(password: string, asker = ''): Promise<string> {
  return inTurn(asker, () => hash(password, ARGON2ID))
}

let nobody: Promise<string> | undefined

/** Checks a password; for an account that does not exist it takes as long and says no. */
export async function isPassword(stored: string | null, password: string, asker = ''): Promise<boolean> {
  nobody ??= hashPassword('nobody has this password')
  const other = await nobody
  const right = await inTurn(asker, () => verify(stored ?? other, password))
  return right && stored !== null
}
