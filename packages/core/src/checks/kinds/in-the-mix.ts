import { energies } from '../../heard'
import { number } from '../check'
import { against } from './balance'

export const inTheMix = against({
  kind: 'in the mix',
  name: 'Balance: a track in the mix',
  about: 'Where it sounds, a track is some LU softer than the whole mix.',
  low: number('At least', 'LU', -14, -40, 0),
  high: number('At most', 'LU', -6, -40, 0),
  figure: 'in the mix',
  others: ({ mix }) => energies(mix),
  sentence: (stands, low, high) => {
    if (stands < low) return 'In {bars} {name} is {lu} LU under the mix: it gets lost.'
    if (stands > high)
      return 'In {bars} {name} is {lu} LU under the mix: it is too much in front for what it plays.'
    return 'In {bars} {name} is {lu} LU under the mix: there, and not in the way.'
  },
})
