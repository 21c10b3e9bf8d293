import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../scripts/lib/whole.mjs'
import { mistakeCases, song, start } from '../../core/test/drawn/mistakes'
import { wholeLines } from '../../core/test/judging/whole-lines'
import { CHECK_KINDS, judge, startValues } from '@rudlo/core/checks'
import { evidenceOf, say, type Saying } from '@rudlo/core/evidence'
import { mistakesOf } from '@rudlo/core/mistakes'
import { movesOfMix, sayMeasurement, sayMove } from '@rudlo/core/assess'
import { sayChanges, type Version } from '@rudlo/core/compare'
import { point } from '@rudlo/core/envelope'
import { resolve, withPoints, type Mix } from '@rudlo/core/mix'
import { counted, hasWords } from '@rudlo/words'
import { EN } from '../../words/src/en'
import { UNHEARD } from '../../words/src/en/unheard'
import { Sayer } from '.'

const REED = 'track/reed/level'
const at = (bar: number, beat = 1) => (bar - 1) * 3840 + (beat - 1) * 960
const sayer = (mix: Mix = start) => new Sayer({ song, mix, start })
const said = (key: string, parts: Saying['parts']) => sayer().say(say(key, parts))

/** What no sentence may have in it. */
const BROKEN =
  /[{}|]|undefined|null|NaN|Infinity|\b1 (points|bars|beats|steps)\b|−0(\.0+)?(?![.\d])|to-hall|hall-reverb|\.\.| {2}| ,/
const whole = (sentence: string, about: string) => {
  expect(sentence, about).toMatch(/^[A-Z0-9“].*[.”]$/)
  expect(sentence, about).not.toMatch(BROKEN)
}

describe('why something is not heard', () => {
  it('is said of mutes, faders, sends and lines', () => {
    const name = { lane: REED }
    expect(said('unheard.muted-by-line', { name, at: { at: at(2) } })).toBe('At bar 2 a line mutes Reed.')
    expect(said('unheard.level', { name, value: { value: -90, of: REED } })).toBe(
      'The fader of Reed is at silence.',
    )
    expect(said('unheard.solo', { names: { lanes: [REED, 'track/pad/level'] } })).toMatch(
      /^Solo is on: only Reed and \S+ can be heard\.$/,
    )
    for (const key of Object.keys(UNHEARD)) {
      const parts = {
        name,
        names: name,
        value: { value: -60, of: REED },
        level: { amount: -60, unit: 'dB' },
      } as const
      whole(said(key, { ...parts, at: { at: at(2) } }), key)
    }
  })
})

describe('a sentence', () => {
  it('is whole for every check of every kind, on lines of all sorts', () => {
    const lines = wholeLines(WHOLE ? 60 : 24, 'open').filter(
      (l) => l.lane === REED && l.points.length <= 5000,
    )
    for (const [i, line] of lines.entries()) {
      const mix = withPoints(start, REED, line.points.slice(0, 5000), () => 'line')
      const evidence = evidenceOf(song, start, mix)
      for (const kind of CHECK_KINDS) {
        const from = at(1 + ((i * 3) % 20))
        const values = startValues(kind, { song, mix, lane: REED, from, to: from + at(5) })
        const finding = judge(evidence, { id: 'c', kind: kind.kind, values })
        whole(sayer(mix).finding(finding), `${kind.kind} ${finding.says.key}`)
        for (const figure of finding.figures) {
          const { name, value, wanted } = sayer(mix).figure(figure)
          expect(`${name} ${value} ${wanted}`, finding.says.key).not.toMatch(BROKEN)
          expect(hasWords(`figure.${figure.name}`), figure.name).toBe(true)
        }
      }
    }
  })

  it('is whole for every mistake, and its repair has a name', () => {
    const seen = new Set<string>()
    for (const { mix, made, kind, ...more } of mistakeCases(6)) {
      if (!made) continue
      for (const mistake of mistakesOf(evidenceOf(song, start, mix, more), [kind])) {
        whole(sayer(mix).say(mistake.says), mistake.says.key)
        const label = mistake.repair?.().label
        if (label) expect(sayer(mix).say(label)).not.toMatch(BROKEN)
        seen.add(mistake.kind)
      }
    }
    expect(seen.size).toBeGreaterThanOrEqual(15)
  })

  it('is whole for every move, for what was measured and for what changed', () => {
    const lines = wholeLines(WHOLE ? 120 : 48, 'open').filter(
      (l) => resolve(start, l.lane) && l.points.length <= 5000,
    )
    const measured = {
      integrated: -18.34,
      truePeak: -0.4,
      range: 3,
      momentary: [],
      points: {},
      version: 1 as const,
    }
    let before: Version = { mix: start, measured: { ...measured, moves: [] } }
    for (const line of lines) {
      const mix = withPoints(start, line.lane, line.points, () => 'line')
      const after = { mix, measured: { ...measured, moves: movesOfMix(song, mix) } }
      const s = new Sayer({ song, mix, start: before.mix })
      for (const saying of [...sayMeasurement(mix, after.measured), ...sayChanges(song, before, after)])
        whole(s.say(saying), saying.key)
      before = after
    }
  })

  it('says a move as a teacher would', () => {
    const moved = (lane: string, ...points: [number, number][]) => {
      const mix = withPoints(
        start,
        lane,
        points.map(([t, v]) => point(t, v)),
        () => 'line',
      )
      return movesOfMix(song, mix).flatMap((m) => sayer(mix).all(sayMove(mix, m)))
    }
    expect(moved(REED, [at(1), -90], [at(5), -6])).toEqual([
      'Reed fades in from silence over 4 bars, from bar 1 on, evenly.',
    ])
    expect(moved(REED, [at(8), -3], [at(9), -9], [at(17), -9], [at(18), -3])).toEqual([
      'Reed goes down by 6 dB, is there at bar 9 and starts back at bar 17.',
    ])
    expect(moved('track/reed/pan', [at(9), -0.8], [at(11), 0.5])).toEqual([
      'Reed’s pan goes from 80 % left to 50 % right over 2 bars, from bar 9 on, evenly.',
    ])
  })

  it('says one where there is one', () => {
    const points = (n: number) =>
      said('mistake.off-grid.says', { name: { lane: REED }, count: { count: n }, at: { at: at(3) } })
    expect(points(1)).toMatch(/one point of Reed is/)
    expect(points(3)).toMatch(/3 points of Reed are/)
  })

  it('that an earlier version kept as prose is said as it was', () => {
    expect(said('prose', { text: { prose: 'Reed is fine.' } })).toBe('Reed is fine.')
  })
})

