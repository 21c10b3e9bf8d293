import { shallowRef } from 'vue'
import { useSending } from './attempt'

/** What is wrong with each field, where something is. */
export type Faults<T> = Readonly<Partial<Record<keyof T & string, string>>>

/**
 * A form that is sent as a request. What is wrong with it is said beside its fields before it is sent, in the words of the very
 * class by which the server checks it; both are fetched when they are needed first.
 * @param type the class of the request
 * @param send gets what the form holds
 */
export function useForm<T extends object>(
  type: () => Promise<new () => T>,
  send: (request: T) => Promise<unknown>,
) {
  const { busy, problem, send: sending } = useSending()
  const faults = shallowRef<Faults<T> | null>(null)

  /** @param what the request, or what makes it @returns whether it arrived */
  async function submit(what: T | (() => Promise<T>)): Promise<boolean> {
    faults.value = null
    let isRight = true
    const arrived = await sending(async () => {
      const request = typeof what === 'function' ? await what() : what
      const { faultsIn } = await import('@rudlo/contract/validation')
      const found = await faultsIn(await type(), request)
      isRight = Object.keys(found).length === 0
      faults.value = found
      if (isRight) await send(request)
    })
    return arrived && isRight
  }

  /** What is wrong with a field; null where nothing is known to be. */
  const fault = (field: keyof T & string): string | null => faults.value?.[field] ?? null

  return { busy, problem, fault, submit }
}
