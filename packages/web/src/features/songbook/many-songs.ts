import type { BroughtSong, SongToKeep } from '@rudlo/contract/songbook'
import { roleByName, songOfStems, type Stem } from '@rudlo/core/song'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { t } from '../../words/t'
import { trackNameOf } from './track-name'
import type { SongFiles } from './song-files'
import { arrive, upload } from './upload'

/** How far one of several songs is. */
export interface SongOnItsWay {
  readonly name: string
  readonly state: 'waiting' | 'working' | 'kept' | 'failed'
  /** What it is called in the songbook. */
  readonly title: string
  readonly version: string
  readonly problem: string
}

const freshId = () => crypto.randomUUID()

/** The song of one file of notes. @throws ApiError or Unreachable */
export const songOfNotes = (file: File): Promise<BroughtSong> =>
  told(server.notes.$post({ query: { name: file.name } }, { init: { body: file } }))

/** The song of a bundle. @returns null where it was given up @throws ApiError */
export async function songOfBundle(
  file: File,
  onProgress: (share: number) => boolean,
): Promise<BroughtSong | null> {
  const id = await arrive(file, onProgress)
  return id === null ? null : told(server.uploads[':upload'].bundle.$post({ param: { upload: id } }))
}

type Made = Pick<BroughtSong, 'document' | 'mix'> & { readonly problem?: string }

/** The song of those recordings that can be read, and what is wrong with the others. @throws the first problem where none can */
async function songOfRecordings(name: string, files: readonly File[]): Promise<Made> {
  const stems: Stem[] = []
  const problems: Error[] = []
  for (const file of files) {
    try {
      const arrived = (await upload(file, () => true))!
      const track = trackNameOf(file.name)
      stems.push({ ...arrived, name: track, role: roleByName(track) })
    } catch (error) {
      problems.push(error as Error)
    }
  }
  if (!stems.length) throw problems[0]!
  const problem = problems.map((p) => p.message).join(' ')
  return { document: songOfStems(name || t('song.new'), stems, freshId), mix: null, problem }
}

async function make(song: SongFiles): Promise<Made> {
  if (song.kind === 'notes') return songOfNotes(song.file)
  if (song.kind === 'recordings') return songOfRecordings(song.name, song.files)
  // nobody gives up here: it is there once it has arrived
  return (await songOfBundle(song.file, () => true))!
}

/** What a song is called while it is not one yet. */
const nameOf = (song: SongFiles): string =>
  song.name || (song.kind === 'recordings' ? song.files.map((f) => f.name).join(', ') : '')

/** Several songs that are brought in at once: each goes into the songbook by itself, and each is told. */
export const useManySongs = defineStore('many-songs', () => {
  const songs = shallowRef<readonly SongOnItsWay[]>([])
  const isBusy = computed(() => songs.value.some((s) => s.state === 'waiting' || s.state === 'working'))
  let stopped = false

  /** One after the other: the server plays or decodes each with all it has. */
  async function bringIn(list: readonly SongFiles[]): Promise<void> {
    stopped = false
    songs.value = list.map((song) => ({
      name: nameOf(song),
      state: 'waiting',
      title: '',
      version: '',
      problem: '',
    }))
    const set = (i: number, now: Partial<SongOnItsWay>) =>
      (songs.value = songs.value.map((s, k) => (k === i ? { ...s, ...now } : s)))
    for (const [i, files] of list.entries()) {
      if (stopped) break
      set(i, { state: 'working' })
      try {
        const { document, mix, problem = '' } = await make(files)
        const json: SongToKeep = { document, mix }
        const { version } = await told(server.songs.$post({ json }))
        set(i, { state: 'kept', title: document.title, version, problem })
      } catch (error) {
        set(i, { state: 'failed', problem: (error as Error).message })
      }
    }
    if (stopped) songs.value = songs.value.filter((s) => s.state !== 'waiting')
  }

  const stop = () => (stopped = true)
  const clear = () => (songs.value = [])
  return { songs, isBusy, bringIn, stop, clear }
})
