/** Compiles the engine's inner loops to WebAssembly, as a module that every host can bundle. */
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ROOT } from './lib/paths.mjs'

const SOURCES = join(ROOT, 'packages/core/kernels')
const MODULE = join(ROOT, 'packages/core/src/kernels/binary.ts')

/** Makes `binary.ts` unless it was made of the same sources. @throws Error with what the compiler said */
export async function buildKernels() {
  const files = readdirSync(SOURCES).sort()
  const hash = createHash('sha256')
  for (const file of [...files.map((f) => join(SOURCES, f)), join(ROOT, 'package-lock.json')])
    hash.update(readFileSync(file))
  const head = `/** Made by scripts/kernels.mjs from packages/core/kernels. ${hash.digest('hex').slice(0, 16)} */\n`
  if (existsSync(MODULE) && readFileSync(MODULE, 'utf8').startsWith(head)) return
  const { default: asc } = await import('assemblyscript/asc')
  let binary = null
  const options = ['--enable', 'simd', '--runtime', 'stub', '--noAssert', '--initialMemory', '16']
  const { error, stderr } = await asc.main(
    ['index.ts', '--outFile', 'kernels.wasm', '-O3', '--converge', ...options],
    {
      readFile: (name) =>
        existsSync(join(SOURCES, name)) ? readFileSync(join(SOURCES, name), 'utf8') : null,
      writeFile: (name, contents) => void (name.endsWith('.wasm') && (binary = contents)),
      listFiles: () => files,
    },
  )
  if (error || !binary) throw new Error(`The kernels could not be compiled.\n${stderr.toString()}`)
  writeFileSync(MODULE, `${head}export const BINARY =\n  '${Buffer.from(binary).toString('base64')}'\n`)
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await buildKernels()
