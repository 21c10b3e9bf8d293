import { control, hertz, logScale, ratio } from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const filter = effectEntry({
  name: 'Filter',
  about: 'Takes away what lies above or below a frequency, and can be swept.',
  modes: ['low-pass', 'high-pass', 'band-pass'],
  picture: 'response',
  controls: {
    frequency: control('Frequency', 'effect', frequency, hertz, 20_000),
    resonance: control('Resonance', 'effect', logScale(0.5, 20), ratio, 0.7071),
  },
})
