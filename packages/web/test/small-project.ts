/** Pieces of code that are compiled as those of the application are. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { wrongTypes } from '../../../scripts/types.mjs'

const WEB = join(import.meta.dirname, '..')

/**
 * What the compiler says of files that lie beside each other, two folders below the package: one program looks at all of them.
 * @param files by their names; components as well
 * @returns one line for each fault, with its file, line and column
 */
export async function wrongTypesOf(files: Readonly<Record<string, string>>): Promise<string[]> {
  const folder = mkdtempSync(join(WEB, '.checked-'))
  try {
    mkdirSync(join(folder, 'src'))
    const vue = Object.keys(files).some((name) => name.endsWith('.vue')) ? { vueCompilerOptions: {} } : {}
    const config = { extends: '../tsconfig.json', include: ['src'], ...vue }
    writeFileSync(join(folder, 'tsconfig.json'), JSON.stringify(config))
    for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, 'src', name), text)
    return await wrongTypes(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
