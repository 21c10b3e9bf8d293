import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atSchool, dayOf, dayText, momentOf, typedTime } from './school-time'

const ZONES = ['Europe/Berlin', 'America/St_Johns', 'Asia/Kathmandu', 'Pacific/Auckland', 'UTC']

describe('time at the school', () => {
  it('comes back as it went, wherever the school is', () => {
    const minutes = fc
      .integer({ min: Date.UTC(2020, 0, 1), max: Date.UTC(2035, 0, 1) })
      .map((ms) => ms - (ms % 60_000))
    fc.assert(
      fc.property(minutes, fc.constantFrom(...ZONES), (ms, zone) => {
        const iso = new Date(ms).toISOString()
        const shown = atSchool(iso, zone)!
        // an hour that comes twice in autumn is told as the first of the two
        const back = Date.parse(momentOf(shown, zone)!)
        expect(atSchool(new Date(back).toISOString(), zone)).toEqual(shown)
        expect(Math.abs(back - ms)).toBeLessThanOrEqual(3_600_000)
      }),
    )
  })

  it('is the clock on its wall', () => {
    expect(atSchool('2026-07-01T16:00:00.000Z', 'Europe/Berlin')).toEqual({
      day: '2026-07-01',
      time: '18:00',
    })
    expect(atSchool('2026-12-01T23:30:00.000Z', 'Asia/Kathmandu')).toEqual({
      day: '2026-12-02',
      time: '05:15',
    })
    expect(momentOf({ day: '2026-12-05', time: '18:00' }, 'Europe/Berlin')).toBe('2026-12-05T17:00:00.000Z')
    expect(momentOf({ day: '', time: '18:00' }, 'UTC')).toBeNull()
    expect(atSchool(null, 'UTC')).toBeNull()
  })

  it('is typed as people type it', () => {
    expect(['18:05', '18.05', '1805', '6:05 pm', '18h05'].map(typedTime)).toEqual(Array(5).fill('18:05'))
    expect(['9', '12 am', '12pm'].map(typedTime)).toEqual(['09:00', '00:00', '12:00'])
    expect(['', '25:00', '18:61', '13 pm', 'noon'].map(typedTime)).toEqual(Array(5).fill(null))
  })

  it('knows days', () => {
    expect(dayText(dayOf('2026-02-28'))).toBe('2026-02-28')
    expect([dayOf('2026-02-30'), dayOf(null), dayText(null)]).toEqual([null, null, null])
  })
})
