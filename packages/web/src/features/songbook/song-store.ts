import type { FoundTempo } from '@rudlo/core/analysis'
import { mixForSong, plainMix, type Mix } from '@rudlo/core/mix'
import {
  downbeatOf,
  metersByBar,
  roleByName,
  sectionsAt,
  songOfStems,
  startsTogether,
  songTime,
  withMeters,
  withTiming,
  type MeterAtBar,
  type Role,
  type SongVersion,
  type Stem,
} from '@rudlo/core/song'
import { MeterMap, SAMPLE_RATE, type TempoChange } from '@rudlo/core/time'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { t } from '../../words/t'
import { Analyser } from './analyser'
import { songOfBundle, songOfNotes } from './many-songs'
import { trackNameOf } from './track-name'
import { inTimeOf, scoreOf } from './time-of-file'
import { upload } from './upload'

/** A file on its way in. */
export interface Incoming {
  readonly name: string
  readonly share: number
  readonly problem: string
  readonly stem: Stem | null
  readonly known: boolean
}

/** Files that are on their way or decoded at a time. */
const AT_ONCE = 2

const freshId = () => crypto.randomUUID()
/** The song that is being made or changed in the songbook. */
export const useSong = defineStore('song', () => {
  const song = shallowRef<SongVersion | null>(null)
  /** The song in the songbook; null while it is new. */
  const songId = ref<string | null>(null)
  const incoming = shallowRef<readonly Incoming[]>([])
  /** The mix that it begins with: levels, pans and moves that came along with notes; null where it begins flat. */
  const mix = shallowRef<Mix | null>(null)
  /** A title that the file has and nobody was asked about; empty where there is none. */
  const doubtfulTitle = ref('')
  const found = shallowRef<FoundTempo | null>(null)
  const listening = ref('')
  const problem = ref('')
  const saved = ref(true)
  let stopped = false
  let analyser: Analyser | null = null

  const time = computed(() => (song.value ? songTime(song.value) : null))
  const canRetime = computed(() => song.value !== null && startsTogether(song.value))
  const downbeat = computed(() => (song.value && canRetime.value ? downbeatOf(song.value) : 0))
  /** What is said of recordings of different lengths. */
  const lengths = computed(() => {
    const frames = canRetime.value ? song.value!.regions.map((r) => r.length) : []
    const [shortest, longest] = [Math.min(...frames), Math.max(...frames)]
    const apart = (longest - shortest) / SAMPLE_RATE
    return frames.length > 1 && apart > 0.05 ? t('song.lengths', { seconds: apart.toFixed(1) }) : ''
  })

  function open(document: SongVersion | null, id: string | null, beginsWith: Mix | null = null): void {
    song.value = document
    songId.value = id
    incoming.value = []
    mix.value = beginsWith
    doubtfulTitle.value = ''
    found.value = null
    problem.value = ''
    saved.value = true
  }

  function change(make: (song: SongVersion) => SongVersion): void {
    if (!song.value) return
    song.value = make(song.value)
    if (mix.value) mix.value = mixForSong(mix.value, song.value)
    saved.value = false
  }

  function act(what: () => Promise<void>): Promise<boolean> {
    problem.value = ''
    return attempt(what, (sentence) => (problem.value = sentence))
  }

  /** Brings recordings in, a few at a time, and makes a song of all that arrive. */
  async function bringIn(files: readonly File[], title: string): Promise<void> {
    stopped = false
    incoming.value = files.map((f) => ({ name: f.name, share: 0, problem: '', stem: null, known: false }))
    const set = (i: number, now: Partial<Incoming>) =>
      (incoming.value = incoming.value.map((x, k) => (k === i ? { ...x, ...now } : x)))
    const bring = async (file: File, i: number) => {
      try {
        const arrived = await upload(file, (share) => {
          set(i, { share })
          return !stopped
        })
        if (!arrived) return
        const name = trackNameOf(file.name)
        set(i, { share: 1, known: arrived.known, stem: { ...arrived, name, role: roleByName(name) } })
      } catch (error) {
        set(i, { share: 0, problem: (error as Error).message })
      }
    }
    const left = [...files.entries()]
    // one is on its way while another is decoded
    const bringOn = async () => {
      for (let next = left.shift(); next && !stopped; next = left.shift()) await bring(next[1], next[0])
    }
    await Promise.all(Array.from({ length: AT_ONCE }, bringOn))
    const stems = incoming.value.flatMap((x) => (x.stem ? [x.stem] : []))
    if (stopped || !stems.length) return
    if (song.value) addStems(stems)
    else {
      song.value = songOfStems(title, stems, freshId)
      saved.value = false
    }
  }

  function addStems(stems: readonly Stem[]): void {
    change((now) => {
      const more = songOfStems('', stems, freshId)
      const start = now.regions[0]?.start ?? 0
      const known = new Set(now.assets.map((a) => a.id))
      return {
        ...now,
        length: Math.max(now.length, more.length),
        tracks: [...now.tracks, ...more.tracks],
        regions: [...now.regions, ...more.regions.map((r) => ({ ...r, start }))],
        assets: [...now.assets, ...more.assets.filter((a) => !known.has(a.id))],
      }
    })
  }

  const stop = () => (stopped = true)

  /** Plays a file of notes on the project's instruments, or opens a bundle. */
  const bringWhole = (file: File, kind: 'notes' | 'bundle') =>
    act(async () => {
      listening.value = t(kind === 'notes' ? 'song.listening.notes' : 'song.listening.bundle')
      try {
        const made = kind === 'notes' ? await songOfNotes(file) : await songOfBundle(file, () => true)
        if (!made) return
        song.value = made.document
        mix.value = made.mix
        doubtfulTitle.value = made.doubtfulTitle
        saved.value = false
      } finally {
        listening.value = ''
      }
    })

  const setTitle = (title: string) => change((s) => ({ ...s, title }))
  /** Answers whether the song is called what its file says. */
  function answerTitle(isTaken: boolean): void {
    if (isTaken) setTitle(doubtfulTitle.value)
    doubtfulTitle.value = ''
  }
  /** What is heard of the song while it is made. */
  const heard = computed(() => mix.value ?? (song.value && plainMix(song.value)))
  const setTrack = (id: string, now: { name?: string; role?: Role }) =>
    change((s) => ({ ...s, tracks: s.tracks.map((t) => (t.id === id ? { ...t, ...now } : t)) }))
  const moveTrack = (from: number, to: number) =>
    change((s) => {
      const tracks = [...s.tracks]
      tracks.splice(to, 0, ...tracks.splice(from, 1))
      return { ...s, tracks }
    })
  const removeTrack = (id: string) =>
    change((s) => {
      const regions = s.regions.filter((r) => r.track !== id)
      const used = new Set(regions.map((r) => r.asset))
      return {
        ...s,
        tracks: s.tracks.filter((t) => t.id !== id),
        regions,
        assets: s.assets.filter((a) => used.has(a.id)),
      }
    })

  /** Reads the recordings by another tempo or first downbeat. */
  const setTiming = (now: { tempo?: readonly TempoChange[]; downbeat?: number }) =>
    change((s) =>
      withTiming(s, {
        tempo: now.tempo ?? s.tempo,
        meter: s.meter,
        downbeat: now.downbeat ?? downbeatOf(s),
      }),
    )

  /** Takes tempo, bars and sections over from a MIDI file or a score of the same piece. */
  const takeTime = (file: File) =>
    act(async () => {
      const score = await scoreOf(file)
      change((s) => inTimeOf(s, score, downbeatOf(s), freshId))
    })

  const meters = computed(() => (song.value ? metersByBar(song.value) : []))
  /** Sets the time signature from a bar on. */
  const setMeter = (now: MeterAtBar) => change((s) => withMeters(s, [...metersByBar(s), now]))
  const dropMeter = (bar: number) =>
    change((s) =>
      withMeters(
        s,
        metersByBar(s).filter((m) => m.bar === 1 || m.bar !== bar),
      ),
    )

  const bars = computed(() =>
    (song.value?.sections ?? []).map((s) => ({
      bar: new MeterMap(song.value!.meter).placeAt(s.tick).bar,
      name: s.name,
      letter: s.letter,
      id: s.id,
    })),
  )
  const setSections = (list: readonly { bar: number; name: string }[]) =>
    change((s) => ({ ...s, sections: sectionsAt(s, list, freshId) }))

  /** Makes a stretch of the song a section: what follows it stays the section that it was. @param from, to in ticks */
  function addSection(from: number, to: number): void {
    const meter = new MeterMap(song.value!.meter)
    const within = (tick: number) => meter.placeAt(Math.round(tick)).bar
    const first = within(from)
    const after = Math.max(first + 1, within(to - 1) + 1)
    const kept = bars.value.filter((b) => b.bar <= first || b.bar >= after)
    const cut = bars.value.findLast((b) => b.bar < after)
    const rest = kept.some((b) => b.bar === after) ? [] : [{ bar: after, name: cut?.name ?? '' }]
    setSections([...kept, ...(kept.some((b) => b.bar === first) ? [] : [{ bar: first, name: '' }]), ...rest])
  }

  /** Listens for a steady tempo. */
  const findTempo = () =>
    act(async () => {
      listening.value = t('song.listening.tempo')
      analyser ??= new Analyser()
      try {
        found.value = await analyser.tempo(song.value!)
        if (!found.value) problem.value = t('song.no-tempo')
      } finally {
        listening.value = ''
      }
    })

  /** Reads the song by the tempo and the time signature that were heard, or by another way to count them. */
  function takeFound(read: Pick<FoundTempo, 'bpm' | 'meter'> | null = found.value): void {
    if (!found.value || !read) return
    const { beats, unit } = read.meter
    setMeter({ bar: 1, beats, unit })
    setTiming({ tempo: [{ tick: 0, bpm: read.bpm, form: 'hold' }], downbeat: found.value.downbeat })
    found.value = null
  }

  const findSections = () =>
    act(async () => {
      listening.value = t('song.listening.sections')
      analyser ??= new Analyser()
      try {
        const names = new Map(bars.value.map((b) => [b.bar, b.name]))
        const list = await analyser.sections(song.value!)
        setSections(list.map((bar) => ({ bar, name: names.get(bar) ?? '' })))
      } finally {
        listening.value = ''
      }
    })

  /** Keeps the song; an assignment that was given keeps the version that it has. @returns the version, or null */
  async function keep(): Promise<string | null> {
    let version: string | null = null
    await act(async () => {
      const body = { document: song.value!, mix: mix.value }
      const kept = songId.value
        ? await told(server.songs[':song'].$put({ param: { song: songId.value }, json: body }))
        : await told(server.songs.$post({ json: body }))
      songId.value = kept.song
      version = kept.version
      saved.value = true
    })
    return version
  }

  function close(): void {
    stopped = true
    analyser?.close()
    analyser = null
  }

  return {
    song,
    songId,
    time,
    incoming,
    mix,
    heard,
    doubtfulTitle,
    answerTitle,
    found,
    listening,
    problem,
    saved,
    canRetime,
    downbeat,
    lengths,
    bars,
    open,
    bringIn,
    bringWhole,
    stop,
    setTitle,
    setTrack,
    moveTrack,
    removeTrack,
    setTiming,
    meters,
    setMeter,
    dropMeter,
    setSections,
    addSection,
    findTempo,
    takeFound,
    takeTime,
    findSections,
    keep,
    close,
  }
})
