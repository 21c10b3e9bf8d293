import type { AssignmentView } from '@rudlo/contract/assignments'
import type { LineOfOne } from '@rudlo/contract/handins'
import type { Strip } from '@rudlo/core/term'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { server, told } from '../../../api/client'

/** What is fetched of one assignment of a class, while it is looked at: the song, lines and figures. Each is fetched once. */
export const useGlance = defineStore('glance', () => {
  const assignment = shallowRef<AssignmentView | null>(null)
  let wanted = ''

  async function open(id: string): Promise<AssignmentView> {
    wanted = id
    if (assignment.value?.id === id) return assignment.value
    const view = await told(server.assignments[':assignment'].$get({ param: { assignment: id } }))
    if (wanted === id) assignment.value = view
    return view
  }

  const lines = (id: string, lane: string): Promise<readonly LineOfOne[]> =>
    told(server.assignments[':assignment'].lines.$get({ param: { assignment: id }, query: { lane } }))

  const strips = async (id: string, task: string): Promise<readonly Strip[]> =>
    (
      await told(
        server.assignments[':assignment'].tasks[':task'].strips.$get({ param: { assignment: id, task } }),
      )
    ).strips

  return { assignment, open, lines, strips }
})
