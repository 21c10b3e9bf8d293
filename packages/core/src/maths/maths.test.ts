import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cosPi, exp, expm1, gainOfDb, dbOfGain, log, log10, log1p, pow, sinPi, tanPi } from '.'

/** Largest relative difference that a claim of the kernels allows, on top of the host's own half unit. */
const close = (mine: number, host: number, relative: number) =>
  Math.abs(mine - host) <= relative * Math.abs(host) + Number.MIN_VALUE

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('exponential and logarithm', () => {
  it('agree with the host to the last bits', () => {
    fc.assert(fc.property(number(-700, 700), (x) => close(exp(x), Math.exp(x), 6e-16)))
    fc.assert(
      fc.property(
        number(1e-300, 1e300),
        (x) => close(log(x), Math.log(x), 6e-16) || Math.abs(log(x)) < 1e-15,
      ),
    )
    fc.assert(
      fc.property(
        number(1e-6, 1e6),
        (x) => close(log10(x), Math.log10(x), 2e-15) || Math.abs(log10(x)) < 1e-15,
      ),
    )
  })

  it('lose nothing near zero', () => {
    fc.assert(fc.property(number(-1e-3, 1e-3), (x) => close(expm1(x), Math.expm1(x), 4e-15)))
    fc.assert(fc.property(number(-1e-3, 1e-3), (x) => close(log1p(x), Math.log1p(x), 3e-15)))
    expect(expm1(1e-20)).toBe(1e-20)
    expect(log1p(1e-20)).toBe(1e-20)
  })

  it('know their edges', () => {
    expect([exp(0), exp(710), exp(-746), exp(NaN)]).toEqual([1, Infinity, 0, NaN])
    expect([log(1), log(0), log(-1), log(Infinity)]).toEqual([0, -Infinity, NaN, Infinity])
    expect(log(5e-324)).toBeCloseTo(Math.log(5e-324), 12)
    expect([pow(0, 2), pow(0, 0), pow(0, -1), pow(9, 0.5)]).toEqual([0, 1, Infinity, pow(9, 0.5)])
    expect(pow(9, 0.5)).toBeCloseTo(3, 14)
  })

  it('turn decibels into amplitudes and back', () => {
    expect(gainOfDb(20)).toBeCloseTo(10, 13)
    fc.assert(fc.property(number(-120, 40), (db) => Math.abs(dbOfGain(gainOfDb(db)) - db) < 1e-12))
  })
})

describe('trigonometry of multiples of π', () => {
  it('agrees with the host', () => {
    fc.assert(fc.property(number(-4, 4), (x) => Math.abs(sinPi(x) - Math.sin(Math.PI * x)) < 3e-15))
    fc.assert(fc.property(number(-4, 4), (x) => Math.abs(cosPi(x) - Math.cos(Math.PI * x)) < 3e-15))
    fc.assert(fc.property(number(0, 0.45), (x) => close(tanPi(x), Math.tan(Math.PI * x), 1e-14)))
  })

  it('is exact at the quarters', () => {
    expect([sinPi(0), sinPi(1), sinPi(0.5), sinPi(-0.5)].map((v) => v + 0)).toEqual([0, 0, 1, -1])
    expect([cosPi(0), cosPi(1), cosPi(0.5)].map((v) => v + 0)).toEqual([1, -1, 0])
  })

  it('keeps sin² + cos² at 1', () => {
    fc.assert(fc.property(number(-1000, 1000), (x) => Math.abs(sinPi(x) ** 2 + cosPi(x) ** 2 - 1) < 1e-15))
  })
})
