import { control, gainDecibels, hertz, linearScale, logScale, ratio } from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const eq = effectEntry({
  modes: ['bands'],
  picture: 'response',
  controls: {
    lowFrequency: control('low-frequency', 'effect', frequency, hertz, 120),
    lowGain: control('low-gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellFrequency: control('bell-frequency', 'effect', frequency, hertz, 1000),
    bellGain: control('bell-gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellQ: control('bell-width', 'effect', logScale(0.1, 10), ratio, 1),
    highFrequency: control('high-frequency', 'effect', frequency, hertz, 6000),
    highGain: control('high-gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
  },
})
