/**
 * What this browser keeps between visits: small things that belong to the machine. A browser that keeps nothing (a private
 * window, a school's settings, a full disk) is asked again the next time; nothing else is lost.
 */

/** What was kept under a key; null for nothing, or where nothing is kept. */
export function kept(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}

/** Keeps a text under a key, or forgets it where it is null. @returns whether that could be done */
export function keep(key: string, value: string | null): boolean {
  try {
    if (value === null) localStorage.removeItem(key)
    else localStorage.setItem(key, value)
    return true
  } catch {
    return false
  }
}

/** Forgets what was kept under a key. */
export const forget = (key: string): void => void keep(key, null)

/** Every key under which something is kept. */
export function keptKeys(): string[] {
  try {
    return Object.keys(localStorage)
  } catch {
    return []
  }
}

/** Forgets what this window keeps until it is closed. */
export function forgetWindow(): void {
  try {
    sessionStorage.clear()
  } catch {
    // a browser that keeps nothing has nothing to forget
  }
}
