/** What somebody drops: files, and the folder that each lies in. */
export interface DroppedFile {
  readonly file: File
  /** Empty for one that was dropped by itself. */
  readonly folder: string
}

/** A song that files make together. */
export type SongFiles =
  | { readonly kind: 'notes'; readonly name: string; readonly file: File }
  | { readonly kind: 'bundle'; readonly name: string; readonly file: File }
  | { readonly kind: 'recordings'; readonly name: string; readonly files: readonly File[] }

const NOTES = /\.(midi?|musicxml|mxl|xml)$/i
const BUNDLE = /\.zip$/i

/**
 * Which songs files make: each MIDI file, score and bundle is one of its own, and so are the recordings of each folder; those that
 * lie in none belong together.
 */
export function songsIn(dropped: readonly DroppedFile[]): SongFiles[] {
  const seen = dropped.filter(({ file }) => !file.name.startsWith('.'))
  const single = seen.flatMap(({ file }): SongFiles[] => {
    if (NOTES.test(file.name)) return [{ kind: 'notes', name: file.name, file }]
    return BUNDLE.test(file.name) ? [{ kind: 'bundle', name: file.name, file }] : []
  })
  const folders = new Map<string, File[]>()
  for (const { file, folder } of seen)
    if (!NOTES.test(file.name) && !BUNDLE.test(file.name))
      folders.set(folder, [...(folders.get(folder) ?? []), file])
  const recorded = [...folders].map(([folder, files]): SongFiles => ({
    kind: 'recordings',
    name: folder,
    files: files.sort((a, b) => a.name.localeCompare(b.name)),
  }))
  return [...single, ...recorded]
}
