import { choice, control, linearScale, percent } from '../../scale'
import { effectEntry } from '../entry'

export const chopper = effectEntry({
  modes: ['steps'],
  picture: 'steps',
  controls: {
    variation: control('variation', 'effect', linearScale(0, 7), choice, 0),
    depth: control('depth', 'effect', linearScale(0, 1), percent, 1, 0),
    smoothness: control('smoothness', 'effect', linearScale(0, 1), percent, 0.2),
  },
})
