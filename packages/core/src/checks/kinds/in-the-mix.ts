import { energies } from '../../heard'
import { number } from '../check'
import { against } from './balance'

export const inTheMix = against({
  kind: 'in the mix',
  low: number('at-least', 'LU', -14, -40, 0),
  high: number('at-most', 'LU', -6, -40, 0),
  key: 'in-mix',
  others: ({ mix }) => energies(mix),
})
