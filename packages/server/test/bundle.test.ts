import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { compileMix, render } from '@rudlo/core/engine'
import { packBundle, readWav, unpackBundle, type Bundle, type BundleParts } from '@rudlo/core/exchange'
import type { BroughtSong } from '@rudlo/contract/songbook'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bundle as bundleFile } from '../src/cli/bundle'
import { render as renderFile } from '../src/cli/render'
import { encodeFlac } from '../src/songbook/audio/flac-encoder'
import { decodeFlac } from '../src/songbook/audio/flac-decoder'
import type { Refused } from './client'
import { sendFile } from './send-file'
import { makeWorld, type World } from './world'

const command = fileURLToPath(new URL('../dist/rudlo.js', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'rudlo-bundle-'))
const at = (name: string) => join(folder, name)
let world: World
let work: string
let whole: Bundle

beforeAll(async () => {
  world = await makeWorld()
  const anna = await world.as('anna')
  work = (await anna.post<{ id: string }>(`/api/assignments/${world.assignment}/work`)).body.id
  expect(rudlo('bundle', work, '--out', at('work.zip')).status).toBe(0)
  whole = unpackBundle(readFileSync(at('work.zip'))) as Bundle
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await world.close()
})

/** Where the command finds the database. */
function environment(): NodeJS.ProcessEnv {
  const { host, port, username, password, database } = world.settings
  return {
    ...process.env,
    RUDLO_DB_HOST: host,
    RUDLO_DB_PORT: String(port),
    RUDLO_DB_USER: username,
    RUDLO_DB_PASSWORD: password,
    RUDLO_DB_NAME: database,
  }
}

const rudlo = (...args: string[]) =>
  spawnSync(process.execPath, [command, ...args], { encoding: 'utf8', env: environment() })

/** A bundle with something changed, as a file. */
function changed(name: string, by: Partial<BundleParts>): string {
  writeFileSync(at(name), packBundle({ ...whole, ...by } as Bundle))
  return at(name)
}

/** Sends a file and makes a song of it. */
async function bringIn(bytes: Uint8Array) {
  const teacher = await world.as('teacher')
  const { body } = await sendFile(teacher, bytes, 'song.rudlo.zip')
  return teacher.post<BroughtSong & Refused>(`/api/uploads/${body.id}/bundle`)
}

describe('bundle', () => {
  it('comes back in as it went out', async () => {
    const { status, body } = await bringIn(readFileSync(at('work.zip')))
    expect(status).toBe(200)
    const { song, mix } = unpackBundle(readFileSync(at('work.zip')))
    expect([body.document, body.mix]).toEqual([song, mix])
    const teacher = await world.as('teacher')
    const kept = await teacher.post('/api/songs', { document: body.document, mix: body.mix })
    expect(kept.status).toBe(200)
  })

  it('is refused with one sentence where it is none or was changed', async () => {
    expect((await bringIn(new Uint8Array(100))).body.error.message).toMatch(/zip/i)
    const [id] = whole.audio.keys()
    const other = await encodeFlac([new Int16Array(5000).map((_, n) => n % 90)])
    const swapped = packBundle({ ...whole, audio: new Map([...whole.audio, [id!, other]]) })
    const refused = await bringIn(swapped)
    expect([refused.status, refused.body.error.message]).toEqual([400, expect.stringMatching(/damaged/)])
  })

  it('holds the song, the mix and the audio of a work', () => {
    expect(whole.song).toEqual(world.song)
    expect(whole.mix).toEqual(world.mix)
    expect([...whole.audio.keys()].sort()).toEqual(world.song.assets.map((a) => a.id).sort())
  })

  it('is the same from the browser, for the work, the assignment and the hand-in', async () => {
    const anna = await world.as('anna')
    const teacher = await world.as('teacher')
    const file = await anna.get(`/api/works/${work}/bundle`)
    expect(file.headers.get('content-disposition')).toContain('A%20fade.rudlo.zip')
    expect(Buffer.compare(file.bytes, readFileSync(at('work.zip')))).toBe(0)
    const given = await teacher.get(`/api/assignments/${world.assignment}/bundle`)
    expect(unpackBundle(given.bytes).mix).toEqual(world.mix)
  })

  it('lists what there is, and refuses what is not there', async () => {
    const listed = await bundleFile([], environment())
    expect(listed).toContain(world.assignment)
    expect(listed).toContain(work)
    await expect(bundleFile(['nothing', '--out', at('x')], environment())).rejects.toThrow(
      /no work and no assignment "nothing"/,
    )
    await expect(bundleFile([work], environment())).rejects.toThrow(/--out FILE/)
  })
})

