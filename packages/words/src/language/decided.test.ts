import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { FINDINGS, ROOMS } from '../en/behind'
import { DOOR } from '../en/door'
import { pseudoOf } from './pseudo'

const root = join(import.meta.dirname, '../../../..')
const ALL: Readonly<Record<string, string>> = { ...DOOR, ...ROOMS, ...FINDINGS }

/** The words that are out, by the name that replaced them. */
const decided = readFileSync(join(root, 'docs/words.md'), 'utf8')
  .split('\n')
  .filter((line) => /^\| (?!One name)[a-z]/.test(line))
  .map((line) => line.split('|').map((cell) => cell.trim()))
  .map(([, name, , out]) => ({ name: name!, out: out!.split(';').map((word) => word.trim()) }))

/** What a sentence says, without what is filled in. */
const spoken = (text: string) => text.replaceAll(/\{[^}]*\}/g, ' ')

function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* sources(path)
    else if (/\.(ts|vue)$/.test(entry.name)) yield readFileSync(join(root, path), 'utf8')
  }
}

describe('words that were decided', () => {
  it('are listed', () => {
    expect(decided.length).toBeGreaterThan(15)
    expect(decided.every(({ name, out }) => name && out.every(Boolean))).toBe(true)
  })

  it.each(decided)('"$name" is said, and never what it replaced', ({ out }) => {
    const old = new RegExp(`(?<![\\w-])(${out.join('|')})(?![\\w-])`, 'i')
    const found = Object.entries(ALL).filter(([, text]) => old.test(spoken(text)))
    expect(found).toEqual([])
  })
})

describe('a key', () => {
  it('is used somewhere: words that nobody reads are taken out', () => {
    const code = [...sources('packages/web/src')].join('\n')
    const whole = new Set([...code.matchAll(/['"]([\w.-]+)['"]/g)].map(([, key]) => key!))
    const parts = [...code.matchAll(/`([\w.-]*\.)\$\{[^`]*?\}([\w.-]*)`/g)]
    const used = (key: string) =>
      whole.has(key) || parts.some(([, start, end]) => key.startsWith(start!) && key.endsWith(end!))
    expect(Object.keys({ ...DOOR, ...ROOMS }).filter((key) => !used(key))).toEqual([])
  })

  it('stands in one room alone: a second one would take its words away', () => {
    const keys = [
      ...sources('packages/words/src/en/rooms'),
      ...sources('packages/words/src/en/door'),
    ].flatMap((file) => [...file.matchAll(/^ {2}'([\w. -]+)':/gm)].map(([, key]) => key!))
    expect(keys.length).toBeGreaterThan(1000)
    expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([])
  })

  it('is not one of a room and one of the computation at once', () => {
    expect(Object.keys(FINDINGS).filter((key) => key in ROOMS || key in DOOR)).toEqual([])
  })

  it('has words: whole ones, each form filled from the same places', () => {
    const rooms = Object.entries({ ...DOOR, ...ROOMS })
    expect(rooms.filter(([, text]) => !text.trim() || / {2}/.test(text))).toEqual([])
    const braces = rooms.filter(
      ([, text]) => (text.match(/\{/g) ?? []).length !== (text.match(/\}/g) ?? []).length,
    )
    expect(braces).toEqual([])
  })

  it('that counts has a form for one and one for several, and never says "1 things"', () => {
    const counted = Object.entries({ ...DOOR, ...ROOMS }).filter(([, text]) => /\{n\} [a-z]+s\b/.test(text))
    expect(counted.length).toBeGreaterThan(10)
    expect(counted.filter(([, text]) => !text.includes(' | '))).toEqual([])
  })
})

describe('what the computation, the contract and the server say', () => {
  const code = ['core', 'sentences', 'contract', 'server', 'web', 'words']
    .flatMap((name) => [...sources(`packages/${name}/src`)])
    .join('\n')

  it('has words for every key that is asked for', () => {
    const asked = [...code.matchAll(/(?<![.\w])words\(\s*'([\w-]+\.[\w.-]+)'/g)].map(([, key]) => key!)
    expect(asked.length).toBeGreaterThan(300)
    expect(asked.filter((key) => !(key in FINDINGS))).toEqual([])
  })

  it('is said somewhere: refusals, names, tasks and values that nobody asks for are taken out', () => {
    const whole = new Set([...code.matchAll(/'([\w.-]+)'(?!:)/g)].map(([, key]) => key!))
    const parts = [...code.matchAll(/`([\w.-]*)\$\{[^`]*?\}([\w.-]*)`/g)]
    // what findings say is looked after where sentences are made
    const shared = /^(check|mistake|move|figure|word|unheard|measured|changed?|compare|wanted)\./
    const used = (key: string) =>
      whole.has(key) ||
      whole.has(key.split('.').at(-1)!) ||
      parts.some(
        ([, start, end]) => (start! + end!).length > 2 && key.startsWith(start!) && key.endsWith(end!),
      )
    expect(Object.keys(FINDINGS).filter((key) => !shared.test(key) && !used(key))).toEqual([])
  })
})

describe('the pseudo-language', () => {
  it('has everything that English has, longer, with the same places to fill and the same forms', () => {
    const strange = pseudoOf(ALL)
    expect(Object.keys(strange)).toEqual(Object.keys(ALL))
    for (const [key, text] of Object.entries(ALL)) {
      const there = strange[key]!
      expect(there.length, key).toBeGreaterThan(text.length)
      expect(there.match(/\{[^}]*\}/g), key).toEqual(text.match(/\{[^}]*\}/g))
      expect(there.split(' | ').length, key).toBe(text.split(' | ').length)
      expect(spoken(there).replaceAll(/@:[\w.]+/g, ''), key).not.toMatch(/[a-z]{3}/)
    }
  })
})
