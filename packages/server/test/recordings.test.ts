import { describe, expect, it } from 'vitest'
import { Recordings } from '../src/jobs/recordings'

const asset = (id: string, frames = 100) => ({ id, frames, channels: 1 as const })

/** Recordings of files that hold nothing but their own first byte; says how often each was decoded. */
function shelf(mostBytes: number) {
  const decoded: number[] = []
  const run = ({ bytes, frames }: { bytes: Uint8Array; frames: number }) => {
    decoded.push(bytes[0]!)
    return bytes[0] === 13
      ? Promise.reject(new RangeError('This audio is damaged.'))
      : Promise.resolve([new Int16Array(frames).fill(bytes[0]!)])
  }
  const files = new Map([1, 2, 3, 13].map((n) => [String(n), Uint8Array.of(n)]))
  const recordings = new Recordings((id) => Promise.resolve(files.get(id) ?? null), { run }, mostBytes)
  return { recordings, decoded }
}

describe('recordings for measuring', () => {
  it('are decoded once, also for two who ask at the same time', async () => {
    const { recordings, decoded } = shelf(10_000)
    const song = { assets: [asset('1'), asset('2')] }
    const [a, b] = await Promise.all([recordings.of(song), recordings.of(song)])
    expect(decoded).toEqual([1, 2])
    expect(a.get('1')).toBe(b.get('1'))
    expect(a.get('2')!.channels[0]![5]).toBe(2)
  })

  it('leave out what is missing, and try again what was damaged', async () => {
    const { recordings, decoded } = shelf(10_000)
    expect([...(await recordings.of({ assets: [asset('9'), asset('3')] })).keys()]).toEqual(['3'])
    for (let k = 0; k < 2; k++)
      await expect(recordings.of({ assets: [asset('13')] })).rejects.toThrow('damaged')
    expect(decoded).toEqual([3, 13, 13])
  })

  it('let go of what was not used for longest', async () => {
    const { recordings, decoded } = shelf(450)
    await recordings.of({ assets: [asset('1'), asset('2')] })
    await recordings.of({ assets: [asset('1')] })
    await recordings.of({ assets: [asset('3')] })
    await recordings.of({ assets: [asset('1'), asset('3')] })
    expect(decoded).toEqual([1, 2, 3])
    await recordings.of({ assets: [asset('2')] })
    expect(decoded).toEqual([1, 2, 3, 2])
  })

  it('take a song that is larger than what is kept', async () => {
    const { recordings } = shelf(10)
    const audio = await recordings.of({ assets: [asset('1'), asset('2'), asset('3')] })
    expect(audio.size).toBe(3)
  })
})
