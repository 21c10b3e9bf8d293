import { energies } from '../../heard'
import { number } from '../check'
import { against } from './balance'

export const inTheMix = against({
  kind: 'in the mix',
  name: 'Balance: a track in the mix',
  about: 'Where it sounds, a track is some LU softer than the whole mix.',
  low: number('At least', 'LU', -14, -40, 0),
  high: number('At most', 'LU', -6, -40, 0),
  key: 'in-mix',
  others: ({ mix }) => energies(mix),
})
