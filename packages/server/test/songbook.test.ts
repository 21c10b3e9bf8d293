import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { MixLoudnessMeter } from '@rudlo/core/assess'
import { writeWav } from '@rudlo/core/exchange'
import { plainMix, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assetId } from '../src/songbook/audio/asset-id'
import { decodeFlac } from '../src/songbook/audio/flac-decoder'
import { PIECE } from '../src/songbook/uploads'
import type { Client, Refused } from './client'
import { sendFile } from './send-file'
import { makeWorld, type World } from './world'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-test-'))
let world: World
let teacher: Client

beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
})
afterAll(async () => {
  await world.close()
  rmSync(folder, { recursive: true })
})

interface Decoded {
  readonly asset: string
  readonly channels: number
  readonly frames: number
  readonly known: boolean
}

const SECONDS = 3
const tone = (rate: number, pitch = 440) =>
  new Float32Array(rate * SECONDS).map((_, n) => 0.3 * Math.sin((2 * Math.PI * pitch * n) / rate))
const wav = (rate: number, channels: Float32Array[]) => Buffer.from(writeWav(rate, channels))

/** A WAV file made into another format by ffmpeg. */
function as(format: string, source: Buffer): Buffer {
  const [from, to] = [join(folder, 'from.wav'), join(folder, `to.${format}`)]
  writeFileSync(from, source)
  execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-i', from, to])
  return readFileSync(to)
}

async function bringIn(bytes: Buffer, name: string) {
  const begun = await sendFile(teacher, bytes, name)
  if (begun.status !== 200) return begun
  return teacher.post<Decoded & Refused>(`/api/uploads/${begun.body.id}/decode`)
}

describe('audio', () => {
  it.each(['wav', 'aiff', 'flac', 'mp3', 'ogg', 'm4a'])('comes in as %s', async (format) => {
    const { status, body } = await bringIn(
      as(format, wav(48_000, [tone(48_000), tone(48_000, 660)])),
      `a.${format}`,
    )
    expect([status, (body as Decoded).channels]).toEqual([200, 2])
    // encoders that lose something pad their ends
    expect(Math.abs((body as Decoded).frames - 44_100 * SECONDS)).toBeLessThan(5000)
  })

  it('is kept once, however it was packed, and one sound on both sides is mono', async () => {
    const source = wav(44_100, [tone(44_100), tone(44_100)])
    const first = (await bringIn(source, 'one.wav')).body as Decoded
    expect(first).toMatchObject({ channels: 1, frames: 44_100 * SECONDS })
    const second = (await bringIn(as('flac', source), 'two.flac')).body as Decoded
    expect(second).toMatchObject({ asset: first.asset, known: true })
  })

  it('goes on where a lost connection left it', async () => {
    const bytes = wav(
      44_100,
      Array.from({ length: 2 }, (_, c) =>
        new Float32Array(44_100 * 30).map((_, n) => ((n * (7919 + c)) % 1000) / 2000),
      ),
    )
    const { body } = await teacher.post<{ id: string }>('/api/uploads', {
      name: 'long.wav',
      bytes: bytes.length,
    })
    const send = (number: number, part = bytes.subarray(number * PIECE, (number + 1) * PIECE)) =>
      teacher.raw('POST', `/api/uploads/${body.id}/chunks/${number}`, {}, part)
    expect((await send(0)).status).toBe(204)
    expect((await send(0)).status).toBe(204)
    expect((await send(1, bytes.subarray(0, 10))).status).toBe(400)
    expect((await teacher.get(`/api/uploads/${body.id}`)).body).toEqual({ chunks: 1, bytes: PIECE })
    expect((await teacher.post<Refused>(`/api/uploads/${body.id}/decode`)).body.error.message).toMatch(
      /not arrived/,
    )
    expect((await send(1)).status).toBe(204)
    expect((await teacher.post(`/api/uploads/${body.id}/decode`)).status).toBe(200)
    expect((await teacher.get(`/api/uploads/${body.id}`)).status).toBe(404)
  })

  it('is refused with one sentence where it is none, is damaged, too large or empty', async () => {
    const sentence = async (bytes: Buffer, name: string) => {
      const { status, body } = await bringIn(bytes, name)
      expect(status).toBe(400)
      return (body as Refused).error.message
    }
    expect(await sentence(Buffer.from('Dear diary, today I sang.'), 'text.wav')).toMatch(/not an audio file/)
    expect(await sentence(Buffer.from('#EXTM3U\nfile:///etc/passwd\n'), 'list.mp3')).toMatch(
      /not an audio file/,
    )
    const flac = as('flac', wav(44_100, [tone(44_100)]))
    const broken = Buffer.from(flac)
    broken.fill(0x55, flac.length >> 1, (flac.length >> 1) + 4000)
    expect(await sentence(broken, 'broken.flac')).toMatch(/is damaged or cut off: \d/)
    const mp3 = as('mp3', wav(44_100, [tone(44_100)]))
    expect(await sentence(mp3.subarray(0, mp3.length / 2), 'cut.mp3')).toMatch(/damaged/)
    const large = await teacher.post<Refused>('/api/uploads', { name: 'huge.wav', bytes: 2 ** 31 })
    expect([large.status, large.body.error.message]).toEqual([
      413,
      expect.stringMatching(/2048 MB; the limit is 300 MB/),
    ])
    expect((await teacher.post('/api/uploads', { name: 'none.wav', bytes: 0 })).status).toBe(400)
    // nothing of it is left
    expect(await world.database.query('SELECT COUNT(*) AS n FROM assets WHERE frames = 0')).toEqual([
      { n: '0' },
    ])
  })
})

