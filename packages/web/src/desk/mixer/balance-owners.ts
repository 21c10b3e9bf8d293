import type { ReturnMix, TrackMix } from '@rudlo/core/mix'
import { sectionAt } from '@rudlo/core/song'
import { numberText } from '@rudlo/words'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import type { HeldPeak } from '../../engine/peak-hold'
import { usePlayer } from '../../engine/player-store'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'

/** A track or a return as the balance shows it. */
export interface BalanceOwner {
  readonly kind: 'track' | 'return'
  readonly id: string
  readonly name: string
  readonly role: string
  readonly stereo: boolean
  readonly of: TrackMix | ReturnMix
  readonly peak: HeldPeak | undefined
  /** LUFS in the section that plays, by itself and dry: null for silence, undefined where it is not known. */
  readonly loudness: number | null | undefined
}

/** How loud somebody is, in words: what is not measured yet is not called silent. */
export function loudnessText(lufs: BalanceOwner['loudness']): string {
  if (lufs === undefined) return '–'
  return lufs === null ? t('balance.silent') : numberText(lufs, 0)
}

/** Who is in the balance, in order: the tracks of the song, then the returns. */
export function useBalanceOwners() {
  const desk = useDesk()
  const work = useWork()
  const player = usePlayer()

  const song = computed(() => desk.song!)
  const section = computed(() => sectionAt(song.value, player.position) ?? song.value.sections[0])
  const end = computed(() => {
    const i = song.value.sections.findIndex((s) => s.id === section.value?.id)
    return song.value.sections[i + 1]?.tick ?? song.value.length
  })
  const loudness = computed(() =>
    // the mix and the table are named so that this follows them
    player.instant && work.mix
      ? song.value.tracks.map((_, i) => player.trackLoudness(i, section.value?.tick ?? 0, end.value))
      : [],
  )
  const loudest = computed(() => Math.max(-60, ...loudness.value.map((v) => v ?? -60)))

  const owners = computed((): readonly BalanceOwner[] => [
    ...song.value.tracks.map((t, i) => ({
      kind: 'track' as const,
      id: t.id,
      name: t.name,
      role: t.role,
      stereo: t.channels === 2,
      of: work.mix!.tracks[i]!,
      peak: player.trackPeaks[i],
      loudness: loudness.value[i],
    })),
    ...work.mix!.returns.map((r, i) => ({
      kind: 'return' as const,
      id: r.id,
      name: r.name,
      role: 'return',
      stereo: false,
      of: r,
      peak: player.returnPeaks[i],
      loudness: undefined,
    })),
  ])
  return { owners, section, loudest }
}
