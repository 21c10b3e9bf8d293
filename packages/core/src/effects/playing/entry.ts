import { control, leaning, linearScale } from '../../scale'
import { effectEntry } from '../entry'

export const playing = effectEntry({
  modes: ['played'],
  picture: null,
  controls: {
    attack: control('attack', 'effect', linearScale(-1, 1), leaning('softer', 'harder'), 0),
    brightness: control('brightness', 'effect', linearScale(-1, 1), leaning('darker', 'brighter'), 0),
  },
})
