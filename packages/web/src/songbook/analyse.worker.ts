/** Web worker that listens to recordings: tempo, sections, how loud each is. */
import { findTempo, outlineOf, proposeSections, type FoundTempo, type Outline } from '@rudlo/core/analysis'

export type AnalyseTask =
  | { readonly kind: 'outline'; readonly id: string; readonly channels: readonly Int16Array[] }
  | { readonly kind: 'tempo'; readonly ids: readonly string[]; readonly beats: number }
  | { readonly kind: 'sections'; readonly ids: readonly string[]; readonly bars: readonly number[] }

export type AnalyseAnswer =
  | { readonly kind: 'outline' }
  | { readonly kind: 'tempo'; readonly tempo: FoundTempo | null }
  | { readonly kind: 'sections'; readonly bars: readonly number[] }

const outlines = new Map<string, Outline>()
const of = (ids: readonly string[]) => ids.flatMap((id) => outlines.get(id) ?? [])
const answer = (message: AnalyseAnswer) => self.postMessage(message)

self.onmessage = ({ data }: MessageEvent<AnalyseTask>) => {
  switch (data.kind) {
    case 'outline':
      if (!outlines.has(data.id)) outlines.set(data.id, outlineOf(data.channels))
      return answer({ kind: 'outline' })
    case 'tempo':
      return answer({ kind: 'tempo', tempo: findTempo(of(data.ids), data.beats) })
    case 'sections':
      return answer({ kind: 'sections', bars: proposeSections(of(data.ids), data.bars) })
  }
}
