/** Keys that belong together on the list. */
export interface ShortcutGroup {
  readonly title: string
  readonly keys: readonly Shortcut[]
}

/** One line of the list of keys, and what its keys do on the whole page. */
export interface Shortcut {
  /** The keys as people read them. */
  readonly shown: string
  /** What they do, in words. */
  readonly what: string
  /** By key: `Ctrl+` stands in front of keys with Control or Command, `Shift+` after it. Missing where a surface has them itself. */
  readonly on?: KeyActions
}

export type KeyActions = Readonly<Record<string, () => void>>

/** All that keys do on a page. @throws RangeError where two lines of the list claim the same key */
export function actionsOf(groups: readonly ShortcutGroup[]): KeyActions {
  const all: Record<string, () => void> = {}
  for (const { on = {} } of groups.flatMap((g) => g.keys))
    for (const [key, action] of Object.entries(on)) {
      if (key in all) throw new RangeError(`Two shortcuts have the key ${key}.`)
      all[key] = action
    }
  return all
}
