import { afterEach, describe, expect, it } from 'vitest'
import { EN } from './en'
import { lengthInWords, listText, numberText, shortNumber, signedText, speak } from '.'

afterEach(() => speak(EN, 'en-GB'))

describe('numbers', () => {
  it('have a true minus sign, and are never −0', () => {
    expect([numberText(-6, 1), numberText(-0.01, 1), signedText(2.5, 1), signedText(0, 1)]).toEqual([
      '−6.0',
      '0.0',
      '+2.5',
      '0.0',
    ])
    expect([numberText(12345.6, 0), signedText(-0.04, 1), signedText(0.04, 1)]).toEqual([
      '12346',
      '0.0',
      '0.0',
    ])
  })

  it('have no digits that say nothing where they are short', () => {
    expect([shortNumber(2, 1), shortNumber(2.25, 1), shortNumber(2.96, 1), shortNumber(-0.02, 1)]).toEqual([
      '2',
      '2.3',
      '3',
      '0',
    ])
  })

  it('are written as the person writes them', () => {
    speak(EN, 'de-DE')
    expect([numberText(-6.5, 1), signedText(1234.5, 1), shortNumber(0.5, 2)]).toEqual([
      '−6,5',
      '+1234,5',
      '0,5',
    ])
    expect(listText(['Reed', 'Pad', 'Kick'])).toBe('Reed, Pad und Kick')
    speak(EN, 'sv-SE')
    expect(numberText(-6.5, 1)).toBe('−6,5')
  })
})

it('lists read as people say them', () => {
  expect([listText(['a']), listText(['a', 'b']), listText(['a', 'b', 'c'])]).toEqual([
    'a',
    'a and b',
    'a, b and c',
  ])
})

it('lengths in music are told to the half', () => {
  expect([0.2, 0.5, 1, 1.4, 2, 8.52].map((n) => lengthInWords('bars', n))).toEqual([
    'less than half a bar',
    'half a bar',
    '1 bar',
    '1½ bars',
    '2 bars',
    '8½ bars',
  ])
})
