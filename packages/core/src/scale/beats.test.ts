import { expect, it } from 'vitest'
import { beats, times } from './beats'

it('lengths in beats are read and written as fractions', () => {
  expect([0.25, 0.255, 1, 2, 1.5, 7, 0.21].map((n) => beats.format(n))).toEqual([
    '1/4 beat',
    '1/4 beat',
    '1 beat',
    '2 beats',
    '3/2 beats',
    '7 beats',
    '0.21 beats',
  ])
  expect(['1/4', '1/4 beat', '0,5', '.5', '2 beats', '3/2'].map((text) => beats.parse(text))).toEqual([
    0.25, 0.25, 0.5, 0.5, 2, 1.5,
  ])
  expect(['', 'soon', '1/0', '0', '-1'].map((text) => beats.parse(text))).toEqual([
    null,
    null,
    null,
    null,
    null,
  ])
  expect([
    times.format(4),
    times.format(2.5),
    times.parse('4 ×'),
    times.parse('2,5x'),
    times.parse('often'),
  ]).toEqual(['4 ×', '2.5 ×', 4, 2.5, null])
})
