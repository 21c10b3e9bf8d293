import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { writeWav } from '@rudlo/core/exchange'
import { afterAll, describe, expect, it } from 'vitest'

const command = fileURLToPath(new URL('../dist/rudlo.js', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'rudlo-cli-'))
const file = (name: string, bytes: Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, bytes)
  return path
}
afterAll(() => rmSync(folder, { recursive: true }))

const tone = new Float32Array(96_000).map((_, n) => 0.1 * Math.sin((2 * Math.PI * 1000 * n) / 48_000))

interface Measured {
  integrated: number | null
  momentary: (number | null)[]
  shortTerm: number[]
  range: number
  truePeak: number | null
}
const measure = (path: string) =>
  JSON.parse(
    execFileSync(process.execPath, [command, 'measure', path, '--json'], { encoding: 'utf8' }),
  ) as Measured

describe('measure', () => {
  it('prints one object: mono as one channel, stereo 3 dB above it', () => {
    const mono = measure(file('mono.wav', writeWav(48_000, [tone])))
    const stereo = measure(file('stereo.wav', writeWav(48_000, [tone, tone])))
    expect(mono.integrated).toBeCloseTo(-23, 1)
    expect(stereo.integrated! - mono.integrated!).toBeCloseTo(3.01, 1)
    expect(stereo.momentary).toHaveLength(20)
    expect(stereo.shortTerm).toHaveLength(20)
    expect(stereo.truePeak).toBeCloseTo(-20, 1)
    expect(stereo.range).toBe(0)
  })

  it('says null for silence', () => {
    expect(measure(file('silence.wav', writeWav(44_100, [new Float32Array(44_100)])))).toMatchObject({
      integrated: null,
      truePeak: null,
    })
  })

  it.each([
    ['nothing', [], /Say which WAV file/],
    ['a file that is not there', [join(folder, 'none.wav')], /cannot be opened/],
    ['a text', [file('text.wav', new TextEncoder().encode('not a wav'))], /not a WAV file/],
  ])('refuses %s with one sentence', (_, args, sentence) => {
    const { status, stderr, stdout } = spawnSync(process.execPath, [command, 'measure', ...args], {
      encoding: 'utf8',
    })
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toMatch(sentence)
    expect(stderr.trim().split('\n')).toHaveLength(1)
  })
})
