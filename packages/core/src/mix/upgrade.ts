import { words } from '@rudlo/words'

/** Turns a document of one version into one of the next. Pure; never given a document it does not know. */
export type Upgrade = (document: Record<string, unknown>) => Record<string, unknown>

/** One step for every version there has been: `UPGRADES[n]` leads from version n to n + 1. */
const UPGRADES: Readonly<Record<number, Upgrade>> = {
  // 0 was the form before regions had fades and lanes could be locked: kept only in the oldest bundles
  0: (document) => ({
    ...document,
    version: 1,
    envelopes: list(document['envelopes']).map((e) => ({ open: true, ...e })),
    tracks: list(document['tracks']).map((t) => ({
      ...t,
      regions: list(t['regions']).map((r) => ({ level: 0, fadeIn: 0, fadeOut: 0, ...r })),
    })),
  }),
}

/** The version this program writes. */
export const MIX_VERSION = 1

function list(value: unknown): Record<string, unknown>[] {
  return Array.isArray(value) ? (value as Record<string, unknown>[]) : []
}

/**
 * Brings a stored mix to the version of today, one step at a time. The result still has to be checked.
 * @throws RangeError with one sentence for what is no mix, or one of a newer program
 */
export function upgradeMix(stored: unknown): Record<string, unknown> {
  if (
    typeof stored !== 'object' ||
    stored === null ||
    (stored as { format?: unknown }).format !== 'rudlo-mix'
  ) {
    throw new RangeError(words('mix.not-rudlo'))
  }
  let document = stored as Record<string, unknown>
  for (;;) {
    const version = document['version']
    if (version === MIX_VERSION) return document
    if (typeof version !== 'number' || version > MIX_VERSION) {
      throw new RangeError(words('mix.written-newer'))
    }
    const step = UPGRADES[version]
    if (!step) throw new RangeError(words('mix.version-not'))
    document = step(document)
  }
}
