import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useBenchKeys } from '../features/bench/keys'
import { useReviewKeys } from '../features/review/keys'
import { roundKeys } from '../features/round/keys'
import { useRound } from '../features/round/round-store'
import type { ShortcutGroup } from '../ui/keys/shortcuts'

beforeEach(() => setActivePinia(createPinia()))

/** A table with its columns as wide as what stands in them. */
function table(rows: readonly (readonly [string, string])[]): string {
  const cells = rows.map((row) => row.map((text) => text.replaceAll('|', '\\|')))
  const widths = [0, 1].map((i) => Math.max(3, ...cells.map((row) => row[i]!.length)))
  const line = (row: readonly string[]) => `| ${row.map((text, i) => text.padEnd(widths[i]!)).join(' | ')} |`
  const [head, ...rest] = cells
  return [line(head!), line(widths.map((n) => '-'.repeat(n))), ...rest.map(line)].join('\n')
}

/** A list of keys as a page of the docs. */
function pageOf(room: string, groups: readonly ShortcutGroup[]): string {
  const tables = groups.map(({ title, keys }) => {
    const rows = keys.map(({ shown, what }) => [shown, what] as const)
    return `### ${title}\n\n${table([['Key', 'What it does'], ...rows])}`
  })
  return [`## ${room}`, ...tables].join('\n\n')
}

describe('docs/keys.md', () => {
  it('is made from the registry of keys: `npx vitest run --project web keys-page -u` writes it', async () => {
    const nothing = () => undefined
    const bench = useBenchKeys({ tasks: ref(false), keys: ref(false) })
    const review = useReviewKeys({
      tour: nothing,
      below: nothing,
      queue: nothing,
      takeNext: nothing,
      overruleNext: nothing,
      remark: nothing,
      speak: nothing,
      comment: nothing,
      decide: nothing,
      step: nothing,
      keys: nothing,
    })
    const rooms = [
      pageOf('At the bench', bench),
      pageOf('At the review desk', review),
      pageOf('Everybody in turn', roundKeys(useRound(), nothing)),
    ]
    const page = `# Keys\n\n${rooms.join('\n\n')}\n`
    await expect(page).toMatchFileSnapshot('../../../../docs/keys.md')
  })
})
