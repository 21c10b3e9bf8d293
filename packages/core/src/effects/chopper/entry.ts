import { choice, control, linearScale, percent } from '../../scale'
import { effectEntry } from '../entry'

export const chopper = effectEntry({
  name: 'Chopper',
  about: 'Opens and shuts in a rhythm.',
  modes: ['steps'],
  picture: 'steps',
  controls: {
    variation: control('Variation', 'effect', linearScale(0, 7), choice, 0),
    depth: control('Depth', 'effect', linearScale(0, 1), percent, 1, 0),
    smoothness: control('Smoothness', 'effect', linearScale(0, 1), percent, 0.2),
  },
})
