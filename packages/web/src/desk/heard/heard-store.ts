import { askedBand, type PictureTask } from '@rudlo/core/heard'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useWork } from '../../document/work-store'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import { useGuide } from '../guide/guide-store'
import { usePictures, type Compared } from './use-pictures'

/** What is heard of the task at hand, as pictures, beside what was before: made while they are looked at. */
export const useHeard = defineStore('heard', () => {
  const desk = useDesk()
  const work = useWork()
  const guide = useGuide()
  /** What the pictures are laid beside; null for nothing. */
  const compared = ref<string | null>(null)
  /** Whether the brief lets anything be said before it is handed in. */
  const allowed = computed(() => guide.answers !== 'handed in')

  /** The task at hand; without one, the lane at hand in the whole song. */
  const task = computed((): PictureTask | null => {
    if (desk.view !== 'heard' || !allowed.value || !desk.song) return null
    return desk.task ?? { lanes: [desk.address], from: 0, to: desk.song.length, checks: [] }
  })

  /** What there is to lay beside it, nearest first. */
  const choices = computed((): Compared[] => {
    const before = work.history.done.at(-1)?.before
    return [
      ...(before ? [{ key: 'before', name: t('heard.beside.step'), mix: before.mix }] : []),
      ...work.tries.map((one) => ({ key: one.id, name: one.name, mix: one.document.mix })),
      ...work.versions.map((v) => ({
        key: v.id,
        name: t('tries.version', { number: v.number }),
        mix: v.document.mix,
      })),
      ...(desk.model ? [{ key: 'model', name: t('heard.beside.model'), mix: desk.model }] : []),
      ...(desk.given ? [{ key: 'start', name: t('figures.start'), mix: desk.given.startingMix }] : []),
    ]
  })
  const beside = computed(() => choices.value.find((c) => c.key === compared.value) ?? null)

  const { shown, busy, problem, clear } = usePictures({
    song: () => desk.song,
    mix: () => work.mix,
    task: () => task.value,
    beside: () => beside.value,
    hostFor: guide.hostFor,
  })
  const band = computed(() => askedBand(desk.task))

  watch(
    () => work.assignment,
    () => {
      compared.value = null
      clear()
    },
    // before anything is looked at anew
    { flush: 'sync' },
  )

  return { shown, busy, problem, allowed, compared, choices, band }
})
