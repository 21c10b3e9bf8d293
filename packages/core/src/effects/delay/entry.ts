import { control, hertz, linearScale, logScale, milliseconds, noteValue, percent } from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const delay = effectEntry({
  name: 'Delay',
  about: 'Repeats the sound after a while.',
  modes: ['time', 'note'],
  picture: 'repeats',
  controls: {
    time: control('Time', 'effect', logScale(1, 2000), milliseconds, 375),
    note: control('Note', 'effect', linearScale(60, 3840), noteValue, 480),
    feedback: control('Feedback', 'effect', linearScale(0, 0.95), percent, 0.35, 0),
    lowCut: control('Low cut', 'effect', frequency, hertz, 20),
    highCut: control('High cut', 'effect', frequency, hertz, 20_000),
    sideToSide: control('Side to side', 'effect', linearScale(0, 1), percent, 0),
  },
})