describe('notes', () => {
  const send = async (bytes: Uint8Array) => {
    const answer = await teacher.raw('POST', '/api/notes?name=Little%20tune.mid', {}, bytes)
    return { status: answer.status, body: (await answer.json()) as BroughtSong & Refused }
  }
  interface BroughtSong {
    readonly document: SongVersion
    readonly mix: Mix | null
  }
  const EVENTS = [
    ...[0, 0xc0, 73, 0, 0xb0, 7, 120, 0, 0xb0, 91, 0, 0, 0xb0, 74, 64],
    ...[0, 0x90, 72, 100, 0x83, 0x60, 0x80, 72, 0],
    ...[0, 0xb0, 7, 60, 0, 0xb0, 91, 90, 0, 0xb0, 74, 120, 0, 0x90, 74, 100, 0x83, 0x60, 0x80, 74, 0],
    ...[0, 0xff, 0x2f, 0],
  ]
  const file = Uint8Array.from([
    ...[0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0],
    ...[0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, EVENTS.length],
    ...EVENTS,
  ])

  it('become a song that is played here, with the lines that came along', async () => {
    const { status, body } = await send(file)
    expect(status).toBe(200)
    expect(body.document).toMatchObject({ title: 'Little tune', tracks: [{ name: 'Flute', role: 'lead' }] })
    // its notes are kept: it can be played in another tempo
    expect(body.document.tracks[0]!.part).toMatchObject({ player: 'flute' })
    expect(body.document.tracks[0]!.part!.notes.length).toBeGreaterThan(0)
    const track = body.document.tracks[0]!.id
    const mix = body.mix!
    expect(mix.returns.map((r) => [r.name, r.effects[0]!.kind])).toEqual([['Hall', 'reverb']])
    expect(mix.envelopes.map((e) => e.address)).toEqual([
      `track/${track}/level`,
      `effect/playing-${track}/brightness`,
      `send/${mix.tracks[0]!.sends[0]!.id}/level`,
    ])
    // whoever begins with the song as it is can set and move how it is played, too
    expect(plainMix(body.document).tracks[0]!.effects).toMatchObject([
      { kind: 'playing', params: { attack: 0 } },
    ])
    const kept = await teacher.post<{ song: string; version: string }>('/api/songs', {
      document: body.document,
      mix,
    })
    expect(kept.status).toBe(200)
    // the levels are there when it is opened again, and with its next version, which says nothing of them
    const opened = await teacher.get<{ mix: Mix | null }>(`/api/songs/${kept.body.version}`)
    expect(opened.body.mix).toEqual(mix)
    const { body: next } = await teacher.put<{ version: string }>(`/api/songs/${kept.body.song}`, {
      document: { ...body.document, title: 'Another title' },
    })
    expect(next.version).not.toBe(kept.body.version)
    expect((await teacher.get<{ mix: Mix | null }>(`/api/songs/${next.version}`)).body.mix).toEqual(mix)
    const { bytes } = await teacher.get(`/api/assets/${body.document.assets[0]!.id}`)
    expect(new TextDecoder().decode(bytes.subarray(0, 4))).toBe('fLaC')
    // it ends in silence: the last frame is a dozen bytes long, and there all the same
    const { id, frames } = body.document.assets[0]!
    expect(assetId(await decodeFlac(bytes, frames))).toBe(id)
  })

  it('are as loud as asked for, and leave room for what will be moved', async () => {
    const { body } = await send(file)
    const { bytes } = await teacher.get(`/api/assets/${body.document.assets[0]!.id}`)
    const channels = await decodeFlac(bytes, body.document.assets[0]!.frames)
    const audio = new Map([[body.document.assets[0]!.id, { channels, frames: channels[0]!.length }]])
    const meter = new MixLoudnessMeter(body.document, audio)
    for (const mix of [plainMix(body.document), body.mix!]) {
      const { integrated, truePeak } = meter.measure(mix)!
      expect(integrated).toBeGreaterThan(-22)
      expect(integrated).toBeLessThan(-18)
      expect(truePeak).toBeLessThan(-6)
    }
  })

  it('are refused where the mix is none of the song', async () => {
    const { body } = await send(file)
    const refused = await teacher.post<Refused>('/api/songs', {
      document: body.document,
      mix: { ...plainMix(body.document), tracks: [] },
    })
    expect(refused.status).toBe(400)
  })

  it('are refused with one sentence where they are none or damaged', async () => {
    expect(
      (await send(new TextEncoder().encode('Once upon a time there was nothing'))).body.error.message,
    ).toMatch(/not a MIDI file/)
    expect((await send(file.subarray(0, 30))).body.error.message).toMatch(/cut off/)
  })
})

