import type { TermView } from '@rudlo/contract/term'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../../api/client'
import { rowsOf, type Order } from './order'

/** A class over a term, as it is looked at. */
export const useTerm = defineStore('term', () => {
  const term = shallowRef<TermView | null>(null)
  const problem = ref('')
  const order = ref<Order>('help')
  /** Students that something is to be done for. */
  const chosen = ref<readonly string[]>([])
  /** What was done, in one sentence. */
  const notice = ref<string | null>(null)
  const rows = computed(() => (term.value ? rowsOf(term.value, order.value) : []))

  let wanted = ''

  async function open(group: string): Promise<void> {
    problem.value = ''
    wanted = group
    if (term.value?.group.id !== group) {
      term.value = null
      chosen.value = []
    }
    try {
      const found = await told(server.groups[':group'].term.$get({ param: { group } }))
      // another class was opened meanwhile
      if (wanted === group) term.value = found
    } catch (error) {
      if (wanted === group) problem.value = (error as Error).message
    }
  }

  /** Chooses a student, or not any more. */
  function choose(student: string, on: boolean): void {
    chosen.value = on ? [...chosen.value, student] : chosen.value.filter((c) => c !== student)
  }

  const nameOf = (student: string) => term.value?.students.find((s) => s.id === student)?.name ?? ''

  return { term, problem, order, chosen, notice, rows, open, choose, nameOf }
})
