import { control, gainDecibels, hertz, linearScale, logScale, ratio } from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const eq = effectEntry({
  name: 'EQ',
  about: 'Makes lows, a middle and highs softer or stronger.',
  modes: ['bands'],
  picture: 'response',
  controls: {
    lowFrequency: control('Low frequency', 'effect', frequency, hertz, 120),
    lowGain: control('Low gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellFrequency: control('Bell frequency', 'effect', frequency, hertz, 1000),
    bellGain: control('Bell gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellQ: control('Bell width', 'effect', logScale(0.1, 10), ratio, 1),
    highFrequency: control('High frequency', 'effect', frequency, hertz, 6000),
    highGain: control('High gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
  },
})
