import type { AssignmentView } from '@rudlo/contract/assignments'
import { overruled } from '@rudlo/core/brief'
import type { Picture } from '@rudlo/core/heard'
import { soundingTime } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { saidTasks, Sayer } from '@rudlo/sentences'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { server, told } from '../../api/client'
import { openHandIn, openHandIns, openQueue, type OpenedHandIn } from '../../api/hand-in'
import { saidOf } from '../../desk/heard/picture-words'
import { usePlayer } from '../../engine/player-store'

/** A mistake that goes on to the end is heard for so many bars. */
const LONGEST_BARS = 8

/** The same bars of every hand-in, one after the other, to be marked by one criterion. */
export const useRound = defineStore('round', () => {
  const player = usePlayer()
  const assignment = shallowRef<AssignmentView | null>(null)
  /** The newest of everybody, in the order in which they came. */
  const handIns = shallowRef<readonly OpenedHandIn[]>([])
  const taskId = ref('')
  const criterionId = ref('')
  /** A kind of mistake: only where it is heard, and nothing else; empty for everybody's same bars. */
  const mistake = ref('')
  /** The one that is heard, or was last. */
  const at = ref(0)
  /** Whether they are played one after the other. */
  const going = ref(false)
  /** Whether more hand-ins are on their way. */
  const coming = ref(false)
  const notice = ref<string | null>(null)

  const song = computed(() => assignment.value?.songDocument ?? null)
  const time = computed(() => (song.value ? songTime(song.value) : null))
  const tasks = computed(() => assignment.value?.brief.tasks ?? [])
  const task = computed(() => tasks.value.find((t) => t.id === taskId.value) ?? null)
  const criterion = computed(
    () => assignment.value?.rubric.criteria.find((c) => c.id === criterionId.value) ?? null,
  )

  /** What is shown of each hand-in for the task. */
  const rows = computed(() =>
    handIns.value.map((handIn) => {
      const { assessment, document, review } = handIn
      const sayer = new Sayer({ song: song.value!, mix: document.mix })
      const found = assessment ? saidTasks(sayer, overruled(assessment, review.overrules).tasks) : []
      const judged = found.find((t) => t.task === taskId.value)
      const pictures: readonly Picture[] = assessment?.pictures?.[taskId.value] ?? []
      const by = {
        song: song.value!,
        mix: document.mix,
        time: soundingTime(song.value!, document.mix),
        within: task.value,
      }
      const open = judged?.checks.find((c) => c.finding.verdict !== 'met')
      const wrong = mistakeIn(handIn)
      return {
        handIn,
        verdict: judged?.verdict ?? null,
        picture: pictures[0] ?? null,
        time: by.time,
        place: wrong ? around(wrong.place) : null,
        said: wrong
          ? sayer.say(wrong.says)
          : (open?.finding.sentence ?? (pictures[0] ? (saidOf(by, pictures[0])[0] ?? '') : '')),
        mark: review.marks[criterionId.value],
      }
    }),
  )

  /** The first place of the mistake in a hand-in, as the teacher lets it stand. */
  const mistakeIn = ({ assessment, review }: OpenedHandIn) =>
    mistake.value && assessment
      ? overruled(assessment, review.overrules).mistakes.find((m) => m.kind === mistake.value)
      : undefined

  /** A place with a bar before and after it: what is wrong is heard from what is right. */
  function around({ from, to }: { readonly from: number; readonly to: number }) {
    const { meter, length } = time.value!
    const first = meter.placeAt(Math.max(0, from)).bar
    const last = meter.placeAt(Math.min(length - 1, Math.max(from, to - 1))).bar
    const begins = meter.barStart(Math.max(1, first - 1))
    return {
      from: begins,
      to: Math.min(length, meter.barStart(last + 2), begins + LONGEST_BARS * meter.lengthsAt(from).bar),
    }
  }

  /** How often one was opened or left: the last time counts. */
  let openings = 0

  /** @param kind of mistake that alone is to be heard; everybody's same bars without it */
  async function open(id: string, kind = ''): Promise<void> {
    stop()
    const opening = ++openings
    mistake.value = kind
    assignment.value = null
    handIns.value = []
    coming.value = true
    const { given: view, queue } = await openQueue(id)
    // it was left, and opened again or for something else: what comes late is nobody's
    if (opening !== openings) return
    assignment.value = view
    taskId.value = view.brief.tasks[0]?.id ?? ''
    criterionId.value = view.rubric.criteria[0]?.id ?? ''
    at.value = 0
    const newest = queue.filter((q) => q.newest)
    for await (const some of openHandIns(newest.map((q) => q.id))) {
      if (opening !== openings) return
      handIns.value = [...handIns.value, ...some.filter((h) => !kind || mistakeIn(h))]
    }
    coming.value = false
    if (handIns.value[0]) void player.open(view.songDocument, handIns.value[0].document.mix)
  }

  /** The bars that are played: those of the task, or the place of the mistake. */
  const stretch = computed(() =>
    mistake.value
      ? (rows.value[at.value]?.place ?? null)
      : task.value && { from: task.value.from, to: task.value.to },
  )

  function hear(index: number): void {
    const next = handIns.value[index]
    if (!next) return
    at.value = index
    player.load(next.document.mix)
    // each has its own place: what is played goes there
    if (mistake.value && going.value && stretch.value) {
      player.setLoop(stretch.value, true)
      player.seek(stretch.value.from)
    }
  }

  /** Plays from one on, each its bars, without a gap: the loop goes on, and what is heard in it is another. */
  async function play(from = at.value): Promise<void> {
    if (!stretch.value || !handIns.value.length) return
    hear(from < handIns.value.length ? from : 0)
    player.setLoop(stretch.value, true)
    player.seek(stretch.value.from)
    going.value = true
    await player.play()
  }

  function stop(): void {
    going.value = false
    if (player.playing) player.stop()
  }

  /** Somebody goes elsewhere: what is still coming is nobody's. */
  function leave(): void {
    openings++
    stop()
  }

  const toggle = () => (going.value ? stop() : void play())

  watch(
    () => player.position,
    (now, before) => {
      if (!going.value || !player.playing || !stretch.value) return
      // it came to its end and begins again: the next one's turn. Whoever goes back in it by hand hears the same one
      const { from, to } = stretch.value
      const quarter = (to - from) / 4
      if (before < to - quarter || now > from + quarter) return
      if (at.value + 1 < handIns.value.length) hear(at.value + 1)
      else stop()
    },
  )
  watch(
    () => player.playing,
    (playing) => {
      if (!playing) going.value = false
    },
  )
  watch([taskId], () => {
    if (going.value) void play(0)
  })

  const put = (changed: OpenedHandIn) =>
    (handIns.value = handIns.value.map((h) => (h.id === changed.id ? changed : h)))

  let saving: Promise<void> = Promise.resolve()

  /** Gives a mark by the criterion, or takes it away. */
  function mark(index: number, level: number): Promise<void> {
    const handIn = handIns.value[index]
    const of = criterionId.value
    if (!handIn || !of) return saving
    const { [of]: given, ...others } = handIn.review.marks
    put({
      ...handIn,
      review: { ...handIn.review, marks: given === level ? others : { ...others, [of]: level } },
    })
    // one after the other: each follows the revision that the one before made
    saving = saving.then(() => save(handIn.id))
    return saving
  }

  /** Saves the marks of a hand-in. Where somebody else was there meanwhile, theirs are shown, and it is said. */
  async function save(id: string): Promise<void> {
    const of = handIns.value.find((h) => h.id === id)
    if (!of) return
    const { marks, comment, overrules, revision } = of.review
    try {
      const kept = await told(
        server['hand-ins'][':handIn'].review.$put({
          param: { handIn: id },
          json: { marks, comment, overrules, revision },
        }),
      )
      const now = handIns.value.find((h) => h.id === id)
      if (now) put({ ...now, review: { ...now.review, revision: kept.revision } })
    } catch (error) {
      notice.value = (error as Error).message
      put(await openHandIn(id).catch(() => of))
    }
  }

  return {
    assignment,
    coming,
    song,
    time,
    tasks,
    task,
    taskId,
    criterion,
    criterionId,
    mistake,
    rows,
    at,
    going,
    notice,
    stretch,
    open,
    leave,
    hear,
    play,
    stop,
    toggle,
    mark,
  }
})
