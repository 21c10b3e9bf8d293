/** Values that a fuzzer sends: mostly what is wanted, often a little off, sometimes hostile. */

/** A generator of numbers from 0 to 1, the same for the same seed (mulberry32). */
export function randomFrom(seed) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const TEXTS = [
  '',
  ' ',
  'a',
  'Long fade',
  "Robert'); DROP TABLE people;--",
  '<script>alert(1)</script>',
  '\u0000\u0001\u001f',
  '\ud800',
  '🎻'.repeat(200),
  'ẞ ﬁ İ ı \u202e \u200b',
  '%s%n%x ${7*7} {{7*7}}',
  '../../etc/passwd',
  'x'.repeat(5000),
  'NaN',
  '-0',
  '1e999',
  'null',
]
const ODD = [null, true, false, 0, -1, 1.5, 1e308, -1e308, 4e9, 2 ** 53, '', [], {}, [[]], [null], { a: 1 }]
const TIMES = [
  '2026-11-28T12:00:00Z',
  '2026-02-30',
  '2026-W53-7',
  '+275760-09-13T00:00:00Z',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59Z',
  'yesterday',
]

/**
 * @param {() => number} random
 * @param {Record<string, unknown[]>} documents real documents by the name of their property
 * @param {Record<string, string[]>} ids real ids by kind
 */
export function values(random, documents, ids) {
  const below = (n) => Math.floor(random() * n)
  const one = (list) => list[below(list.length)]
  const often = (share) => random() < share
  /** What is changed in a document later must not change here. */
  const odd = () => structuredClone(one(ODD))
  const anyId = () =>
    one(
      Object.values(ids)
        .filter((l) => l.length)
        .map(one),
    ) ?? 'x'

  /** A value for a property by what is checked of it. */
  function forProperty({ name, rules }) {
    const limits = (rule) => rules.find((r) => r.rule === rule)?.limits
    if (limits('isOptional') && often(0.2)) return often(0.5) ? null : undefined
    if (often(0.06)) return odd()
    if (documents[name]?.length && (limits('isObject') || limits('isArray')))
      return mutated(one(documents[name]))
    if (limits('areCommands')) return commands()
    if (limits('isIn')) return often(0.9) ? one(limits('isIn')[0]) : one(TEXTS)
    if (limits('isBoolean')) return often(0.5)
    if (limits('isInt')) {
      const [least] = limits('min') ?? [0]
      const [most] = limits('max') ?? [10]
      return one([least, most, least - 1, most + 1, least + below(20), least + below(20), least + below(20)])
    }
    if (limits('isIso8601') || limits('isMoment')) return one(TIMES)
    if (limits('isArray')) {
      const [most] = limits('arrayMaxSize') ?? [10]
      if (often(0.02)) return Array.from({ length: most + 1 + below(50_000) }, () => odd())
      return Array.from({ length: below(4) }, () => (often(0.7) ? anyId() : odd()))
    }
    if (limits('matches')?.[0].startsWith('^[A-Za-z0-9_-]')) return often(0.85) ? anyId() : one(TEXTS)
    const [, longest] = limits('isLength') ?? []
    const [most = longest ?? 40] = limits('maxLength') ?? []
    return one([
      ...TEXTS,
      'x'.repeat(Math.min(most, 100_000)),
      'é'.repeat(Math.min(most + 1, 100_000)),
      `name.${below(1e6)}`,
    ])
  }

  function commands() {
    const command = () => ({
      label: one(TEXTS).slice(0, 200) || 'Drew',
      lanes: ['track/reed/level'],
      from: below(5000),
      to: below(9000),
      how: one(['hand', 'hold', 'meet', 'magic']),
      at: one(TIMES),
    })
    if (often(0.01))
      return Array.from({ length: one([500, 501, 60_000]) }, () => (often(0.5) ? {} : command()))
    return Array.from({ length: below(3) }, command)
  }

  /** A document with something changed in it. */
  function mutated(document) {
    if (often(0.35)) return document
    const copy = structuredClone(document)
    for (let n = 1 + below(3); n > 0; n--) {
      let at = copy
      for (let depth = below(6); depth > 0; depth--) {
        const inside = Object.values(at).filter((v) => typeof v === 'object' && v !== null)
        if (!inside.length) break
        at = one(inside)
      }
      const keys = Object.keys(at)
      if (Array.isArray(at)) {
        if (often(0.02)) at.push(...Array.from({ length: 30_000 }, () => at[0] ?? null))
        else if (often(0.5)) at.splice(below(at.length + 1), 1, odd())
        else at.splice(below(at.length + 1), 0, ...at.slice(0, 2))
      } else if (keys.length && often(0.8)) {
        const key = one(keys)
        if (often(0.3)) delete at[key]
        else at[key] = often(0.5) ? odd() : one(TEXTS)
      } else at[one(TEXTS)] = odd()
    }
    return copy
  }

  /** A patch of a work: small ones, and such as ask for a lot. */
  function patch(document) {
    const places = [
      '/mix/envelopes/0/points/0/value',
      '/mix/envelopes/0/points',
      '/mix/tracks/0/level',
      '/notes/0',
      '/mix',
      '',
      '/mix/motifs/-',
      '/__proto__/x',
      '/mix/envelopes/0/points/-',
    ]
    if (often(0.004)) {
      const many = one([
        () => Array.from({ length: 50_000 }, () => ({ op: 'copy', from: '/mix', path: '/notes/0' })),
        () =>
          Array.from({ length: 50_000 }, () => ({
            op: 'move',
            from: '/mix/tracks/0',
            path: '/mix/tracks/0',
          })),
        () => Array.from({ length: 26 }, () => ({ op: 'copy', from: '/notes', path: '/notes/-' })),
        () => Array.from({ length: 20_000 }, () => ({ op: 'add', path: '/notes/0', value: 1 })),
        () =>
          Array.from({ length: 20_000 }, (_, i) => ({
            op: 'replace',
            path: `/mix/envelopes/${i % 128}/points/0/value`,
            value: i,
          })),
        () => [
          {
            op: 'add',
            path: '/notes/0',
            value: { id: 'n', tick: 0, text: 'x'.repeat(2_000_000), done: false },
          },
        ],
        () => [{ op: 'replace', path: '/mix', value: wide() }],
      ])
      return many()
    }
    return Array.from({ length: below(4) }, () => ({
      op: one(['add', 'replace', 'remove', 'copy', 'move', 'test', 'nonsense']),
      path: one(places),
      from: one(places),
      value: often(0.3) && document ? document.mix : odd(),
    }))
  }

  /** A mix at the edge of what one can be. */
  function wide() {
    const points = Array.from({ length: 150 }, (_, i) => ({
      tick: i * 10,
      value: -6,
      form: 'straight',
      bend: 0,
    }))
    return {
      format: 'rudlo-mix',
      version: 1,
      envelopes: Array.from({ length: 128 }, (_, i) => ({
        id: `e${i}`,
        address: 'x',
        on: true,
        open: true,
        points,
      })),
    }
  }

  return { below, one, often, anyId, forProperty, patch, mutated, texts: TEXTS }
}
