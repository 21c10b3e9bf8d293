/** A worker for tests: it does what it is told, also what no worker should. */
import { expose } from 'comlink'

let begun = 0
const api = {
  begin: () => void begun++,
  add: (a: number, b: number) => a + b,
  times: () => begun,
  refuse: () => {
    throw new RangeError('That is too much.')
  },
  die: () =>
    new Promise<never>(() => {
      setTimeout(() => {
        throw new Error('dead')
      })
    }),
  sleep: () => new Promise<never>(() => undefined),
}
export type MoodyApi = typeof api
expose(api)
