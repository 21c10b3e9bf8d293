import { describe, expect, it } from 'vitest'
import { decodeText } from './decode-text'

const bytes = (...values: number[]) => Uint8Array.from(values).buffer

describe('decodeText', () => {
  it('reads what spreadsheets write', () => {
    expect(decodeText(new TextEncoder().encode('Inès').buffer)).toBe('Inès')
    expect(decodeText(bytes(0x49, 0x6e, 0xe8, 0x73))).toBe('Inès')
    expect(decodeText(bytes(0xff, 0xfe, 0x49, 0, 0xe8, 0))).toBe('Iè')
    expect(decodeText(bytes(0xfe, 0xff, 0, 0x49))).toBe('I')
  })

  it('knows what is no text', () => {
    expect(() => decodeText(bytes(0x50, 0x4b, 3, 4, 0, 0))).toThrow('not a text file')
  })
})
