import { control, linearScale, logScale, percent, ratio } from '../../scale'
import { effectEntry } from '../entry'

export const flanger = effectEntry({
  modes: ['sweep'],
  picture: null,
  controls: {
    rate: control('rate', 'effect', logScale(0.02, 8), ratio, 0.3),
    depth: control('depth', 'effect', linearScale(0, 1), percent, 0.5, 0),
    feedback: control('feedback', 'effect', linearScale(-0.95, 0.95), percent, 0.3, 0),
  },
})
