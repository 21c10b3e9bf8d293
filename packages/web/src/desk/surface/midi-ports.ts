import type { SurfacePort } from './surface-port'
import { t } from '../../words/t'

/** A port that sends, as far as it is used here: Web MIDI's is one. */
export interface Input extends EventTarget {
  readonly id: string
  readonly name: string | null
  readonly state: string
  open(): Promise<unknown>
}
/** A port that motors listen to. */
export interface Output {
  readonly id: string
  readonly name: string | null
  readonly state: string
  send(bytes: number[]): void
}
interface Ports {
  readonly inputs: { values(): Iterable<Input> }
  readonly outputs: { values(): Iterable<Output> }
}

/** A control surface that the browser sees: what comes in, and what goes out to its motors where it has some. */
export interface Device {
  readonly id: string
  readonly name: string
  readonly input: Input
  readonly output: Output | null
}

/** Whether this browser offers MIDI at all. */
export const offersMidi = () => typeof navigator.requestMIDIAccess === 'function'

/** Asks the browser for its MIDI ports. @throws DOMException where the person or the browser says no */
export const askForMidi = () => navigator.requestMIDIAccess({ sysex: false })

/** Everything that can send, with the output of the same name for its motors. */
export function devicesOf(access: Ports): Device[] {
  const outputs = [...access.outputs.values()]
  return [...access.inputs.values()]
    .filter((input) => input.state === 'connected')
    .map((input) => {
      const name = input.name || t('surface.no-name')
      return { id: input.id, name, input, output: outputs.find((o) => o.name === input.name) ?? null }
    })
}

/** A device as a port. It says when it was pulled out. */
export function devicePort({ input, output }: Device): SurfacePort {
  let lost: () => void = () => undefined
  let take: (bytes: readonly number[]) => void = () => undefined
  const came = (event: Event) => 'data' in event && event.data instanceof Uint8Array && take([...event.data])
  const watchState = () => input.state === 'disconnected' && lost()
  input.addEventListener('statechange', watchState)
  return {
    send: (bytes) => {
      if (bytes.length && output?.state === 'connected') output.send([...bytes])
    },
    listen: (ear) => {
      take = ear
      input.addEventListener('midimessage', came)
      // one that somebody else has is told of when it is pulled out
      void input.open().catch(() => null)
    },
    onLost: (tell) => (lost = tell),
    close: () => {
      input.removeEventListener('statechange', watchState)
      input.removeEventListener('midimessage', came)
    },
  }
}
