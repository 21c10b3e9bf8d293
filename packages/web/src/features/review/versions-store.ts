import { withLineShown, type Mix } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { measureOnce } from '../../engine/measure-once'
import { usePlayer } from '../../engine/player-store'
import { openHandIn } from '../../api/hand-in'
import type { HandInView } from '@rudlo/contract/handins'
import { useReview } from './review-store'
import { t } from '../../words/t'

/** Something that can be heard, or shown underneath: a mix by its key. */
export interface Alternative {
  /** `this`, `start`, `model`, the id of a version, or `suggestion`. */
  readonly key: string
  readonly name: string
  readonly mix: Mix
  /** LUFS; undefined while it is not known, null for silence. */
  readonly integrated: number | null | undefined
}

/** Names of alternatives whose own are hidden. */
const BLIND_NAMES = [t('blind.1'), t('blind.2'), t('blind.3'), t('blind.4'), t('blind.5'), t('blind.6')]

/** An order in which nothing can be told from its place. */
function shuffled<T>(list: readonly T[]): T[] {
  const all = [...list]
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(Math.random() * (i + 1))
    ;[all[i], all[k]] = [all[k]!, all[i]!]
  }
  return all
}

/** What a hand-in is compared with: earlier versions, the model, the starting mix, a suggested line; by ear and underneath. */
export const useVersions = defineStore('review-versions', () => {
  const review = useReview()
  const player = usePlayer()
  const heard = ref('this')
  /** What lies faintly underneath; null for nothing. */
  const under = ref<string | null>(null)
  /** Whether everything is heard at one loudness. */
  const matched = ref(false)
  /** The hidden order, while names are hidden. */
  const blind = shallowRef<readonly string[] | null>(null)
  const older = shallowRef<ReadonlyMap<string, HandInView>>(new Map())
  const measured = shallowRef<ReadonlyMap<string, number | null>>(new Map())

  const suggested = computed<Alternative[]>(() => {
    const remark = review.remarks.find((r) => r.id === review.pinned)
    const { mix } = review
    if (!mix || !remark?.suggestion || !remark.lane) return []
    return [
      {
        key: 'suggestion',
        name: 'suggestion',
        mix: withLineShown(mix, remark.lane, remark.suggestion),
        integrated: undefined,
      },
    ]
  })

  const all = computed<readonly Alternative[]>(() => {
    const { handIn, assignment, model } = review
    if (!handIn || !assignment) return []
    const versions = handIn.versions
      .filter((v) => v.number < handIn.number)
      .reverse()
      .flatMap(({ id, number }) => {
        const found = handIn.before?.id === id ? handIn.before : older.value.get(id)
        return found
          ? [
              {
                key: id,
                name: t('tries.version', { number }),
                mix: found.document.mix,
                integrated: found.measurement?.integrated,
              },
            ]
          : []
      })
    const known = (key: string) => measured.value.get(key)
    return [
      {
        key: 'this',
        name: t('figures.this'),
        mix: handIn.document.mix,
        integrated: handIn.measurement?.integrated,
      },
      ...suggested.value,
      ...versions,
      {
        key: 'start',
        name: t('figures.start'),
        mix: assignment.startingMix,
        integrated: handIn.assessment?.start?.integrated ?? known('start'),
      },
      ...(model ? [{ key: 'model', name: 'model', mix: model, integrated: known('model') }] : []),
    ]
  })

  const found = (key: string | null) => all.value.find((a) => a.key === key)
  const underMix = computed<Mix | null>(() => found(under.value)?.mix ?? null)

  /** What can be heard, by the names that are shown. */
  const choices = computed(() => {
    if (!blind.value) return all.value.map(({ key, name }) => ({ key, name }))
    return blind.value.flatMap((key, i) => (found(key) ? [{ key, name: BLIND_NAMES[i] ?? `${i + 1}` }] : []))
  })

  /** dB that an alternative is turned by, so that none is louder than the softest. */
  function trimOf(key: string): number {
    const levels = all.value.flatMap(({ integrated }) => (typeof integrated === 'number' ? [integrated] : []))
    const own = found(key)?.integrated
    return matched.value && typeof own === 'number' ? Math.min(...levels) - own : 0
  }

  /** Lets an alternative be heard at the same place, without a gap. */
  function hear(key: string): void {
    const wanted = found(key)
    if (!wanted) return
    heard.value = key
    player.load(wanted.mix)
    player.setTrim(trimOf(key))
  }

  function setMatched(on: boolean): void {
    matched.value = on
    player.setTrim(trimOf(heard.value))
    if (on) void measureMissing()
  }

  async function measureMissing(): Promise<void> {
    const { song } = review
    for (const { key, mix, integrated } of all.value) {
      if (integrated !== undefined || !song || key === 'suggestion') continue
      const loudness = await measureOnce(song, mix).catch(() => null)
      measured.value = new Map(measured.value).set(key, loudness)
      player.setTrim(trimOf(heard.value))
    }
  }

  /** Hides the names and shuffles what they stand for; or shows them again. */
  function setBlind(on: boolean): void {
    blind.value = on ? shuffled(all.value.map((a) => a.key)) : null
    if (on) hear(blind.value![0]!)
  }

  /** Fetches a version that is older than the one before. */
  async function fetchVersion(id: string): Promise<void> {
    if (review.handIn?.before?.id === id || older.value.has(id)) return
    older.value = new Map(older.value).set(id, await openHandIn(id))
  }

  function showUnder(key: string | null): void {
    under.value = key
  }

  watch(
    () => review.handIn?.id,
    () => {
      heard.value = 'this'
      blind.value = null
      player.setTrim(0)
      older.value = new Map()
      measured.value = new Map(review.model ? [...measured.value] : [])
      const { handIn } = review
      under.value = handIn?.before?.id ?? (review.model ? 'model' : 'start')
      for (const { id, number } of handIn?.versions ?? [])
        if (number < handIn!.number) void fetchVersion(id).catch(() => null)
      if (matched.value) void measureMissing()
    },
    { immediate: true },
  )

  return {
    heard,
    under,
    underMix,
    showUnder,
    matched,
    setMatched,
    blind,
    setBlind,
    all,
    choices,
    hear,
  }
})
