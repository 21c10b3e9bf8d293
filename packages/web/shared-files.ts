import type { Rolldown } from 'vite'

/** Ids of modules, and whether what they import ends at the package for charts. */
const drawsCharts = new Map<string, boolean>()

/** Whether a module cannot be had without the package for charts, which is larger than all the rest of a room. */
function needsCharts(id: string, modules: Pick<Rolldown.ChunkingContext, 'getModuleInfo'>): boolean {
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
 * In which files the application is fetched. A browser fetches six at a time, and each costs it some milliseconds of work: a bench
 * of fifty files was waited for at their number and not at their bytes. So what the first page needs is one file, whatever draws
 * charts is another, and of the rest, what the same rooms need lies together; what would be a file of less than 60 KB goes along
 * with its nearest. `npm run bench -- --only open` says what the first page weighs.
 */
export const SHARED_FILES: Rolldown.CodeSplittingGroup[] = [
  { name: 'start', tags: ['$initial'] },
  {
    name: (id, modules) => (needsCharts(id, modules) ? 'charts' : null),
    minShareCount: 2,
    // else the parts that charts are framed with came along, and every room would fetch charts for them
    includeDependenciesRecursively: false,
  },
  { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 60_000 },
]