describe('parts', () => {
  const part = (p: Parameters<Sayer['part']>[0]) => sayer().part(p)

  it.each([
    [{ at: at(5) }, 'bar 5'],
    [{ at: at(5, 3) }, 'bar 5, beat 3'],
    [{ at: at(9) - 20 }, 'bar 9'],
    [{ at: song.length }, 'the end of the song'],
    [{ span: [at(2), at(9)] as const }, 'bars 2 to 8'],
    [{ span: [at(5) - 12, at(6)] as const }, 'bar 5'],
    [{ span: [at(31), song.length] as const }, 'bars 31 to 32'],
    [{ lane: REED }, 'Reed'],
    [{ lane: 'track/reed/pan' }, 'Reed’s pan'],
    [{ lane: 'send/to-hall/level' }, 'Reed’s send to Hall'],
    [{ lane: 'main/level' }, 'the main volume'],
    [{ lanes: [REED, 'track/pad/level'] }, 'Reed and Pad'],
    [{ value: -90, of: REED }, 'silence'],
    [{ value: -6, of: REED }, '−6 dB'],
    [{ value: 0.5, of: 'track/reed/pan' }, '50 % right'],
    [{ value: 0, of: 'track/reed/pan' }, 'the middle'],
    [{ amount: 2.5, unit: 'beats' as const }, '2½ beats'],
    [{ amount: 1, unit: 'bars' as const }, '1 bar'],
    [{ amount: 0.5, unit: 'bars' as const }, 'half a bar'],
    [{ amount: -0.04, unit: 'dB' as const }, '0 dB'],
    [{ late: 1.1 }, '1 beat late'],
    [{ late: -7.5 }, '7½ beats early'],
    [{ late: 0 }, 'on time'],
  ])('%j are said as "%s"', (p, text) => {
    expect(part(p)).toBe(text)
  })

  it('of places are bars of the song, wherever they are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: song.length }),
        fc.integer({ min: 0, max: song.length }),
        (a, b) => {
          expect(part({ at: a })).toMatch(/^(bar \d+(, beat [2-4])?|the end of the song)$/)
          expect(part({ span: [Math.min(a, b), Math.max(a, b)] })).toMatch(/^bars? \d+( to \d+)?$/)
        },
      ),
    )
  })
})

describe('the catalog', () => {
  const core = ['checks', 'mistakes', 'assess', 'compare'].flatMap((folder) =>
    sources(join(import.meta.dirname, '../../core/src', folder)),
  )
  const text = core.join('\n')

  it('has words for every key that is written out in the core', () => {
    const keys = [...text.matchAll(/say\(\s*'([a-z0-9.-]+)'/g)].map((m) => m[1]!)
    expect(keys.length).toBeGreaterThan(40)
    expect(keys.filter((key) => !hasWords(key))).toEqual([])
  })

  it('has no sentence that nothing says', () => {
    const unsaid = Object.keys(EN).filter((key) => {
      if (!/^(check|mistake)\./.test(key)) return false
      const [, topic, word = ''] = key.split('.')
      if (word === 'name') return false
      const [first, ...rest] = word.split('-')
      // keys are written out, or put together of a topic and a word
      return (
        !text.includes(`'${key}'`) &&
        !(
          text.includes(topic!.replace(/-(in|out|dip|lift)$/, '')) &&
          (text.includes(word) || (text.includes(first!) && rest.every((r) => text.includes(r))))
        )
      )
    })
    expect(unsaid).toEqual([])
  })
})

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? sources(join(folder, entry.name))
      : entry.name.endsWith('.test.ts')
        ? []
        : [readFileSync(join(folder, entry.name), 'utf8')],
  )
}

it('counts one of something as one', () => {
  expect([0, 1, 2].map((n) => counted(n, 'points'))).toEqual(['0 points', '1 point', '2 points'])
  expect([0, 1, 2].map((n) => counted(n, 'remarks'))).toEqual(['0 remarks', '1 remark', '2 remarks'])
})
