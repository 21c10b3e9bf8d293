import { expect, it, vi } from 'vitest'
import { devicePort, devicesOf } from './midi-ports'

/** A port as the browser gives it, with a plug that can be pulled. */
class Port extends EventTarget {
  state = 'connected'
  readonly sent: number[][] = []

  constructor(
    readonly id: string,
    readonly name: string | null,
  ) {
    super()
  }

  open = async () => undefined
  send = (bytes: number[]) => void this.sent.push(bytes)

  feel(...bytes: number[]): void {
    this.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(bytes) }))
  }

  pull(): void {
    this.state = 'disconnected'
    this.dispatchEvent(new Event('statechange'))
  }
}

const access = (inputs: Port[], outputs: Port[]) => {
  const map = (ports: Port[]) => new Map(ports.map((p) => [p.id, p]))
  return { inputs: map(inputs), outputs: map(outputs) }
}

it('finds every input, with the output of its name for the motors', () => {
  const gone = new Port('3', 'Old box')
  gone.state = 'disconnected'
  const devices = devicesOf(
    access([new Port('1', 'Long box'), new Port('2', null), gone], [new Port('9', 'Long box')]),
  )
  expect(devices.map((d) => [d.name, d.output?.id ?? null])).toEqual([
    ['Long box', '9'],
    ['Unnamed control surface', null],
  ])
})

it('carries bytes both ways, and tells once when it is pulled out', () => {
  const [input, output] = [new Port('1', 'Long box'), new Port('9', 'Long box')]
  const port = devicePort(devicesOf(access([input], [output]))[0]!)
  const came: (readonly number[])[] = []
  const lost = vi.fn()
  port.listen((bytes) => came.push(bytes))
  port.onLost?.(lost)
  input.feel(0xb0, 7, 100)
  port.send([0xb0, 7, 99])
  port.send([])
  expect(came).toEqual([[0xb0, 7, 100]])
  expect(output.sent).toEqual([[0xb0, 7, 99]])
  input.pull()
  expect(lost).toHaveBeenCalledOnce()
  port.close()
  input.feel(0xb0, 7, 101)
  expect(came).toHaveLength(1)
})
