import { words } from '@rudlo/words'
import { statfs } from 'node:fs/promises'
import type { MiddlewareHandler } from 'hono'
import { Problem } from './problem'

/**
 * What is left free on the disk of the database. A database that meets the very end of its disk while it writes can fall
 * over; so writing is refused a good way before, and what makes room is not.
 */
const RESERVE = 64 * 1024 * 1024

/** Coming in and going out are always possible: somebody has to see what is wrong. */
const ALWAYS = ['/api/session', '/api/demo-session']

export const diskFull = () => new Problem(507, 'disk-full', words('server.disk-server-full'))

/** How many bytes are left free. */
export type FreeRoom = () => Promise<number>

/** What was found holds for so long, in ms: far less is written meanwhile than is kept in reserve. */
const HOLDS_MS = 100

/** What is left free on the disk that a folder lies on. */
export function freeRoomAt(folder: string): FreeRoom {
  let found: Promise<number> | null = null
  const look = async () => {
    const { bavail, bsize } = await statfs(folder)
    return bavail * bsize
  }
  return () => {
    if (!found) {
      found = look()
      setTimeout(() => (found = null), HOLDS_MS).unref()
    }
    return found
  }
}

/**
 * Refuses whatever writes while the disk is nearly full.
 * @param free room on the disk of the database
 */
export const roomOnDisk =
  (free: FreeRoom): MiddlewareHandler =>
  async (c, next) => {
    const writes = ['POST', 'PUT', 'PATCH'].includes(c.req.method) && !ALWAYS.includes(c.req.path)
    if (writes && (await free()) < RESERVE) throw diskFull()
    return next()
  }
