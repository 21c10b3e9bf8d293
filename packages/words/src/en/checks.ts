/** What checks say, in English. The verdict stands beside it as a sign: what is not met says what is missing, and by how much. */
export const CHECKS = {
  'check.unheard': 'This can only be heard. It has not been listened to yet.',

  'check.fade-in.met': '{name} fades in from silence, evenly, over {bars}.',
  'check.fade-in.cut': 'Listen at {at}: {name} is there all at once. A fade needs time to be heard as one.',
  'check.fade-in.none': '{name} does not fade in, in {bars}.',
  'check.fade-in.still': '{name} does not fade in: in {bars} it is at {value} the whole time.',
  'check.fade-in.not-silent':
    'Listen to the very start: {name} can be heard already, at {value}. Begin the fade in silence.',
  'check.fade-in.ends': '{name} fades in over {bars}, but it is up at {end}: {late}.',
  'check.fade-in.starts': '{name} fades in over {bars}, but it begins at {at}: {late}.',
  'check.fade-in.uneven-late': '{name} fades in over {bars}, but most of it happens at the end.',
  'check.fade-in.uneven-early': '{name} fades in over {bars}, but most of it happens at the start.',
  'check.fade-in.uneven-other': '{name} fades in over {bars}, but not evenly: it hurries and waits.',

  'check.fade-out.met': '{name} fades out to silence, evenly, over {bars}.',
  'check.fade-out.cut': 'Listen at {at}: {name} is gone all at once. A fade needs time to be heard as one.',
  'check.fade-out.none': '{name} does not fade out, in {bars}.',
  'check.fade-out.still': '{name} does not fade out: in {bars} it is at {value} the whole time.',
  'check.fade-out.not-silent':
    'Listen to the very end of the fade: {name} can still be heard, at {value}. Take it all the way down.',
  'check.fade-out.ends': '{name} fades out over {bars}, but it is gone at {end}: {late}.',
  'check.fade-out.starts': '{name} fades out over {bars}, but it begins at {at}: {late}.',
  'check.fade-out.uneven-late': '{name} fades out over {bars}, but most of it happens at the end.',
  'check.fade-out.uneven-early': '{name} fades out over {bars}, but most of it happens at the start.',
  'check.fade-out.uneven-other': '{name} fades out over {bars}, but not evenly: it hurries and waits.',

  'check.dip.met': '{name} goes down by {depth}, is there at {at} and comes back from {back} on.',
  'check.dip.other': '{name} moves in {bars}, but it does not step back and return.',
  'check.dip.still': '{name} does not go down: in {bars} it is at {value}.',
  'check.dip.stays': '{name} goes down at {at}, but at {after} it is not back yet: it is at {value}.',
  'check.dip.there': 'Listen at {at}: only there is {name} down. That is {late}.',
  'check.dip.little': '{name} goes down in time, but by {depth} only. {asked} were asked for.',
  'check.dip.much': '{name} goes down in time, but by {depth}. {asked} would be enough.',
  'check.dip.back': '{name} goes down by {depth} in time, but it starts back at {back}: {late}.',
  'check.dip.sudden': 'Listen at {start}: {name} drops like a switch. Let it take a moment to go down.',

  'check.lift.met': '{name} goes up by {depth}, is there at {at} and comes back from {back} on.',
  'check.lift.other': '{name} moves in {bars}, but it does not come forward and return.',
  'check.lift.still': '{name} does not go up: in {bars} it is at {value}.',
  'check.lift.stays': '{name} goes up at {at}, but at {after} it is not back yet: it is at {value}.',
  'check.lift.there': 'Listen at {at}: only there is {name} up. That is {late}.',
  'check.lift.little': '{name} goes up in time, but by {depth} only. {asked} were asked for.',
  'check.lift.much': '{name} goes up in time, but by {depth}. {asked} would be enough.',
  'check.lift.back': '{name} goes up by {depth} in time, but it starts back at {back}: {late}.',
  'check.lift.sudden': 'Listen at {start}: {name} jumps up like a switch. Let it take a moment to come up.',

  'check.drop.met': '{name} drops by {depth} and is down at {at}.',
  'check.drop.none': '{name} does not drop at {at}.',
  'check.drop.place': '{name} drops by {depth}, but it is down at {at}: {late}.',
  'check.drop.slow': 'Listen at {at}: {name} goes down slowly, over {beats}. A drop takes one beat at most.',
  'check.drop.little':
    '{name} drops at the right place, but by {depth} only. At least {asked} were asked for.',

  'check.jump.met-up': '{name} jumps up at {at}, on time.',
  'check.jump.met-down': '{name} jumps down at {at}, on time.',
  'check.jump.none-up': '{name} does not jump up at {at}.',
  'check.jump.none-down': '{name} does not jump down at {at}.',
  'check.jump.place-up': '{name} jumps up at {at}: {late}.',
  'check.jump.place-down': '{name} jumps down at {at}: {late}.',

  'check.throw.met': '{name} opens to {value} at {at} and is closed again {bars} later.',
  'check.throw.none': '{name} does not open in {bars}.',
  'check.throw.open':
    '{name} opens at {at}, but at {after} it is not closed: it is at {value}, and what comes next echoes too.',
  'check.throw.opens': '{name} opens to {value}, but it is open at {at}: {late}.',
  'check.throw.closes': '{name} opens in time, but it is closed at {end}: {late}.',
  'check.throw.little':
    'Listen for the echo: {name} opens in time, but to {value} only. At least {asked} were asked for.',

  'check.sweep.met': '{name} goes from {a} to {b} over {bars} and arrives at {at}.',
  'check.sweep.other': '{name} does not go that way in {bars}: it goes the other way.',
  'check.sweep.still': '{name} does not move in {bars}.',
  'check.sweep.little': '{name} goes from {a} to {b}. That is the right way, but not far enough.',
  'check.sweep.sudden': 'Listen at {start}: {name} leaps from {a} to {b}. A sweep takes its time on the way.',
  'check.sweep.begins': '{name} sets off from {a} at {start}: {late}.',
  'check.sweep.arrives': '{name} arrives at {b} at {at}: {late}.',

  'check.crossing.met': '{a} leaves as {b} comes in. They cross at {at}, and no hole opens between them.',
  'check.crossing.comes': '{b} does not come in, in {bars}.',
  'check.crossing.leaves': '{a} does not leave, in {bars}.',
  'check.crossing.hole':
    'Listen at {at}: a hole opens where {a} and {b} cross, {down} deep. Let one stay longer, and the other come sooner.',
  'check.crossing.one-sided': '{a} and {b} cross at {at}: one is nearly through before the other begins.',

  'check.position.met': 'At {at}, {name} is at {value}.',
  'check.position.low': 'At {at}, {name} is at {value}. It should be higher: at {asked}.',
  'check.position.high': 'At {at}, {name} is at {value}. It should be lower: at {asked}.',
  'check.position.elsewhere': 'At {at}, {name} is at {value}. It should be at {asked}.',

  'check.returns.met': 'At {to}, {name} is back at {now}.',
  'check.returns.off':
    'At {to}, {name} is at {now}. At {from} it was at {then}, and it should be back there.',

  'check.silence.met': 'From {from} on, {name} is silent.',
  'check.silence.met-end': 'At the end of the song, {name} is silent.',
  'check.silence.still': 'At {from}, {name} is not silent: it is at {value}.',
  'check.silence.again':
    'Listen at {at}: {name} can be heard there, at {value}. From {from} on it should be silent.',

  'check.form.met': '{name} goes its way {how}, from {at} on.',
  'check.form.off': '{name} goes its way {how}, from {at} on. It should go {asked}.',
  'check.form.none': '{name} does not move at {at}.',

  'check.few-points.met':
    '{name} has one point: easy to change. | {name} has {count} points: easy to change.',
  'check.few-points.none': '{name} has no line yet.',
  'check.few-points.many':
    '{name} has one point. | {name} has {count} points, and {most} are enough. Thin them out, and the line is easy to change.',

  'check.by-pass.met': '{name} was written by hand, while the song played.',
  'check.by-pass.otherwise':
    '{name} was written while the song played, but not in the way that was asked for.',
  'check.by-pass.drawn': '{name} was not played by hand yet. Move its control while the song plays.',

  'check.only-lanes.met': 'Only what was asked for has changed.',
  'check.only-lanes.more':
    'One more line has changed, though nobody asked for it: {names}. | {count} more lines have changed, though nobody asked for them: {names}.',

  'check.taken-back':
    'Listen at {at}: {name} moves as asked, but that is taken back by {by}. Nobody can hear it.',

  'check.tail-kept.met': 'The echo of {name} dies away by itself.',
  'check.tail-kept.cut':
    'Listen at {at}: the echo of {name} is cut off. Close the send instead, and the echo dies away by itself.',
  'check.tail-kept.open':
    'Nothing is cut, but the send of {name} is still open at {at}: close it, and the echo dies away.',
  'check.tail-kept.nothing': 'Nothing is cut, but no send of {name} has a line yet.',

  'check.no-mistake.met': 'Well done: “{mistake}” was avoided.',

  'check.true-peak.met': 'There is room left, even in the loudest moment.',
  'check.true-peak.high':
    'Listen at {at}: that is the loudest moment, and {over} louder than there is room for.',
  'check.true-peak.clips': 'Listen at {at} for crackle: it gets {over} louder than there is room for.',

  'check.loudness.met': '{bars} are as loud as they should be.',
  'check.loudness.silent': 'Nothing can be heard in {bars}.',
  'check.loudness.soft': '{bars} are {off} softer than they should be.',
  'check.loudness.loud': '{bars} are {off} louder than they should be.',

  'check.sides.met': 'In {bars}, left and right are in balance.',
  'check.sides.silent': 'Nothing can be heard in {bars}.',
  'check.sides.leans': 'Listen to {bars} with headphones: the mix leans to the {side}, by {by}.',

  'check.balance.silent': '{name} cannot be heard in {bars}.',

  'check.over-rest.met-as': 'In {bars}, {name} is as loud as everything else together, as it should be.',
  'check.over-rest.met-over':
    'In {bars}, {name} is {by} louder than everything else together, as it should be.',
  'check.over-rest.met-under':
    'In {bars}, {name} is {by} softer than everything else together, as it should be.',
  'check.over-rest.soft-as':
    'Listen to {name} in {bars}: it is as loud as everything else together. It should stand out {off} more.',
  'check.over-rest.soft-over':
    'Listen to {name} in {bars}: it is {by} louder than everything else together. It should stand out {off} more.',
  'check.over-rest.soft-under':
    'Listen to {name} in {bars}: everything else together is {by} louder. {name} should stand out {off} more.',
  'check.over-rest.loud-as':
    'Listen to {name} in {bars}: it is as loud as everything else together. It should step back by {off}.',
  'check.over-rest.loud-over':
    'Listen to {name} in {bars}: it is {by} louder than everything else together. It should step back by {off}.',
  'check.over-rest.loud-under':
    'Listen to {name} in {bars}: it is {by} softer than everything else together. It should step back by {off} more.',

  'check.in-mix.met-as': 'In {bars}, {name} is nearly all that is heard, as it should be.',
  'check.in-mix.met-over': 'In {bars}, {name} is nearly all that is heard, as it should be.',
  'check.in-mix.met-under': 'In {bars}, {name} is there and not in the way.',
  'check.in-mix.soft-as': 'Listen for {name} in {bars}: it should be {off} louder.',
  'check.in-mix.soft-over': 'Listen for {name} in {bars}: it should be {off} louder.',
  'check.in-mix.soft-under': 'Listen for {name} in {bars}: it gets lost. It should be {off} louder.',
  'check.in-mix.loud-as':
    'Listen to {name} in {bars}: it is nearly all that is heard. It should step back by {off}.',
  'check.in-mix.loud-over':
    'Listen to {name} in {bars}: it is nearly all that is heard. It should step back by {off}.',
  'check.in-mix.loud-under':
    'Listen to {name} in {bars}: it is in front of the others. It should step back by {off}.',

  'check.evenness.met': '{name} is even from phrase to phrase.',
  'check.evenness.silent': '{name} hardly sounds in {bars}: there is nothing to compare.',
  'check.evenness.uneven':
    'Listen to {name} at {low} and at {high}: one phrase is {spread} softer than the other.',

  'check.build.met': 'It builds from {from} on, gets {more} by {gain}, and arrives at {to}.',
  'check.build.flat':
    'Listen from {from} to {to}: with your lines it does not get {more}. {asked} were asked for.',
  'check.build.little':
    'Listen from {from} to {to}: it gets {more}, but by {gain} only. {asked} were asked for.',
  'check.build.early':
    'Listen at {top}: the build is at its highest there, and not at {to}, where it should arrive.',
  'check.build.falls': 'Listen after {to}: your lines take {drop} away again just as it arrives.',
  'check.build.stairs':
    'It gets {more} by {gain} in all, but of {steps} bars only one is more than the bar before. | It gets {more} by {gain} in all, but of {steps} bars only {count} are more than the bar before.',
} as const
