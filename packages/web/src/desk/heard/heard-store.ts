import { fadesOn, type BalancePicture, type BuildPicture, type FadePicture } from '@rudlo/core/heard'
import { soundingOf, type Sounding } from '@rudlo/core/mix'
import type { Move } from '@rudlo/core/moves'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useWork } from '../../document/work-store'
import { whenAtRest } from '../../engine/calm'
import { useDesk } from '../desk-store'
import { useGuide } from '../guide/guide-store'

/** How long a hand has rested before what it changed is heard and drawn anew, in ms. */
const REST_MS = 400

/** A fade with its lane, as it was heard last. */
export interface HeardFade {
  readonly lane: string
  readonly picture: FadePicture
}

/** What is heard of the task at hand, as pictures: made while they are looked at, and anew when the hand rests. */
export const useHeard = defineStore('heard', () => {
  const desk = useDesk()
  const work = useWork()
  const guide = useGuide()
  const fades = shallowRef<readonly HeardFade[]>([])
  const build = shallowRef<BuildPicture | null>(null)
  const balance = shallowRef<BalancePicture | null>(null)
  /** Whether something is being heard, and why it could not be. */
  const busy = ref(false)
  const problem = ref('')
  /** Whether somebody looks. */
  const open = computed(() => desk.view === 'heard')
  /** Whether the brief lets anything be said before it is handed in. */
  const allowed = computed(() => guide.answers !== 'handed in')

  /** The lanes of the task, or the one at hand. */
  const lanes = computed(() => (desk.task?.lanes.length ? desk.task.lanes : [desk.address]))
  /** Where the task asks for a build. */
  const stretch = computed(() => {
    const check = desk.task?.checks.find((c) => c.kind === 'build')
    const [from, to] = [check?.values['from'], check?.values['to']]
    return typeof from === 'number' && typeof to === 'number' ? { from, to } : null
  })

  /** A task about no line is about the balance. */
  const balances = computed(() => desk.task !== null && !desk.task.lanes.length)

  const soon = whenAtRest(REST_MS, () => void look())
  let round = 0

  async function look(): Promise<void> {
    const { mix } = work
    if (!mix || !desk.song || !open.value || !allowed.value) return
    const mine = ++round
    busy.value = true
    problem.value = ''
    try {
      const sounding = soundingOf(desk.song, mix)
      await Promise.all([
        lookAtFades(sounding, mine),
        lookAtBuild(sounding, mine),
        lookAtBalance(sounding, mine),
      ])
    } catch (error) {
      if (mine === round) problem.value = (error as Error).message
    } finally {
      if (mine === round) busy.value = false
    }
  }

  async function lookAtFades(sounding: Sounding, mine: number): Promise<void> {
    const host = guide.hostFor(sounding)
    const moves = lanes.value.flatMap((lane) => fadesOn(sounding.song, sounding.mix, lane))
    const asked = desk.task
    const near = moves.filter((m) => !asked || touches(m, asked))
    const shown = near.length ? near : moves
    const pictures = await Promise.all(shown.map((m) => host.fade(sounding.mix, m)))
    if (mine !== round) return
    fades.value = pictures.flatMap((picture, i) => (picture ? [{ lane: shown[i]!.lane, picture }] : []))
  }

  async function lookAtBuild(sounding: Sounding, mine: number): Promise<void> {
    const where = stretch.value
    const picture = where && (await guide.hostFor(sounding).build(sounding.mix, where))
    if (mine === round) build.value = picture
  }

  async function lookAtBalance(sounding: Sounding, mine: number): Promise<void> {
    const picture = balances.value ? await guide.hostFor(sounding).balance(sounding.mix) : null
    if (mine === round) balance.value = picture
  }

  watch(
    [() => work.mix, open, lanes, () => desk.taskId, allowed],
    ([mix, isOpen], [before]) => {
      if (!isOpen || !mix) return
      if (before?.tracks.length && mix !== before) soon.ask()
      else void look()
    },
    { immediate: true },
  )
  watch(
    () => work.assignment,
    () => {
      round++
      fades.value = []
      build.value = null
      balance.value = null
      problem.value = ''
    },
  )

  return { fades, build, balance, busy, problem, allowed, lanes, stretch, look }
})

const touches = (move: Move, { from, to }: { readonly from: number; readonly to: number }) =>
  move.start < to && move.end > from
