import { forget, keep, kept } from '../browser/kept'
import { away } from './away'

/** The browser's own store of answers. */
const CACHE = 'rudlo-answers'
/** Whose they are, and until when they may be shown without asking. */
const OWNER = 'rudlo-answers-of'
/** So long a sign-in lasts: nobody is shown here what they could not see any more there. */
const DAYS = 14
/** Recordings that are kept, in bytes: a term of songs. What was kept first goes first. */
const MOST_BYTES = 600e6

/** What is kept: what a bench, a first page and a look back are made of. What holds for this moment only is always asked for. */
const KEPT = [
  /^\/api\/(session|assignments|term|surfaces)$/,
  /^\/api\/assignments\/[^/]+(\/model)?$/,
  /^\/api\/works\/[^/]+\/(tries|hand-ins|hints|asked)$/,
  /^\/api\/hand-ins\/[^/]+$/,
]

const ownerKept = (): string => (kept(OWNER) ?? '').split(' ')[0]!

let owner = ownerKept()

/** Whose answers are kept just now; empty for nobody's. */
export const keptFor = (): string => owner

/** Where an answer lies; null where the browser keeps none, such as a private window or a page without a secure connection. */
async function shelf(): Promise<Cache | null> {
  try {
    return await caches.open(CACHE)
  } catch {
    return null
  }
}

/**
 * Says whose answers are kept from now on: those that this browser still holds of somebody else are dropped.
 * @param personId null for nobody: a teacher's answers are about others, and stay on the server
 */
export async function keepAnswersOf(personId: string | null): Promise<void> {
  owner = personId ?? ''
  if (ownerKept() !== owner) await dropAnswers()
  // only the server can say that somebody is still signed in: without it the time runs on
  if (personId && personId === owner && !away.value)
    keep(OWNER, `${personId} ${Date.now() + DAYS * 86_400_000}`)
}

async function dropAnswers(): Promise<void> {
  forget(OWNER)
  try {
    await caches.delete(CACHE)
  } catch {
    // a browser that keeps nothing has nothing to drop
  }
}

function pathOf(address: string): string {
  const { pathname, search } = new URL(address, 'http://here')
  return pathname + search
}

/** Whether an answer to this is kept, if there is somebody whose it is. */
export const isKeptKind = (address: string): boolean => KEPT.some((kind) => kind.test(pathOf(address)))

/**
 * Keeps what the server said to a question, for when it cannot be asked. Files are kept by `keepFiles`.
 * @param whose for whom answers were kept as it was asked: somebody else may have come since
 */
export function keepAnswer(address: string, answer: Response, whose: string): void {
  if (!whose || whose !== owner || !isKeptKind(address)) return
  const copy = answer.clone()
  void shelf().then((cache) =>
    whose === owner ? cache?.put(pathOf(address), copy).catch(() => undefined) : undefined,
  )
}

/** What the server said the last time it was asked this; undefined where that is not known here, or too long ago. */
export async function keptAnswer(address: string): Promise<Response | undefined> {
  const until = Number((kept(OWNER) ?? '').split(' ')[1])
  if (!(Date.now() < until)) return undefined
  return (await shelf())?.match(pathOf(address), { ignoreVary: true })
}

/**
 * Keeps files that the page has had already: the browser still has them at hand, so that this costs no network. One after the
 * other, and what does not fit is left.
 */
export async function keepFiles(addresses: readonly string[]): Promise<void> {
  const cache = owner ? await shelf() : null
  if (!cache) return
  for (const address of addresses) {
    if (!owner) return
    const path = pathOf(address)
    if (!(await cache.match(path, { ignoreVary: true }))) await cache.add(path).catch(() => undefined)
  }
  await trim(cache)
}

const bytesOf = (answer: Response | undefined): number => Number(answer?.headers.get('content-length') ?? 0)

/** Drops what was kept first until the rest fits. */
async function trim(cache: Cache): Promise<void> {
  const files = (await cache.keys()).filter(({ url }) => pathOf(url).startsWith('/api/assets/'))
  const sizes = await Promise.all(
    files.map(async (file) => bytesOf(await cache.match(file, { ignoreVary: true }))),
  )
  let total = sizes.reduce((sum, bytes) => sum + bytes, 0)
  for (let i = 0; i < files.length && total > MOST_BYTES; i++) {
    await cache.delete(files[i]!, { ignoreVary: true })
    total -= sizes[i]!
  }
}
