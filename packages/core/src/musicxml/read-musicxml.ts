import { words } from '@rudlo/words'
import { strFromU8, unzipSync } from 'fflate'
import { inOrder, partName, songTitle, type MidiPart, type MidiSong } from '../midi'
import { PartReader, type Timeline } from './part-reader'
import { childOf, childrenOf, numberOf, parseXml, textOf, type Element } from './xml'

export const MUSICXML_LIMITS = {
  bytes: 8 * 1024 * 1024,
  unpacked: 32 * 1024 * 1024,
  notes: 200_000,
  parts: 64,
} as const

/** Whether bytes are a score: packed, or as plain text. */
export function isMusicXml(bytes: Uint8Array): boolean {
  if (isZip(bytes)) return true
  return /^\s*<(\?xml|!DOCTYPE score-|score-partwise)/.test(
    strFromU8(bytes.subarray(0, 200)).replace(/^\uFEFF/, ''),
  )
}

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b

/** The document of a score: packed ones name it in a container (MusicXML 4.0, "Compressed .mxl files"). */
function documentOf(bytes: Uint8Array): string {
  if (!isZip(bytes)) return strFromU8(bytes).replace(/^\uFEFF/, '')
  let left: number = MUSICXML_LIMITS.unpacked
  const files = unzipSync(bytes, {
    filter: ({ name, originalSize }) => /\.(xml|musicxml)$/i.test(name) && (left -= originalSize) >= 0,
  })
  const container = files['META-INF/container.xml']
  const root = container && parseXml(strFromU8(container))
  const named = childOf(childOf(root ?? undefined, 'rootfiles'), 'rootfile')?.attributes['full-path']
  const name = named ?? Object.keys(files).find((n) => !n.startsWith('META-INF'))
  const file = name === undefined ? undefined : files[name]
  if (!file) throw new RangeError(words('score.none'))
  return strFromU8(file).replace(/^\uFEFF/, '')
}

/**
 * Reads a score in MusicXML, plain or packed, as music: parts with notes, tempo, time signatures, and rehearsal marks as
 * sections. Repeats are not unfolded.
 * @throws RangeError with one sentence for anything else, or for a damaged file
 */
export function readMusicXml(bytes: Uint8Array): MidiSong {
  if (bytes.length > MUSICXML_LIMITS.bytes) throw new RangeError(words('score.large'))
  if (!isMusicXml(bytes)) throw new RangeError(words('score.none'))
  let root: Element | null
  try {
    root = parseXml(documentOf(bytes))
  } catch (error) {
    throw error instanceof RangeError ? error : new RangeError(words('score.damaged'))
  }
  if (root?.name !== 'score-partwise') throw new RangeError(words('score.none'))
  const timeline: Timeline = { tempo: [], meter: [], marks: [] }
  const listed = new Map(
    childrenOf(childOf(root, 'part-list'), 'score-part').map((p) => [p.attributes['id'], p]),
  )
  let length = 0
  const parts = childrenOf(root, 'part')
    .slice(0, MUSICXML_LIMITS.parts)
    .flatMap((part): MidiPart[] => {
      const reader = new PartReader(timeline)
      for (const measure of childrenOf(part, 'measure')) reader.measure(measure)
      length = Math.max(length, reader.length)
      const about = listed.get(part.attributes['id'])
      return reader.notes.length
        ? [
            {
              ...instrumentOf(about),
              name: partName(textOf(about, 'part-name')),
              notes: reader.notes,
              bends: [],
              moves: {},
            },
          ]
        : []
    })
  if (!parts.length) throw new RangeError(words('score.silent'))
  if (parts.reduce((sum, p) => sum + p.notes.length, 0) > MUSICXML_LIMITS.notes)
    throw new RangeError(words('score.large'))
  const title = textOf(childOf(root, 'work'), 'work-title') || textOf(root, 'movement-title')
  return {
    title: songTitle(title),
    doubtfulTitle: '',
    length,
    tempo: inOrder(timeline.tempo, { tick: 0, bpm: 120, form: 'hold' }),
    meter: inOrder(timeline.meter, { tick: 0, beats: 4, unit: 4 }),
    markers: inOrder(timeline.marks, null),
    parts,
  }
}

/** MusicXML counts programs from 1; drums are on channel 10. */
function instrumentOf(about: Element | undefined): Pick<MidiPart, 'program' | 'drums'> {
  const midi = childOf(about, 'midi-instrument')
  const program = (numberOf(midi, 'midi-program') ?? 1) - 1
  return { program: Math.min(127, Math.max(0, program)), drums: numberOf(midi, 'midi-channel') === 10 }
}
