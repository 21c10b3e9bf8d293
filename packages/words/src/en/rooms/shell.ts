/** The bar at the top of every page, and what is one's own. */
export const SHELL = {
  'shell.home': 'Rudlo: go to the first page',
  'shell.rooms': 'Go to',
  'shell.assignments': 'Assignments',
  'shell.classes': 'Classes',
  'shell.songbook': 'Songbook',
  'shell.account': 'Your account: {name}',
  'shell.colours': 'Colours',
  'shell.colours.light': 'Light',
  'shell.colours.dark': 'Dark',
  'shell.colours.system': 'Same as device',
  'shell.sessions': 'Where you are signed in',
  'shell.sessions.text': 'Sign out any device you do not know or no longer use.',
  'shell.sessions.unknown': 'Unknown browser',
  'shell.sessions.used': 'Last used {when}',
  'shell.sessions.here': 'this browser',
  'shell.sign-out': 'Sign out',
  'shell.unsent.title': 'Some of your work has not been sent yet',
  'shell.unsent.text':
    '{why} If you sign out now, it stays in this browser and is sent when you sign in here again.',
  'shell.unsent.leave': 'Sign out anyway',
  'shell.unsent.stay': 'Stay signed in',
} as const
