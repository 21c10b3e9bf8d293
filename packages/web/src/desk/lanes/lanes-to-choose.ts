import { laneControlName, laneName } from '@rudlo/core/assess'
import {
  allLanes,
  envelopeOf,
  followsTempo,
  lanesOf,
  recordedTracks,
  MAIN_LEVEL,
  resolve,
  TEMPO,
  withTempoLine,
} from '@rudlo/core/mix'
import { SONG_CONTROLS, type Family } from '@rudlo/core/scale'
import { listText } from '@rudlo/words'
import { computed, type Ref } from 'vue'
import { useWork } from '../../document/work-store'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'

/** A lane that can be brought to the desk. */
export interface ChoosableLane {
  readonly address: string
  /** Whose it is. */
  readonly group: string
  readonly name: string
  readonly moves: boolean
  readonly brief: boolean
  readonly family: Family
}

/** What is looked for. */
export interface Looked {
  readonly open: Ref<boolean>
  readonly search: Ref<string>
  readonly withMoves: Ref<boolean>
  readonly onlyHere: Ref<boolean>
}

/** Other words for what a lane moves, as people look for it. */
const alsoCalled = (address: string) =>
  /^(track|return|main)\/([^/]+\/)?level$/.test(address)
    ? t('chooser.also.level')
    : address.startsWith('send/')
      ? t('chooser.also.send')
      : ''

/** The lanes that can be chosen in the place of one: its owner's and those of everybody, or all that are looked for. */
export function useLanesToChoose(address: () => string, looked: Looked) {
  const desk = useDesk()
  const work = useWork()

  const owner = computed(() => resolve(work.mix!, address())?.owner ?? null)
  const nameOf = (id: string | null) =>
    desk.song!.tracks.find((track) => track.id === id)?.name ??
    work.mix!.returns.find((back) => back.id === id)?.name ??
    laneName(desk.song!, work.mix!, MAIN_LEVEL)

  /** The tempo has a lane where it is asked for, or everything may be changed, and the song can follow it. */
  const hasTempo = computed(
    () =>
      (desk.given?.free || desk.isInBrief(TEMPO)) && followsTempo(desk.song!) && !resolve(work.mix!, TEMPO),
  )
  const everywhere = computed(() => [
    MAIN_LEVEL,
    ...(hasTempo.value || resolve(work.mix!, TEMPO) ? [TEMPO] : []),
  ])

  function describe(lane: string): ChoosableLane {
    const found = resolve(work.mix!, lane)
    const control = found?.control ?? SONG_CONTROLS.tempo
    return {
      address: lane,
      group: lane === TEMPO ? t('chooser.song') : nameOf(found?.owner ?? null),
      name: found ? laneControlName(work.mix!, lane) : control.name.toLowerCase(),
      moves: (envelopeOf(work.mix!, lane)?.points.length ?? 0) > 0,
      brief: desk.isInBrief(lane),
      family: control.family,
    }
  }

  const groups = computed(() => {
    if (!looked.open.value) return []
    const words = looked.search.value.trim().toLowerCase()
    const wide = words || (looked.withMoves.value && !looked.onlyHere.value) || !owner.value
    const own = wide ? allLanes(work.mix!) : lanesOf(work.mix!, owner.value!)
    const lanes = [...new Set([...own, ...everywhere.value])].map(describe)
    const kept = lanes.filter(
      (l) =>
        (!looked.withMoves.value || l.moves) &&
        (!words || `${l.group} ${l.name} ${alsoCalled(l.address)}`.toLowerCase().includes(words)),
    )
    const names = [...new Set(kept.map((l) => l.group))]
    return names.map((name) => ({ name, lanes: kept.filter((l) => l.group === name) }))
  })

  /** Why the tempo cannot be drawn, for who may change everything; empty where it can. */
  const keepsTempo = computed(() => {
    const names = desk.given?.free ? recordedTracks(desk.song!).map((track) => track.name) : []
    return names.length ? t('chooser.recorded', { n: names.length, names: listText(names) }) : ''
  })

  /** The tempo gets its line when it is first brought to the desk: as the song has it, so that nothing sounds otherwise. */
  function prepare(lane: string): void {
    if (lane !== TEMPO || resolve(work.mix!, TEMPO)) return
    work.setMix((mix) => withTempoLine(mix, desk.song!, crypto.randomUUID()), {
      label: t('lane.did.tempo'),
      lanes: [TEMPO],
      from: 0,
      to: desk.song!.length,
    })
  }

  return { owner, nameOf, groups, keepsTempo, prepare }
}
