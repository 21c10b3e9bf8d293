import { control, linearScale, logScale, milliseconds, percent } from '../../scale'
import { effectEntry } from '../entry'

export const reverb = effectEntry({
  name: 'Reverb',
  about: 'Puts the sound in a room.',
  modes: ['hall'],
  picture: 'decay',
  controls: {
    size: control('Size', 'effect', linearScale(0, 1), percent, 0.5),
    decay: control('Decay', 'effect', logScale(200, 12_000), milliseconds, 1800),
    damping: control('Damping', 'effect', linearScale(0, 1), percent, 0.4, 0),
    preDelay: control('Pre-delay', 'effect', linearScale(0, 250), milliseconds, 12, 0),
  },
})
