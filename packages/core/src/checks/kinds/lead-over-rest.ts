import { number } from '../check'
import { against, rest } from './balance'

export const leadOverRest = against({
  kind: 'lead over rest',
  name: 'Balance: one over the rest',
  about: 'Where it sounds, a track stands over everything else by some LU.',
  low: number('At least', 'LU', 0, -30, 30),
  high: number('At most', 'LU', 4, -30, 30),
  key: 'over-rest',
  others: rest,
})
