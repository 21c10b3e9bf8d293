/** Trade words, as they stand in sentences, and what each means. */
export const GLOSSARY = {
  'term.true-peak': 'true peak',
  'term.true-peak.says':
    'The highest point the sound really reaches, between the samples too. Keep it below −1 dBTP.',
  'term.dbtp': 'dBTP',
  'term.dbtp.says': 'Decibels of true peak: 0 is as high as digital sound can go.',
  'term.lufs': 'LUFS',
  'term.lufs.says': 'How loud something sounds over time. Most songs are near −14 LUFS; −24 is quieter.',
  'term.lu': 'LU',
  'term.lu.says': 'A step in loudness. One LU is just heard; ten LU sound about twice as loud.',
  'term.range': 'range',
  'term.range.says': 'How far apart the quiet and the loud parts are.',
  'term.dry': 'dry',
  'term.dry.says': 'Without effects and returns: only the track itself.',
  'term.wet': 'wet',
  'term.wet.says': 'What comes out of an effect. At 0 % wet only the plain sound is heard.',
  'term.pan': 'Pan',
  'term.pan.says': 'Where a track stands between left and right.',
  'term.return': 'return',
  'term.return.says':
    'A track of its own for an effect that several tracks share, such as one reverb for all.',
  'term.send': 'send',
  'term.send.says': 'A copy of a track that goes to a return, as loud as you set it.',
  'term.lane': 'lane',
  'term.lane.says': 'One control over time, such as the volume of one track, with its line.',
} as const
