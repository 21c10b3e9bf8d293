import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import type { GroupOfAssignment } from '@rudlo/contract/assignments'

/** The groups of a teacher, which of them have an assignment, and which are to get it as well. */
export const useGroups = defineStore('groups-of-assignment', () => {
  const assignment = ref('')
  const groups = shallowRef<readonly GroupOfAssignment[]>([])
  /** Groups that were chosen, with the due date of each as ISO text; null for none. */
  const chosen = shallowRef<ReadonlyMap<string, string | null>>(new Map())
  /** Whether a change is saved for the other groups too. */
  const everywhere = ref(true)

  const others = computed(() => groups.value.filter((g) => g.assignment !== assignment.value))
  /** Other groups that have it. */
  const shared = computed(() => others.value.filter((g) => g.assignment !== null))

  async function load(id: string): Promise<void> {
    if (assignment.value !== id) {
      groups.value = []
      chosen.value = new Map()
      everywhere.value = true
    }
    assignment.value = id
    const found = await told(server.assignments[':assignment'].groups.$get({ param: { assignment: id } }))
    if (assignment.value === id) groups.value = found
  }

  function choose(group: string, dueAt: string | null): void {
    chosen.value = new Map(chosen.value).set(group, dueAt)
  }

  function leaveOut(group: string): void {
    chosen.value = new Map([...chosen.value].filter(([id]) => id !== group))
  }

  /** Gives the assignment, as it is saved, to the groups that were chosen. @returns how many got it */
  async function give(): Promise<number> {
    if (!chosen.value.size) return 0
    const body = { groups: [...chosen.value].map(([group, dueAt]) => ({ group, dueAt })) }
    const { count } = await told(
      server.assignments[':assignment'].groups.$post({ param: { assignment: assignment.value }, json: body }),
    )
    chosen.value = new Map()
    await load(assignment.value)
    return count
  }

  return { groups, others, shared, chosen, everywhere, load, choose, leaveOut, give }
})
