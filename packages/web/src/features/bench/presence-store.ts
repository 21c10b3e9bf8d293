import { defineStore } from 'pinia'
import { onScopeDispose, ref, watch } from 'vue'
import { server, told } from '../../api/client'

const BEAT_MS = 5000

/** What a bench tells the teacher: which task is open, whether something is being done, and whether help is wanted. */
export const usePresence = defineStore('presence', () => {
  /** Whether help is wanted. */
  const help = ref(false)
  /** Whether the own line may be shown to the class, without a name. */
  const shows = ref(false)
  let acted = false

  /**
   * Tells the teacher from time to time, until the bench is gone.
   * @param place the assignment and the task that is open; null while there is none
   * @param act changes with everything that is done
   */
  function tell(place: () => { assignment: string; task: string } | null, act: () => unknown): void {
    const say = () => {
      const here = place()
      if (!here) return
      const body = { task: here.task, acted, help: help.value, shows: shows.value }
      acted = false
      // a lesson goes on without it
      void told(
        server.assignments[':assignment'].presence.$put({
          param: { assignment: here.assignment },
          json: body,
        }),
      ).catch(() => null)
    }
    watch(act, () => (acted = true))
    watch([help, shows, () => place()?.task, () => place()?.assignment], say, { immediate: true })
    const timer = setInterval(say, BEAT_MS)
    onScopeDispose(() => clearInterval(timer))
  }

  return { help, shows, tell }
})
