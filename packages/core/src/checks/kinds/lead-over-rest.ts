import { number } from '../check'
import { against, rest } from './balance'

export const leadOverRest = against({
  kind: 'lead over rest',
  low: number('at-least', 'LU', 0, -30, 30),
  high: number('at-most', 'LU', 4, -30, 30),
  key: 'over-rest',
  others: rest,
})