describe('a song', () => {
  const song = (): SongVersion => ({ ...world.song, title: 'Of our own' })
  const keep = (document: object) =>
    teacher.post<{ song: string; version: string } & Refused>('/api/songs', { document })

  it('is kept, and changed into a next version; what was given keeps its own', async () => {
    const { body: made } = await keep(song())
    const changed = { ...song(), tempo: [{ tick: 0, bpm: 96, form: 'hold' as const }] }
    const { body: next } = await teacher.put<{ version: string }>(`/api/songs/${made.song}`, {
      document: changed,
    })
    expect(next.version).not.toBe(made.version)
    const same = await teacher.put<{ version: string }>(`/api/songs/${made.song}`, { document: changed })
    expect(same.body.version).toBe(next.version)
    const before = await teacher.get<{ document: SongVersion }>(`/api/songs/${made.version}`)
    expect(before.body.document.tempo[0]!.bpm).toBe(120)
    const list = await teacher.get<{ title: string; number: string }[]>('/api/songs')
    expect(list.body.find((s) => s.title === 'Of our own')).toMatchObject({ number: 2 })
  })

  it.each([
    [{ tempo: [{ tick: 0, bpm: 0, form: 'hold' }] }, /bpm/],
    [{ title: ' ' }, /title/],
    [{ tracks: [], regions: [] }, /at least one track/],
    [
      {
        tracks: Array.from({ length: 10_000 }, (_, i) => ({
          id: `t${i}`,
          name: '',
          role: 'lead',
          channels: 1,
        })),
      },
      /tracks/,
    ],
    [{ assets: [{ id: 'f'.repeat(64), channels: 1, frames: 10 }], regions: [] }, /upload it first/],
  ])('is refused with %j', async (change, sentence) => {
    const { status, body } = await keep({ ...song(), ...change })
    expect(status).toBe(400)
    expect(body.error.message).toMatch(sentence)
  })
})
