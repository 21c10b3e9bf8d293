import {
  control,
  hertz,
  linearScale,
  logScale,
  milliseconds,
  noteValue,
  noteValues,
  percent,
  stepped,
} from '../../scale'
import { effectEntry } from '../entry'

const frequency = logScale(20, 20_000)

export const delay = effectEntry({
  modes: ['time', 'note'],
  picture: 'repeats',
  controls: {
    time: control('time', 'effect', logScale(1, 2000), milliseconds, 375),
    note: stepped(control('note', 'effect', linearScale(60, 3840), noteValue, 480), noteValues(60, 3840)),
    feedback: control('feedback', 'effect', linearScale(0, 0.95), percent, 0.35, 0),
    lowCut: control('low-cut', 'effect', frequency, hertz, 20),
    highCut: control('high-cut', 'effect', frequency, hertz, 20_000),
    sideToSide: control('side-to-side', 'effect', linearScale(0, 1), percent, 0),
  },
})
