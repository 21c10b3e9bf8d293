import { hash, verify } from '@node-rs/argon2'

/** argon2id (2 in the package's numbering) with the parameters that OWASP recommends. */
const ARGON2ID = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

export function hashPassword(password: string): Promise<string> {
  return hash(password, ARGON2ID)
}

let nobody: Promise<string> | undefined

/** Checks a password; for an account that does not exist it takes as long and says no. */
export async function isPassword(stored: string | null, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody has this password')
  const right = await verify(stored ?? (await nobody), password)
  return right && stored !== null
}
