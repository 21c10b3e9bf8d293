import { control, linearScale, logScale, percent, ratio } from '../../scale'
import { effectEntry } from '../entry'

export const flanger = effectEntry({
  name: 'Flanger',
  about: 'Adds a copy that wanders a few milliseconds behind.',
  modes: ['sweep'],
  picture: null,
  controls: {
    rate: control('Rate', 'effect', logScale(0.02, 8), ratio, 0.3),
    depth: control('Depth', 'effect', linearScale(0, 1), percent, 0.5, 0),
    feedback: control('Feedback', 'effect', linearScale(-0.95, 0.95), percent, 0.3, 0),
  },
})
