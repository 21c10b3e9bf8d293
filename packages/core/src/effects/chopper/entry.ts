import { choice, control, linearScale, percent, stepped } from '../../scale'
import { effectEntry } from '../entry'

export const chopper = effectEntry({
  modes: ['steps'],
  picture: 'steps',
  controls: {
    variation: stepped(
      control('variation', 'effect', linearScale(0, 7), choice, 0),
      [0, 1, 2, 3, 4, 5, 6, 7],
    ),
    depth: control('depth', 'effect', linearScale(0, 1), percent, 1, 0),
    smoothness: control('smoothness', 'effect', linearScale(0, 1), percent, 0.2),
  },
})
