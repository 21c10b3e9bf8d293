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

async function songOfRecordings(
  name: string,
  files: readonly File[],
): Promise<Pick<BroughtSong, 'document' | 'mix'>> {
  const stems: Stem[] = []
  for (const file of files) {
    const arrived = await upload(file, () => true)
    if (!arrived) continue
    const track = trackNameOf(file.name)
    stems.push({ ...arrived, name: track, role: roleByName(track) })
  }
  return { document: songOfStems(name || t('song.new'), stems, freshId), mix: null }
}

async function make(song: SongFiles): Promise<Pick<BroughtSong, 'document' | 'mix'>> {
  if (song.kind === 'notes') return songOfNotes(song.file)
  if (song.kind === 'recordings') return songOfRecordings(song.name, song.files)
  const made = await songOfBundle(song.file, () => true)
  if (!made) throw new Error(t('ui.fault'))
  return made
}

/** Several songs that are brought in at once: each goes into the songbook by itself, and each is told. */
export const useManySongs = defineStore('many-songs', () => {
  const songs = shallowRef<readonly SongOnItsWay[]>([])
  const isBusy = computed(() => songs.value.some((s) => s.state === 'waiting' || s.state === 'working'))
  let stopped = false

  /** One after the other: the server plays or decodes each with all it has. */
  async function bringIn(list: readonly SongFiles[]): Promise<void> {
    stopped = false
    songs.value = list.map(({ name }) => ({
      name: name || t('song.new'),
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
        const { document, mix } = await make(files)
        const json: SongToKeep = { document, mix }
        const { version } = await told(server.songs.$post({ json }))
        set(i, { state: 'kept', title: document.title, version })
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
