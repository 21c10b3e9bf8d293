import { ref } from 'vue'

/**
 * Does what may fail.
 * @param tell gets the sentence on why it failed
 * @returns whether it was done
 */
export async function attempt(
  what: () => Promise<unknown>,
  tell: (sentence: string) => void,
): Promise<boolean> {
  try {
    await what()
    return true
  } catch (error) {
    tell((error as Error).message)
    return false
  }
}

/** The state of something that is sent: whether it is on its way, and why it was refused. */
export function useSending() {
  const busy = ref(false)
  const problem = ref('')

  /** @returns whether it arrived */
  async function send(what: () => Promise<unknown>): Promise<boolean> {
    problem.value = ''
    busy.value = true
    const done = await attempt(what, (sentence) => (problem.value = sentence))
    busy.value = false
    return done
  }

  return { busy, problem, send }
}
