/** Music that nobody of this project has made: every file comes in, becomes an assignment, and is rendered. */
import { readFileSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import type { BroughtSong, Decoded, SongView } from '@rudlo/contract/songbook'
import { findTempo, outlineOf, proposeSections } from '@rudlo/core/analysis'
import { MixLoudnessMeter } from '@rudlo/core/assess'
import type { AudioStore } from '@rudlo/core/engine'
import { plainMix, type Mix } from '@rudlo/core/mix'
import { songOfStems, songTime, type SongVersion } from '@rudlo/core/song'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { decodeFlac } from '../src/songbook/audio/flac-decoder'
import type { Client } from '../test/client'
import { sendFile } from '../test/send-file'
import { BRIEF, makeWorld, type World } from '../test/world'
import { midiFiles, oggFiles } from './pieces'

let world: World
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
})
afterAll(() => world.close())

/** The recordings of a song, as the server sends them. */
async function soundOf(song: SongVersion): Promise<AudioStore> {
  const sounds = await Promise.all(
    song.assets.map(async ({ id, frames }) => {
      const { bytes } = await teacher.get(`/api/assets/${id}`)
      return [id, { channels: await decodeFlac(bytes, frames), frames }] as const
    }),
  )
  return new Map(sounds)
}

/** Keeps a song, opens it again, and gives an assignment with it out. @returns the mix that the assignment begins with */
async function giveOut(document: SongVersion, mix: Mix | null): Promise<Mix> {
  const kept = await teacher.post<{ version: string }>('/api/songs', { document, mix })
  expect(kept.status).toBe(200)
  const opened = await teacher.get<SongView>(`/api/songs/${kept.body.version}`)
  const startingMix = opened.body.mix ?? plainMix(opened.body.document)
  const task = BRIEF.tasks[0]!
  const made = await teacher.post<{ id: string }>('/api/assignments', {
    group: world.group,
    songVersion: kept.body.version,
    startingMix,
    title: document.title,
    // a task that looks at nothing: it fits every song
    brief: {
      ...BRIEF,
      open: [],
      tasks: [{ ...task, id: randomUUID(), lanes: [], checks: [], hints: [], from: 0, to: document.length }],
    },
    modelHeard: 'never',
    opensAt: null,
    dueAt: null,
    handInLimit: null,
  })
  expect([made.status, made.body]).toEqual([200, { id: made.body.id }])
  const given = await teacher.get<{ startingMix: Mix }>(`/api/assignments/${made.body.id}`)
  return given.body.startingMix
}

const NOBODY = /^(track|spår|midi|untitled|channel|staff|part)[\s_.#-]*(ch\.?)?\s*\d*$/i

/** Bars of the longest section. */
const longestOf = (bars: readonly number[], count: number): number =>
  Math.max(...bars.map((bar, i) => (bars[i + 1] ?? count) - bar))

/** Whether the tempo of a piece that keeps it was found within one percent, or a plain octave of it offered. */
const isFound = new Map<string, boolean>()

/** The tempo that a piece keeps from beginning to end; null for one that changes it. */
function keptTempo({ tempo }: SongVersion): number | null {
  const { bpm } = tempo[0]!
  return tempo.every((change) => Math.abs(change.bpm / bpm - 1) < 0.01) ? bpm : null
}

function hears(audio: AudioStore, bpm: number): boolean {
  const found = findTempo([...audio.values()].map((sound) => outlineOf(sound.channels)))
  if (!found) return false
  const isNear = (one: number, other: number) => Math.abs(one / other - 1) < 0.01
  const octaves = found.also.map((a) => a.bpm).filter((b) => [0.5, 2].some((r) => isNear(b, found.bpm * r)))
  return [found.bpm, ...octaves].some((b) => isNear(b, bpm))
}

describe.each(midiFiles())('notes: $name', ({ name, file }) => {
  it('comes in balanced, keeps its levels, and leaves room', async () => {
    const answer = await teacher.raw('POST', `/api/notes?name=${name}`, {}, readFileSync(file))
    expect(answer.status).toBe(200)
    const { document, mix } = (await answer.json()) as BroughtSong
    for (const track of document.tracks) expect(track.name).not.toMatch(NOBODY)
    expect(document.title).not.toMatch(/copyright|\(c\)|^track \d/i)
    const startingMix = await giveOut(document, mix)
    if (mix) expect(startingMix.tracks.map((t) => t.level)).toEqual(mix.tracks.map((t) => t.level))
    const audio = await soundOf(document)
    const tempo = keptTempo(document)
    if (tempo) isFound.set(name, hears(audio, tempo))
    const meter = new MixLoudnessMeter(document, audio)
    const plain = meter.measure(plainMix(document))!
    expect(plain.integrated).toBeGreaterThanOrEqual(-22)
    expect(plain.integrated).toBeLessThanOrEqual(-18)
    expect(plain.truePeak).toBeLessThanOrEqual(-6)
    expect(meter.measure(startingMix)!.truePeak).toBeLessThanOrEqual(-1)
  })
})

describe('the tempo of pieces that keep it', () => {
  it('is found within one percent, or its octave is offered, nine times in ten', () => {
    const missed = [...isFound].filter(([, is]) => !is).map(([name]) => name)
    expect(isFound.size).toBeGreaterThan(20)
    expect(missed.length / isFound.size, missed.join(', ')).toBeLessThanOrEqual(0.1)
  })
})

describe.each(oggFiles())('recording: $name', ({ name, file }) => {
  it('comes in, is looked at, becomes an assignment, and is rendered', async () => {
    const { body } = await sendFile(teacher, readFileSync(file), name)
    const decoded = await teacher.post<Decoded>(`/api/uploads/${body.id}/decode`)
    expect(decoded.status).toBe(200)
    const song = songOfStems(name, [{ ...decoded.body, name: 'Everything', role: 'lead' }], randomUUID)
    const audio = await soundOf(song)
    const outline = outlineOf(audio.get(decoded.body.asset)!.channels)
    const found = findTempo([outline])
    if (found) expect(found.bpm).toBeGreaterThan(30)
    const { meter, tempo } = songTime(song)
    const count = meter.placeAt(song.length - 1).bar
    const bars = Array.from({ length: count + 1 }, (_, i) => tempo.secondsAt(meter.barStart(i + 1)))
    const sections = proposeSections([outline], bars)
    const { integrated, truePeak } = new MixLoudnessMeter(song, audio).measure(await giveOut(song, null))!
    // there is a piece of silence among them
    if (integrated === null) return
    expect(integrated).toBeGreaterThan(-60)
    expect(truePeak).toBeLessThan(6)
    if (count > 8) expect(longestOf(sections, count)).toBeLessThanOrEqual(Math.ceil(count / 3) + 2)
  })
})