describe('render', () => {
  it('gives the samples of the engine, whole and by bars', async () => {
    const audio = new Map<string, { channels: Int16Array[]; frames: number }>()
    for (const { id, frames } of whole.song.assets)
      audio.set(id, { channels: await decodeFlac(whole.audio.get(id)!, frames), frames })
    const sound = render(compileMix(whole.song, whole.mix), audio)!
    expect(rudlo('render', at('work.zip'), '--out', at('mix.wav'), '--stems', at('stems')).status).toBe(0)
    const { rate, channels } = readWav(readFileSync(at('mix.wav')))
    expect(rate).toBe(44_100)
    expect(channels[0]).toHaveLength(sound.left.length)
    for (let n = 0; n < sound.left.length; n += 501)
      expect(Math.abs(channels[0]![n]! - sound.left[n]!)).toBeLessThan(1 / 16_000)
    expect(readdirSync(at('stems'))).toHaveLength(world.song.tracks.length)

    expect(rudlo('render', at('work.zip'), '--out', at('bar.wav'), '--from', '2', '--to', '2').status).toBe(0)
    const bar = readWav(readFileSync(at('bar.wav'))).channels[0]!
    expect(bar).toHaveLength(2 * 44_100)
    expect(Math.abs(bar[5000]! - sound.left[2 * 44_100 + 5000]!)).toBeLessThan(1 / 16_000)
  })

  it('refuses what is wrong with one sentence, and writes nothing', async () => {
    const [asset] = world.song.assets
    const flac = whole.audio.get(asset!.id)!
    const damaged = flac.slice()
    damaged.fill(0x55, damaged.length >> 1)
    const withEffect = (kind: string) => ({
      ...whole.mix,
      tracks: whole.mix.tracks.map((t) => ({ ...t, effects: [{ id: 'e', kind }] })),
    })
    const cases: [string[], RegExp][] = [
      [[], /which bundle/],
      [[at('none.zip'), '--out', at('no.wav')], /cannot be opened/],
      [[at('work.zip')], /--out FILE\.wav/],
      [[at('work.zip'), '--out', at('no.wav'), '--loud', 'yes'], /Unknown option '--loud'/],
      [[at('work.zip'), '--out', at('no.wav'), '--from', '0'], /--from must be a bar of the song, 1 to 2/],
      [[at('work.zip'), '--out', at('no.wav'), '--from', '2', '--to', '1'], /before --from/],
      [[at('mix.wav'), '--out', at('no.wav')], /not a zip file/],
      [
        [changed('a.zip', { audio: new Map([...whole.audio, [asset!.id, damaged]]) }), '--out', at('no.wav')],
        /audio .* is damaged/,
      ],
      [
        [
          changed('b.zip', { audio: new Map([...whole.audio, [asset!.id, flac.slice(0, 90)]]) }),
          '--out',
          at('no.wav'),
        ],
        /audio .* is damaged/,
      ],
      [
        [changed('c.zip', { mix: withEffect('vocoder') }), '--out', at('no.wav')],
        /mix in the bundle is not right/,
      ],
      [[changed('d.zip', { mix: { ...whole.mix, version: 9 } }), '--out', at('no.wav')], /newer Rudlo/],
      [[changed('e.zip', { song: { ...whole.song, version: 9 } }), '--out', at('no.wav')], /newer Rudlo/],
      [[at('work.zip'), '--out', at('no/such/folder.wav')], /cannot be written/],
    ]
    for (const [args, sentence] of cases) {
      const said = await renderFile(args).catch((error: unknown) => (error as Error).message)
      expect(said).toMatch(sentence)
      expect(said.split('\n')).toHaveLength(1)
    }
    const { status, stderr, stdout } = rudlo('render', at('none.zip'), '--out', at('no.wav'))
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toMatch(/^rudlo: .*cannot be opened.*\n$/)
    expect(readdirSync(folder).filter((name) => name.startsWith('no'))).toEqual([])
  })
})
