import { fileURLToPath } from 'node:url'
import type { Rolldown } from 'vite'

type Modules = Pick<Rolldown.ChunkingContext, 'getModuleInfo'>

/** Ids of modules, and whether what they import ends at the package for charts. */
const drawsCharts = new Map<string, boolean>()

/** Whether a module cannot be had without the package for charts, which is larger than all the rest of a room. */
function needsCharts(id: string, modules: Modules): boolean {
  const known = drawsCharts.get(id)
  if (known !== undefined) return known
  drawsCharts.set(id, false)
  const needs =
    /[\\/](echarts|zrender)[\\/]/.test(id) ||
    (modules.getModuleInfo(id)?.importedIds ?? []).some((imported) => needsCharts(imported, modules))
  drawsCharts.set(id, needs)
  return needs
}

/**
 * All that cannot be left out where a module is wanted, by id: with what it imports, and what that imports.
 * @throws where there is no such module: it was moved, and its file would be empty without anybody knowing
 */
function needsOf(id: string, modules: Modules): Set<string> {
  if (!modules.getModuleInfo(id)) throw new Error(`No module ${id}: shared-files.ts names it.`)
  const needs = new Set([id])
  for (const needed of needs)
    for (const imported of modules.getModuleInfo(needed)?.importedIds ?? []) needs.add(imported)
  return needs
}

const component = (path: string) => fileURLToPath(new URL(`src/${path}`, import.meta.url))

/** Whether a module is one that a component cannot be had without. */
function neededBy(path: string) {
  let needs: Set<string> | undefined
  return (id: string, modules: Modules): boolean => (needs ??= needsOf(component(path), modules)).has(id)
}

const first = neededBy('features/home/HomePage.vue')
const day = neededBy('features/home/today/TodayView.vue')
const bench = neededBy('features/bench/BenchPage.vue')
const markdown = neededBy('desk/guide/RichText.vue')

/** A file with those modules of several rooms that belong to it, and with nothing else: not with what they need in turn. */
const fileOf = (
  name: string,
  belongs: (id: string, modules: Modules) => boolean,
): Rolldown.CodeSplittingGroup => ({
  name: (id, modules) => (belongs(id, modules) ? name : null),
  minShareCount: 2,
  includeDependenciesRecursively: false,
})

/**
 * In which files the application is fetched. A browser fetches six at a time, and each costs it some milliseconds of work: a bench
 * of fifty files was waited for at their number and not at their bytes. So what the ways into the application need is one file each,
 * in this order: before anybody is known, on the first page of a student, on a bench, in the day of a teacher; and so is what is
 * large: charts, and Markdown. Of the rest, what the same rooms need lies together, and what would be a file of less than 60 KB
 * goes along with its nearest. `npm run bench -- --only open` says what the first page weighs.
 */
export const SHARED_FILES: Rolldown.CodeSplittingGroup[] = [
  { name: 'start', tags: ['$initial'] },
  fileOf('first', first),
  fileOf('charts', needsCharts),
  fileOf('markdown', markdown),
  fileOf('desk', (id, modules) => bench(id, modules) && !day(id, modules)),
  fileOf('day', (id, modules) => day(id, modules) && !bench(id, modules)),
  { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 60_000 },
]
