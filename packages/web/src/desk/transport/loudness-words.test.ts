import { describe, expect, it } from 'vitest'
import { loudnessInWords, roomInWords, songInWords } from './loudness-words'

describe('loudness in words', () => {
  it('rises with the loudness and never turns back', () => {
    const words = Array.from({ length: 80 }, (_, i) => loudnessInWords(i - 80))
    const order = ['silence', 'very soft', 'soft', 'medium', 'loud', 'very loud']
    const places = words.map((w) => order.indexOf(w))
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(new Set(places).size).toBe(order.length)
    expect(loudnessInWords(-Infinity)).toBe('silence')
  })

  it('says how a song stands beside others', () => {
    expect(songInWords(-16.4)).toBe('about as loud as most songs')
    expect(songInWords(-22)).toBe('6 LU softer than most songs')
    expect(songInWords(-9)).toBe('7 LU louder than most songs')
    expect(songInWords(null)).toBe('silence')
  })

  it('says what room is left, and what to do where there is none', () => {
    expect(roomInWords(-3.24)).toBe('3.2 dB of room above the highest peak')
    expect(roomInWords(-0.4)).toMatch(/just fits/)
    expect(roomInWords(1.5)).toBe('too loud: the tops are cut off; turn it down by 2.5 dB')
    expect(roomInWords(null)).toBe('nothing to hear')
  })
})
