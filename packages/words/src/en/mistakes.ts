/** What is said of the usual mistakes, in English: what to listen for, where, then what to do. */
export const MISTAKES = {
  'mistake.drift.name': 'It drifts over the song',
  'mistake.drift.says':
    'Listen to {name} from {from} to {to}: it changes a little all the time. If it should only change near {to}, set a second point just before that.',
  'mistake.drift.repair': 'Held {name} until two bars before it changes',

  'mistake.never-back.name': 'It never comes back',
  'mistake.never-back.says':
    'Listen on from {at}: {name} goes up to {value}, and is still there at the end of the song. Bring it back where its moment is over.',
  'mistake.never-back.repair': 'Brought {name} back',

  'mistake.cut-off.name': 'It is cut off',
  'mistake.cut-off.says':
    'Listen at {at} with your eyes closed: {name} stops as if somebody had pulled the plug. Give it a short fade: one beat is enough.',
  'mistake.cut-off.repair': 'Faded {name} over a beat',

  'mistake.late.name': 'Too late for the entry',
  'mistake.late-dip.says':
    'Listen to the first note of {other} at {at}: {name} is only down {beats} later. Go down earlier, so that there is room when it begins.',
  'mistake.late-lift.says':
    'Listen to the first note of {name} at {at}: it only starts to come up {beats} later. Be up when the note begins.',
  'mistake.late.repair': 'Moved {name} to the entry',

  'mistake.too-hot.name': 'Too hot',
  'mistake.too-hot.says':
    'Listen for crackle at {at}: with {name} up there, the mix gets louder than there is room for. Take {name} down by about {db} there, or everything else.',
  'mistake.too-hot.repair': 'Lowered {name} by {db} where it is too hot',

  'mistake.tail-cut.name': 'The tail is cut',
  'mistake.tail-cut.says':
    'Listen to the echo at {at}: it stops in the middle, because {name} is {how}. Close the send instead, and the echo dies away by itself.',
  'mistake.tail-cut.repair': 'Let {name} ring out',

  'mistake.stray-lane.name': 'A stray lane',
  'mistake.stray-lane.says':
    'A pass also wrote {name} in {bars}, and nobody asked for that. If you did not mean it, clear that lane.',
  'mistake.stray-lane.repair': 'Cleared {name}',

  'mistake.ploughed-over.name': 'Ploughed over',
  'mistake.ploughed-over.says':
    'Listen to {name} in {bars}: a pass from play to stop wrote over a step that you had made there. In the list of steps you can go back to before the pass. | Listen to {name} in {bars}: a pass from play to stop wrote over {count} steps that you had made there. In the list of steps you can go back to before the pass.',

  'mistake.fader-fights.name': 'The fader fights the line',
  'mistake.fader-fights.says':
    'You set {name} to {value}, but that is not heard: its line is in charge. To change it everywhere, move the whole line up or down.',
  'mistake.fader-fights.repair': 'Put the setting of {name} back',

  'mistake.too-many-points.name': 'Too many points',
  'mistake.too-many-points.says':
    '{name} has one point. | {name} has {count} points where {few} would do. It sounds right, but it is hard to change: thin it out.',
  'mistake.too-many-points.repair': 'Thinned {name} to {few} points',

  'mistake.wrong-tool.name': 'A job for the fader',
  'mistake.wrong-tool.says':
    'The line of {name} is at {value} from start to end. Set the control itself to that, and keep lines for what changes during the song.',
  'mistake.wrong-tool.repair': 'Set {name} to {value} without a line',

  'mistake.too-wet.name': 'Too wet',
  'mistake.too-wet.says':
    'Listen to {name} in {bars}: its echo is louder than {name} itself, by {db}. Turn the send down until you can tell where each sound begins.',
  'mistake.too-wet-insert.says':
    'Listen to {name} in {bars}: there is more echo than {name} itself. Turn down {effect} until you can tell where each sound begins.',
  'mistake.too-wet.repair': 'Turned the send of {name} down by {db}',
  'mistake.too-wet-insert.repair': 'Turned down the echo on {name}',

  'mistake.left-unsafe.name': 'Left unsafe',
  'mistake.left-unsafe-off.says':
    'The line of {name} is switched off, so it is not heard. Switch it on again, or clear it.',
  'mistake.left-unsafe-writing.says':
    '{name} is still ready to write: if somebody touches it while the song plays, your line is written over. Set it back to follow only.',
  'mistake.left-unsafe.repair': 'Switched the line of {name} on',

  'mistake.off-grid.name': 'Off the beat by a hair',
  'mistake.off-grid.says':
    'Listen near {at}: one point of {name} is just beside the beat. Put it on the beat, unless you hear a reason not to. | Listen near {at}: {count} points of {name} are just beside the beat. Put them on the beat, unless you hear a reason not to.',
  'mistake.off-grid.repair': 'Set {name} on the beat',

  'mistake.echo-stays.name': 'Its echo stays',
  'mistake.echo-stays.says':
    'Listen after {at}: {name} is gone, but its echo goes on. Its send is taken before the fader. Fade the send as well, or take it after the fader.',
  'mistake.echo-stays.repair': 'Faded the send of {name} too',
} as const
