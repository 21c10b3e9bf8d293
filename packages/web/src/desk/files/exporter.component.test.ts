import { readWav } from '@rudlo/core/exchange'
import { plainMix } from '@rudlo/core/mix'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { strFromU8, unzipSync } from 'fflate'
import { describe, expect, it, vi } from 'vitest'
import { shortSong } from '../../../test/short-song'
import { saveFile, startExport } from './exporter'

/** Four bars of four at 120: eight seconds. */
const SECONDS = 8
const mix = plainMix(shortSong)

describe('a mix as a file', () => {
  it('is rendered by a worker, as long as the song, and says how far it is', async () => {
    const shares: number[] = []
    const file = await startExport({ what: 'mixdown', song: shortSong, mix }, (s) => shares.push(s)).done
    const { rate, channels } = readWav(file)
    expect(rate).toBe(SAMPLE_RATE)
    expect(channels).toHaveLength(2)
    expect(channels[0]!.length).toBeGreaterThanOrEqual(SECONDS * SAMPLE_RATE)
    await expect.poll(() => shares.length).toBeGreaterThan(0)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
  })

  it('has every track by itself in a zip, by its name', async () => {
    const file = await startExport({ what: 'stems', song: shortSong, mix }, () => undefined).done
    const [[name, bytes], ...more] = Object.entries(unzipSync(file)) as [[string, Uint8Array]]
    expect(more).toEqual([])
    expect(name).toMatch(/Reed.*\.wav$/)
    expect(strFromU8(bytes.subarray(0, 4))).toBe('RIFF')
  })

  it('that is stopped never comes, and that cannot be made says why', async () => {
    const came = vi.fn()
    const stopped = startExport({ what: 'mixdown', song: shortSong, mix }, () => undefined)
    void stopped.done.then(came, came)
    stopped.stop()
    const missing = { id: 'f'.repeat(64), frames: 10, channels: 1 as const }
    const silent = { ...shortSong, assets: [missing] }
    const broken = startExport({ what: 'mixdown', song: silent, mix }, () => undefined)
    await expect(broken.done).rejects.toThrow()
    expect(came).not.toHaveBeenCalled()
  })

  it('is handed to the browser under its name', () => {
    const saved: string[] = []
    const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
      this: HTMLAnchorElement,
    ) {
      saved.push(this.download, this.protocol)
    })
    saveFile('The ferry.wav', 'audio/wav', new Uint8Array(4))
    click.mockRestore()
    expect(saved).toEqual(['The ferry.wav', 'blob:'])
  })
})
