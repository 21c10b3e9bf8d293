import type { Move } from '@rudlo/core/moves'
import type { SongTime } from '@rudlo/core/song'
import { ref, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'

/** Bars that are heard before and after a move. */
const AROUND = 2

/** A stretch in which something moves, in ticks, and the lanes on which it does. */
export interface Stretch {
  readonly from: number
  readonly to: number
  readonly lanes: readonly string[]
}

/** The stretches to hear where only the moves are wanted: two bars around each; those that touch are one. */
export function moveStretches(
  moves: readonly Pick<Move, 'lane' | 'start' | 'end'>[],
  { meter, length }: SongTime,
): Stretch[] {
  const around = [...moves]
    .sort((a, b) => a.start - b.start)
    .map(({ lane, start, end }) => ({
      from: meter.barStart(Math.max(1, meter.placeAt(start).bar - AROUND)),
      to: Math.min(length, meter.barStart(meter.placeAt(Math.max(start, end - 1)).bar + 1 + AROUND)),
      lanes: [lane],
    }))
  const stretches: Stretch[] = []
  for (const next of around) {
    const before = stretches.at(-1)
    if (before && next.from <= before.to)
      stretches[stretches.length - 1] = {
        from: before.from,
        to: Math.max(before.to, next.to),
        lanes: [...new Set([...before.lanes, ...next.lanes])],
      }
    else stretches.push(next)
  }
  return stretches
}

/** Plays from move to move. `arrived` is told each stretch as it begins. */
export function useMoveTour(stretches: () => readonly Stretch[], arrived: (stretch: Stretch) => void) {
  const player = usePlayer()
  /** Index of the stretch that is heard; null while everything is. */
  const at = ref<number | null>(null)

  function go(index: number): void {
    const stretch = stretches()[index]
    if (!stretch) return stop()
    at.value = index
    arrived(stretch)
    player.seek(stretch.from)
  }

  async function start(): Promise<void> {
    player.setLoop(player.loop, false)
    const here = stretches().findIndex((s) => s.to > player.position)
    go(Math.max(0, here))
    if (at.value !== null) await player.play()
  }

  function stop(): void {
    if (at.value !== null && player.playing) player.stop()
    at.value = null
  }

  const toggle = () => (at.value === null ? void start() : stop())

  watch(
    () => player.position,
    (position) => {
      const stretch = at.value === null ? undefined : stretches()[at.value]
      // a place beyond it was gone to by hand
      if (stretch && player.playing && position >= stretch.to) go(at.value! + 1)
    },
  )
  watch(
    () => player.playing,
    (playing) => {
      if (!playing) at.value = null
    },
  )
  return { at, start, stop, toggle }
}
