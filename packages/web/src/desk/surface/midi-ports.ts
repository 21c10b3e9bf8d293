import type { SurfacePort } from './surface-port'

/** A control surface that the browser sees: what comes in, and what goes out to its motors where it has some. */
export interface Device {
  readonly id: string
  readonly name: string
  readonly input: MIDIInput
  readonly output: MIDIOutput | null
}

/** Whether this browser offers MIDI at all. */
export const offersMidi = () => typeof navigator.requestMIDIAccess === 'function'

/** Asks the browser for its MIDI ports. @throws DOMException where the person or the browser says no */
export const askForMidi = () => navigator.requestMIDIAccess({ sysex: false })

/** Everything that can send, with the output of the same name for its motors. */
export function devicesOf(access: MIDIAccess): Device[] {
  const outputs = [...access.outputs.values()]
  return [...access.inputs.values()]
    .filter((input) => input.state === 'connected')
    .map((input) => {
      const name = input.name || 'Surface without a name'
      return { id: input.id, name, input, output: outputs.find((o) => o.name === input.name) ?? null }
    })
}

/** A device as a port. It says when it was pulled out. */
export function devicePort({ input, output }: Device): SurfacePort {
  let lost: () => void = () => undefined
  const watchState = () => input.state === 'disconnected' && lost()
  input.addEventListener('statechange', watchState)
  return {
    send: (bytes) => {
      if (bytes.length && output?.state === 'connected') output.send([...bytes])
    },
    listen: (take) => {
      input.onmidimessage = ({ data }) => data && take([...data])
    },
    onLost: (tell) => (lost = tell),
    close: () => {
      input.removeEventListener('statechange', watchState)
      input.onmidimessage = null
    },
  }
}
