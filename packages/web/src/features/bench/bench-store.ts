import type { AssignmentView } from '@rudlo/contract/assignments'
import { atBench } from '@rudlo/core/brief'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { assignmentAhead } from '../../api/ahead'
import { server, told } from '../../api/client'
import { useDesk } from '../../desk/desk-store'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import { t } from '../../words/t'

/** What the bench has around its desk: the assignment, and the column on the left. */
export const useBench = defineStore('bench', () => {
  const player = usePlayer()
  const work = useWork()
  const desk = useDesk()
  const assignment = shallowRef<AssignmentView | null>(null)
  /** What the column on the left shows. */
  const page = ref<'brief' | 'back' | 'versions' | 'notes'>('brief')
  /** The note that was dropped last and has no words yet. */
  const freshNote = ref<string | null>(null)

  async function open(assignmentId: string): Promise<void> {
    assignment.value = null
    desk.clear()
    const opened = await assignmentAhead.take(assignmentId)
    // its sound comes while the desk is put up
    player.prepare(opened.songDocument)
    assignment.value = opened
    desk.lay({
      song: opened.songDocument,
      startingMix: opened.startingMix,
      brief: opened.settings ? atBench(opened.brief) : opened.brief,
      free: Boolean(opened.settings),
    })
    if (opened.hasModel) void fetchModel(opened.id)
  }

  /** The model comes when it comes: nothing waits for it, and without it there is nothing to compare with. */
  async function fetchModel(id: string): Promise<void> {
    const asked = told(server.assignments[':assignment'].model.$get({ param: { assignment: id } }))
    const found = await asked.catch(() => null)
    if (assignment.value?.id === id) desk.model = found?.mix ?? null
  }

  /** Drops a listening note at the bar that is heard, and asks for its words. */
  function dropNote(): void {
    if (!desk.time) return
    const { meter } = desk.time
    const tick = meter.barStart(meter.placeAt(player.position).bar)
    const note = { id: crypto.randomUUID(), tick, text: '', done: false }
    const label = t('note.did.dropped', { bar: meter.placeAt(tick).bar })
    work.setNotes((notes) => [...notes, note], { label, lanes: [], from: tick, to: tick })
    page.value = 'notes'
    freshNote.value = note.id
  }

  return { assignment, page, freshNote, open, dropNote }
})
