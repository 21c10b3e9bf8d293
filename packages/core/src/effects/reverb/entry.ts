import { control, linearScale, logScale, milliseconds, percent } from '../../scale'
import { effectEntry } from '../entry'

export const reverb = effectEntry({
  modes: ['hall'],
  picture: 'decay',
  controls: {
    size: control('size', 'effect', linearScale(0, 1), percent, 0.5),
    decay: control('decay', 'effect', logScale(200, 12_000), milliseconds, 1800),
    damping: control('damping', 'effect', linearScale(0, 1), percent, 0.4, 0),
    preDelay: control('pre-delay', 'effect', linearScale(0, 250), milliseconds, 12, 0),
  },
})
