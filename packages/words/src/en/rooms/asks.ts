export const ASKS = {
  'asks.fade in':
    '{lane} comes from silence: begins at {from}, is there by {to} (± {beats}), and stays within {even} of an even fade.',
  'asks.fade out':
    '{lane} goes to silence: begins at {from}, is gone by {to} (± {beats}), and stays within {even} of an even fade.',
  'asks.dip':
    '{lane} goes down by {depth} (± {tolerance}), is there by {from} and comes back from {to} (± {beats}).',
  'asks.lift':
    '{lane} goes up by {depth} (± {tolerance}), is there by {from} and comes back from {to} (± {beats}).',
  'asks.build': 'The mix grows in {by} in {span}, by at least {least}; at least {steady} of the bars grow.',
  'asks.drop': '{lane} falls by at least {depth} at {from} (± {beats}).',
  'asks.jump': '{lane} jumps {way} at {from} (± {beats}).',
  'asks.throw': '{lane} opens to at least {least} by {from} and is closed again by {to} (± {beats}).',
  'asks.sweep': '{lane} travels {way}, at least {least}, from {from} to {to} (± {beats}).',
  'asks.crossing': '{leaves} leaves while {comes} comes in, in {span}; together they lose at most {hole}.',
  'asks.position': '{lane} is at {value} (± {tolerance}) at {from}.',
  'asks.returns': '{lane} is back at {to} where it was at {from} (± {tolerance}).',
  'asks.silence': '{track} is silent by {from} and stays silent (below {level}).',
  'asks.lead over rest': '{track} stands {low} to {high} over the rest in {span}.',
  'asks.in the mix': '{track} sits {low} to {high} below the whole mix in {span}.',
  'asks.left against right': 'Left and right differ by at most {tolerance} in {span}.',
  'asks.evenness': '{track}, {against}, varies by at most {most} between phrases of {phrase} in {span}.',
  'asks.loudness': 'The mix measures {value} (± {tolerance}) in {span}.',
  'asks.true peak': 'The mix never peaks above {most} in {span}.',
  'asks.tail kept': 'The echo or reverb of {track} rings out in {span}.',
  'asks.only lanes': 'Only these change: {lanes}.',
  'asks.few points': '{lane} has at most {most}.',
  'asks.form': '{lane} moves {form} in {span}.',
  'asks.by pass': '{lane} was written by hand, {way}.',
  'asks.no mistake': 'This mistake is not made: {mistake}.',
} as const
