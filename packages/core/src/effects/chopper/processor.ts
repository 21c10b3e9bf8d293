import { clamp } from '../../scale'
import { TICKS_PER_QUARTER } from '../../time'
import type { BlockTime } from '../../engine/block'
import type { Floats } from '../../kernels'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from '../processor'

/** A step is a sixteenth. */
const STEP = TICKS_PER_QUARTER / 4

/** The variations: sixteen steps each, x for open. */
export const CHOPPER_PATTERNS = [
  'x.x.x.x.x.x.x.x.',
  'xx..xx..xx..xx..',
  'x..x..x.x..x..x.',
  'xxx.xxx.xxx.xxx.',
  'x.xxx.xxx.xxx.xx',
  '..x...x...x...x.',
  'xxxx....xxxx....',
  'x.x.xx.x.x.xxx.x',
] as const

/** Whether a pattern is open at a step, before and after its end it goes round. */
const isOpen = (pattern: string, step: number) =>
  pattern.charCodeAt(((step % 16) + 16) % 16) === 120 ? 1 : 0

/**
 * How open the chopper is, 0…1, at a place in the song: each step holds, and turns into the next over the last part
 * of it that `smoothness` (0…1) says, never shorter than 5 ms of a slow song.
 */
export function chopperOpening(pattern: string, tick: number, smoothness: number): number {
  const at = tick / STEP
  const step = Math.floor(at)
  const now = isOpen(pattern, step)
  const next = isOpen(pattern, step + 1)
  if (now === next) return now
  const turn = 0.06 + 0.94 * smoothness
  const share = clamp((at - step - (1 - turn)) / turn, 0, 1)
  const smooth = share * share * (3 - 2 * share)
  return now + (next - now) * smooth
}

/** Opens and shuts in a rhythm that belongs to the song's bars. */
class Chopper implements Processor {
  readonly tail = 0

  constructor(private readonly params: Params) {}

  process({ frames, tickStart, tickEnd }: BlockTime, channels: readonly Floats[]): void {
    const variation = clamp(
      Math.round(atEnd(this.params['variation']!, frames)),
      0,
      CHOPPER_PATTERNS.length - 1,
    )
    const pattern = CHOPPER_PATTERNS[variation]!
    const depth = atStart(this.params['depth']!)
    const deeper = (atEnd(this.params['depth']!, frames) - depth) / frames
    const smoothness = atEnd(this.params['smoothness']!, frames)
    const perFrame = (tickEnd - tickStart) / frames
    for (let n = 0; n < frames; n++) {
      const gain =
        1 - (depth + deeper * n) * (1 - chopperOpening(pattern, tickStart + perFrame * n, smoothness))
      for (let c = 0; c < channels.length; c++) channels[c]!.view[n]! *= gain
    }
  }

  reset(): void {}
}

export const makeChopper: MakeProcessor = (params) => new Chopper(params)
