import type { TodayGroup } from '@rudlo/contract/term'
import { describe, expect, it } from 'vitest'
import { lessonsOf, nextLessonAt } from './lessons'

const at = (text: string) => new Date(text)
const thursday = { day: 4, time: '18:30' }
const group = (name: string, lesson: TodayGroup['lesson']): TodayGroup => ({
  id: name,
  name,
  place: '',
  students: 1,
  requests: 0,
  lesson,
  next: null,
  smallGroups: [],
})

describe('the next lesson', () => {
  it('is this week, today, while it goes on, and a week later after it', () => {
    expect(nextLessonAt(thursday, at('2026-03-02T09:00'))).toEqual(at('2026-03-05T18:30'))
    expect(nextLessonAt(thursday, at('2026-03-05T09:00'))).toEqual(at('2026-03-05T18:30'))
    expect(nextLessonAt(thursday, at('2026-03-05T19:30'))).toEqual(at('2026-03-05T18:30'))
    expect(nextLessonAt(thursday, at('2026-03-05T20:30'))).toEqual(at('2026-03-12T18:30'))
    expect(nextLessonAt(thursday, at('2026-03-07T09:00'))).toEqual(at('2026-03-12T18:30'))
  })

  it('of several classes comes first; those without a time are last', () => {
    const groups = [group('none', null), group('late', thursday), group('soon', { day: 2, time: '08:00' })]
    expect(lessonsOf(groups, at('2026-03-02T09:00')).map((l) => l.group.name)).toEqual([
      'soon',
      'late',
      'none',
    ])
  })
})
