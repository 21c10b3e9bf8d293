import { isAtOnce, picturesAsked, type Picture, type PictureAsked, type PictureTask } from '@rudlo/core/heard'
import { inTempo, soundingOf, type Mix, type Sounding } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { computed, ref, shallowRef, watch } from 'vue'
import { whenAtRest } from '../../engine/calm'
import type { HearHost } from '../guide/hear-host'

/** How long a hand has rested before what has to be played anew is, in ms. */
const REST_MS = 200

/** A mix that pictures are laid beside, by its key. */
export interface Compared {
  readonly key: string
  readonly name: string
  readonly mix: Mix
  /** Its pictures of the same task, where they were measured before. */
  readonly known?: readonly Picture[] | undefined
}

/** What pictures are made of. */
export interface PictureSource {
  song(): SongVersion | null
  mix(): Mix | null
  /** Null where nobody looks. */
  task(): PictureTask | null
  /** Pictures that were made with the mix, where it was measured before. */
  known?(): readonly Picture[] | undefined
  beside(): Compared | null
  hostFor(sounding: Sounding): Pick<HearHost, 'picture'>
}

/** Whether two pictures show the same thing of two mixes. */
function sameThing(a: Picture, b: Picture): boolean {
  if (a.kind === 'fade' && b.kind === 'fade')
    return a.lane === b.lane && a.fade.start < b.fade.end && b.fade.start < a.fade.end
  return a.kind === b.kind
}

/**
 * The pictures of a task, made while somebody looks and anew when the mix changed: at once where nothing has to be played for them,
 * and when the hand rests otherwise. With the same of another mix beside them.
 */
export function usePictures(source: PictureSource) {
  const own = shallowRef<readonly Picture[]>([])
  /** Those of the other mix, under its name; null while they are being made, or nothing is compared. */
  const theirs = shallowRef<{ readonly name: string; readonly pictures: readonly Picture[] } | null>(null)
  /** Whether something is being heard, and why it could not be. */
  const busy = ref(false)
  const problem = ref('')
  let round = 0

  const soon = whenAtRest(REST_MS, () => void look())

  /** Pictures in their order; null where it was given up. */
  async function made(sounding: Sounding, task: PictureTask, passing: boolean) {
    const host = source.hostFor(sounding)
    const asked = picturesAsked(sounding.song, sounding.mix, task)
    const pictures = await Promise.all(asked.map((one) => host.picture(sounding.mix, one, passing)))
    return pictures.every((p): p is Picture => p !== null) ? pictures : null
  }

  async function look(): Promise<void> {
    soon.forget()
    const [song, mix, task] = [source.song(), source.mix(), source.task()]
    if (!song || !mix || !task) return
    const mine = ++round
    busy.value = true
    problem.value = ''
    try {
      const pictures = source.known?.() ?? (await made(soundingOf(song, mix), task, true))
      if (mine !== round || !pictures) return
      own.value = pictures
      await lookBeside(mine, song, mix, task)
    } catch (error) {
      if (mine === round) problem.value = (error as Error).message
    } finally {
      if (mine === round) busy.value = false
    }
  }

  async function lookBeside(mine: number, song: SongVersion, mix: Mix, task: PictureTask): Promise<void> {
    const other = source.beside()
    if (other?.name !== theirs.value?.name) theirs.value = null
    // in the tempo of the one it lies beside: both are on the same bars
    const { anew } = soundingOf(song, mix)
    const pictures = other && (other.known ?? (await made(inTempo(song, other.mix, anew), task, false)))
    if (mine === round) theirs.value = other && pictures && { name: other.name, pictures }
  }

  /** Whether nothing has to be played for what is asked. */
  function isInstant(mix: Mix, song: SongVersion, task: PictureTask): boolean {
    const asked: readonly PictureAsked[] = picturesAsked(song, mix, task)
    return asked.length > 0 && asked.every((one) => isAtOnce(mix, one))
  }

  watch(
    [source.mix, source.task, () => source.known?.(), source.beside],
    ([mix, task], [before, was]) => {
      const song = source.song()
      if (!task || !mix || !song) return
      if (!before || mix === before || task !== was || isInstant(mix, song, task)) void look()
      else soon.ask()
    },
    { immediate: true },
  )

  /** Pictures, each with the same of the other mix under its name: without one where it has none like it. */
  const shown = computed(() =>
    own.value.map((picture) => ({
      picture,
      beside: theirs.value && {
        name: theirs.value.name,
        picture: theirs.value.pictures.find((other) => sameThing(picture, other)) ?? null,
      },
    })),
  )

  function clear(): void {
    round++
    own.value = []
    theirs.value = null
    problem.value = ''
    busy.value = false
  }

  return { shown, busy, problem, clear }
}
