/** Web worker that listens to recordings: tempo, sections, how loud each is. */
import { findTempo, outlineOf, proposeSections, type FoundTempo, type Outline } from '@rudlo/core/analysis'
import { expose } from 'comlink'

const outlines = new Map<string, Outline>()
const of = (ids: readonly string[]) => ids.flatMap((id) => outlines.get(id) ?? [])

const api = {
  /** Listens to a recording once. */
  outline(id: string, channels: readonly Int16Array[]): void {
    if (!outlines.has(id)) outlines.set(id, outlineOf(channels))
  },
  tempo: (ids: readonly string[]): FoundTempo | null => findTempo(of(ids)),
  /** @param bars where bars begin, in seconds */
  sections: (ids: readonly string[], bars: readonly number[]): number[] => [
    ...proposeSections(of(ids), bars),
  ],
}
export type AnalyseApi = typeof api
expose(api)
