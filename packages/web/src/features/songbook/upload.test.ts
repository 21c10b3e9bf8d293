import { serveWith } from '../../../test/fake-server'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError, Unreachable } from '../../api/errors'
import { upload } from './upload'

const calls = vi.hoisted(() => ({ post: vi.fn(), bytes: vi.fn(), get: vi.fn(), remove: vi.fn() }))
serveWith({ ...calls })

const CHUNK = 10
const file = new File([new Uint8Array(25)], 'drums.wav')
const arrived = { asset: 'a', channels: 1, frames: 5, known: false }
/** Numbers of the pieces that were sent. */
const sent = () => calls.bytes.mock.calls.map(([path]) => Number(String(path).split('/').at(-1)))

beforeEach(() => {
  vi.useFakeTimers()
  for (const call of Object.values(calls)) call.mockReset()
  calls.post.mockImplementation(async (path: string) =>
    path.endsWith('/decode') ? arrived : { id: 'u', chunk: CHUNK },
  )
  calls.bytes.mockResolvedValue(undefined)
  calls.remove.mockResolvedValue(null)
})

afterEach(() => void vi.useRealTimers())

describe('an upload', () => {
  it('sends piece after piece, tells how far it is, and has it decoded', async () => {
    const shares: number[] = []
    expect(await upload(file, (share) => shares.push(share) > 0)).toEqual(arrived)
    expect(sent()).toEqual([0, 1, 2])
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    const lengths = calls.bytes.mock.calls.map(([, part]) => (part as ArrayBuffer).byteLength)
    expect(lengths).toEqual([10, 10, 5])
  })

  it('goes on where the server has it after a lost connection', async () => {
    calls.bytes.mockResolvedValueOnce(undefined).mockRejectedValueOnce(new Unreachable())
    // the piece whose answer was lost had arrived
    calls.get.mockResolvedValue({ chunks: 2 })
    const done = upload(file, () => true)
    await vi.advanceTimersByTimeAsync(3000)
    expect(await done).toEqual(arrived)
    expect(sent()).toEqual([0, 1, 2])
  })

  it('tries the same piece again where the server is still away', async () => {
    calls.bytes.mockRejectedValueOnce(new Unreachable())
    calls.get.mockRejectedValue(new Unreachable())
    const done = upload(file, () => true)
    await vi.advanceTimersByTimeAsync(3000)
    await done
    expect(sent()).toEqual([0, 0, 1, 2])
  })

  it('is given up, and the server forgets it', async () => {
    let pieces = 0
    expect(await upload(file, () => ++pieces < 2)).toBeNull()
    expect(calls.remove).toHaveBeenCalledWith('/api/uploads/u')
  })

  it('ends with the server’s sentence where it is refused', async () => {
    calls.bytes.mockRejectedValue(new ApiError(400, 'bad-input', 'This part does not belong to the file.'))
    await expect(upload(file, () => true)).rejects.toThrow('does not belong')
  })
})
