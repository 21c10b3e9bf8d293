import type { Assessment } from '@rudlo/core/brief'
import { askedBand, type PictureTask } from '@rudlo/core/heard'
import type { Sounding } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { HearHost } from '../../desk/guide/hear-host'
import { usePictures } from '../../desk/heard/use-pictures'
import { useReview } from './review-store'
import { useVersions } from './versions-store'

/** What is heard of the task that is looked at, in this version and in what lies underneath it. */
export const useReviewPictures = defineStore('review-pictures', () => {
  const review = useReview()
  const versions = useVersions()
  /** The task that was chosen; the one of the lane at hand, or what is not met, if none was. */
  const chosen = ref<string | null>(null)

  const tasks = computed(() => review.assignment?.brief.tasks ?? [])
  const task = computed(() => {
    const own = tasks.value.find((t) => t.id === chosen.value)
    if (own && (!own.lanes.length || own.lanes.includes(review.address))) return own
    const open = review.said?.tasks.find((t) => t.verdict !== 'met')?.task
    const here = tasks.value.filter((t) => t.lanes.includes(review.address))
    const whole = tasks.value.filter((t) => !t.lanes.length)
    const near = here.length ? here : whole
    return near.find((t) => t.id === open) ?? near[0] ?? null
  })
  /** A lane that no task is about is looked at for itself. */
  const asked = computed((): PictureTask | null => {
    if (!review.handIn || !review.song) return null
    return task.value ?? { lanes: [review.address], from: 0, to: review.song.length, checks: [] }
  })
  const keptOf = (assessment: Pick<Assessment, 'pictures'> | null | undefined) =>
    task.value ? assessment?.pictures?.[task.value.id] : undefined

  let host: HearHost | null = null
  let heard = ''
  /** Who plays what was not measured: another mix, or a lane that no task is about. */
  function hostFor({ song, anew }: Sounding): HearHost {
    const wanted = JSON.stringify([review.assignment?.id, anew])
    if (host && heard === wanted) return host
    host?.close()
    heard = wanted
    host = new HearHost({ song, anew }, () => undefined)
    return host
  }

  const beside = computed(() => {
    const other = versions.all.find((v) => v.key === versions.under)
    if (!other) return null
    const { before } = review.handIn ?? {}
    return { ...other, known: before?.id === other.key ? keptOf(before.assessment) : undefined }
  })

  const { shown, busy, problem, clear } = usePictures({
    song: () => review.song,
    mix: () => review.mix,
    task: () => asked.value,
    known: () => keptOf(review.handIn?.assessment),
    beside: () => beside.value,
    hostFor,
  })

  /** Shows what is heard of a task, on a lane that it is about. */
  function choose(id: string): void {
    const wanted = tasks.value.find((t) => t.id === id)
    if (!wanted) return
    chosen.value = id
    const [first] = wanted.lanes
    if (first && !wanted.lanes.includes(review.address)) review.address = first
    review.frame(wanted)
  }

  watch(
    () => review.handIn?.id,
    () => {
      chosen.value = null
      clear()
    },
    // before anything is looked at anew
    { flush: 'sync' },
  )

  return {
    shown,
    busy,
    problem,
    task,
    taskId: computed(() => task.value?.id ?? null),
    band: computed(() => askedBand(task.value)),
    choose,
    /** Lets go of the worker: the page is left. */
    close: () => {
      host?.close()
      host = null
      heard = ''
      clear()
    },
  }
})
