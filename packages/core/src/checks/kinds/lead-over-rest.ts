import { number } from '../check'
import { against, rest } from './balance'

export const leadOverRest = against({
  kind: 'lead over rest',
  name: 'Balance: one over the rest',
  about: 'Where it sounds, a track stands over everything else by some LU.',
  low: number('At least', 'LU', 0, -30, 30),
  high: number('At most', 'LU', 4, -30, 30),
  figure: 'over the rest',
  others: rest,
  sentence: (stands, low, high) => {
    if (stands < low)
      return stands < 0
        ? 'In {bars} everything else is {lu} LU louder than {name}: it is hard to follow.'
        : 'In {bars} {name} is only {lu} LU over the rest: it could stand out more.'
    if (stands > high)
      return 'In {bars} {name} is {lu} LU over the rest: it stands alone in front of the band.'
    return stands < 0
      ? 'In {bars} {name} is {lu} LU under everything else together: well in the picture.'
      : 'In {bars} {name} is {lu} LU over the rest: easy to follow, and the rest is still there.'
  },
})
