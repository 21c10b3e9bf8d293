import { control, leaning, linearScale } from '../../scale'
import { effectEntry } from '../entry'

export const playing = effectEntry({
  name: 'Playing',
  about: 'How it is played: how hard notes begin, and how bright they are.',
  modes: ['played'],
  picture: null,
  controls: {
    attack: control('Attack', 'effect', linearScale(-1, 1), leaning('softer', 'harder'), 0),
    brightness: control('Brightness', 'effect', linearScale(-1, 1), leaning('darker', 'brighter'), 0),
  },
})
