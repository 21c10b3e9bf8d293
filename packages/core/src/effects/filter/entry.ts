import { control, hertz, logScale, ratio } from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const filter = effectEntry({
  modes: ['low-pass', 'high-pass', 'band-pass'],
  picture: 'response',
  controls: {
    frequency: control('frequency', 'effect', frequency, hertz, 20_000),
    resonance: control('resonance', 'effect', logScale(0.5, 20), ratio, 0.7071),
  },
})
