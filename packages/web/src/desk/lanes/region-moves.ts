import {
  copyRegion,
  envelopeOf,
  lanesOf,
  moveRegion,
  regionEnds,
  removeRegion,
  splitRegion,
  withLinesAlong,
  type Mix,
  type Region,
} from '@rudlo/core/mix'
import { ref, shallowRef, watch } from 'vue'
import { keep, kept } from '../../browser/kept'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { t } from '../../words/t'

/** What becomes of the lines in the span of a region that is moved or copied. */
export const ALONG = ['moved', 'copied', 'left'] as const
export type Along = (typeof ALONG)[number]

/** A region that was dropped somewhere: it waits for the answer. */
interface Dropped {
  readonly region: Region
  readonly track: string
  /** Ticks. */
  readonly by: number
  readonly copy: boolean
}

const KEY = 'rudlo-lines-along'

/** Moves, copies and splits regions, and asks whether their lines go along. */
export function useRegionMoves() {
  const desk = useDesk()
  const work = useWork()
  /** What is being asked about; null where nothing is. */
  const asked = shallowRef<Dropped | null>(null)
  const remember = ref(false)

  const remembered = (): Along | null => ALONG.find((how) => how === kept(KEY)) ?? null

  /** Whether a track has an open line with moves that a region could take along. */
  function hasLines(mix: Mix, track: string): boolean {
    return lanesOf(mix, track).some((lane) => {
      const line = envelopeOf(mix, lane)
      return line?.open === true && line.points.length > 1
    })
  }

  function make({ region, track, by, copy }: Dropped, how: Along): (mix: Mix) => Mix {
    const song = desk.song!
    const id = crypto.randomUUID()
    return (mix) => {
      const span = regionEnds(region, desk.time!.tempo, song.length)
      const at = region.start + by
      const placed = copy ? copyRegion(mix, region.id, at, id) : moveRegion(mix, region.id, at)
      return how === 'left' ? placed : withLinesAlong(placed, track, span, by, how, song.length)
    }
  }

  /** @param along what became of its lines, in words */
  const change = (label: string, track: string, from: number, to: number, along = '') => ({
    label:
      t('region.did', {
        what: label,
        track: desk.song!.tracks.find((one) => one.id === track)?.name ?? t('region.a-track'),
      }) + along,
    lanes: [],
    from: Math.max(0, Math.round(from)),
    to: Math.round(to),
  })

  /** Takes a region that was dropped: asks about its lines, unless there are none or the answer is remembered. */
  function drop(region: Region, track: string, by: number, copy = false): void {
    const dropped = { region, track, by, copy }
    work.begin()
    const known = hasLines(work.mix!, track) ? remembered() : 'left'
    if (known) return settle(dropped, known)
    asked.value = dropped
    show(copy ? 'copied' : 'moved')
  }

  /** Shows what an answer would make. */
  function show(how: Along): void {
    if (asked.value) work.previewMix(make(asked.value, how))
  }

  function answer(how: Along): void {
    if (!asked.value) return
    if (remember.value) keep(KEY, how)
    settle(asked.value, how)
  }

  function settle(dropped: Dropped, how: Along): void {
    asked.value = null
    const { region, track, by, copy } = dropped
    const { from, to } = regionEnds(region, desk.time!.tempo, desk.song!.length)
    work.previewMix(make(dropped, how))
    const lines = how === 'left' ? '' : t(`region.did.lines.${how}`)
    work.commit(
      change(
        t(copy ? 'region.did.copied' : 'region.did.moved-one'),
        track,
        Math.min(from, from + by),
        Math.max(to, to + by),
        lines,
      ),
    )
  }

  function cancel(): void {
    if (!asked.value) return
    asked.value = null
    work.cancel()
  }

  // whatever else was done meanwhile has taken the place of the question
  watch(
    () => work.history.done.at(-1),
    () => (asked.value = null),
  )

  /** Forgets what was remembered: it is asked again. */
  const askAgain = () => keep(KEY, null)

  function split(region: Region, track: string, tick: number): void {
    const { tempo } = desk.time!
    const id = crypto.randomUUID()
    work.setMix(
      (mix) => splitRegion(mix, region.id, Math.round(tick), tempo, id),
      change(t('region.did.split'), track, tick, tick),
    )
  }

  function remove(region: Region, track: string): void {
    const { from, to } = regionEnds(region, desk.time!.tempo, desk.song!.length)
    work.setMix((mix) => removeRegion(mix, region.id), change(t('region.did.removed'), track, from, to))
  }

  return { asked, remember, remembered, drop, show, answer, cancel, askAgain, split, remove }
}
