import { suggestRemarks, type BankRemark } from '@rudlo/core/remarks'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'

/** The teacher's own remarks, kept to be used again. */
export const useBank = defineStore('bank', () => {
  const remarks = shallowRef<readonly BankRemark[]>([])
  const loaded = ref(false)

  async function load(): Promise<void> {
    if (loaded.value) return
    remarks.value = await told(server.bank.$get())
    loaded.value = true
  }

  async function add(text: string, mistake: string | null = null): Promise<void> {
    const made = await told(server.bank.$post({ json: { text, mistake } }))
    remarks.value = [...remarks.value, made]
  }

  async function addUsual(): Promise<void> {
    remarks.value = await told(server.bank.usual.$post())
  }

  async function change({ id, mistake }: BankRemark, text: string): Promise<void> {
    const made = await told(server.bank[':bank'].$put({ param: { bank: id }, json: { text, mistake } }))
    remarks.value = remarks.value.map((r) => (r.id === id ? made : r))
  }

  async function drop(id: string): Promise<void> {
    await told(server.bank[':bank'].$delete({ param: { bank: id } }))
    remarks.value = remarks.value.filter((r) => r.id !== id)
  }

  /** What fits the mistakes that were found, and the words that are searched for. */
  const suggested = (mistakes: readonly string[], search: string) =>
    suggestRemarks(remarks.value, mistakes, search)

  return { remarks, loaded, load, add, addUsual, change, drop, suggested }
})
