import { readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Where Debian's packages put their music. */
const MIDI = '/usr/share/games/openttd/baseset/openmsx'
const OGG = '/usr/share/games/wesnoth/1.16/data/core/music'

const filesIn = (folder: string, ending: string) =>
  readdirSync(folder)
    .filter((name) => name.endsWith(ending))
    .sort()
    .map((name) => ({ name, file: join(folder, name) }))

export const midiFiles = () => filesIn(MIDI, '.mid')
export const oggFiles = () => filesIn(OGG, '.ogg')
