/** Everybody's same bars, one after the other. */
export const ROUND = {
  'round.title': 'Everybody in turn',
  'round.mistake': 'Where it happens: {what}',
  'round.task': 'Bars of',
  'round.criterion': 'Mark by',
  'round.play': 'Hear everybody',
  'round.stop': 'Stop',
  'round.hear': 'Hear from here on',
  'round.no-picture': 'No picture',
  'round.mark': '{criterion}: {name}',
  'round.marked': '{n} of {of} marked',
  'round.keys.play': 'hear everybody from here on, and stop',
  'round.keys.step': 'previous or next one',
  'round.keys.mark': 'mark the one that is heard',
} as const
