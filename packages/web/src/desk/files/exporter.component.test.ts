import { compileMix, render } from '@rudlo/core/engine'
import { readWav, writeWav } from '@rudlo/core/exchange'
import { addEffect, addReturn, addSend, plainMix, withSetting } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { proxy } from 'comlink'
import { strFromU8, unzipSync } from 'fflate'
import { describe, expect, it, vi } from 'vitest'
import { shortSong } from '../../../test/short-song'
import { WorkerHost } from '../../engine/worker-host'
import type { ExportApi } from './export.worker'
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

  it('is the same to the last bit where a second worker plays the first tracks of it ahead', async () => {
    const frames = SECONDS * SAMPLE_RATE
    const ids = ['reed', 'harp', 'tide'] as const
    const song: SongVersion = {
      ...shortSong,
      tracks: ids.map((id) => ({ id, name: id, role: 'chords', channels: 1 })),
      assets: ids.map((id) => ({ id, channels: 1, frames })),
      regions: ids.map((id) => ({
        id: `take-${id}`,
        track: id,
        asset: id,
        start: 0,
        offset: 0,
        length: frames,
      })),
    }
    const audio = ids.map((id, i) => {
      const samples = new Int16Array(new SharedArrayBuffer(2 * frames))
      for (let n = 0; n < frames; n++) samples[n] = ((n * (7919 + i)) % 20_011) - 10_000
      return [id, { channels: [samples], frames }] as const
    })
    let echoing = addReturn(plainMix(song), 'Echo', 'delay', { back: 'echo', effect: 'delay' })
    for (const id of ids) {
      echoing = addSend(addEffect(echoing, id, 'delay', `${id}-delay`), id, 'echo', `${id}-echo`)
      echoing = withSetting(echoing, `send/${id}-echo/level`, -6)
    }
    const host = new WorkerHost<ExportApi>(
      () => new Worker(new URL('./export.worker.ts', import.meta.url), { type: 'module' }),
    )
    const task = { what: 'mixdown', song, mix: echoing, audio } as const
    const file = await host.ask((remote) =>
      remote.make(
        task,
        proxy(() => undefined),
      ),
    )
    host.close()
    const { left, right } = render(compileMix(song, echoing), new Map(audio), { tail: true })!
    expect(left.length).toBeGreaterThan(frames + SAMPLE_RATE)
    const expected = writeWav(SAMPLE_RATE, [left, right])
    expect(file.length).toBe(expected.length)
    expect(file.findIndex((byte, i) => byte !== expected[i])).toBe(-1)
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
