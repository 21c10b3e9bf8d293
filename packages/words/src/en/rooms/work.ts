export const WORK = {
  'work.saving-failed': 'Saving failed.',
  'work.unsent.name': 'Unsent work',
  'work.unsent.back': 'Your unsent work from last time is back.',
  'work.other-window': 'Other window, {at}',
  'work.changed-elsewhere':
    'This work was changed in another window. Your version from here is saved as the try “{name}”.',
  'work.freed': 'This place no longer follows “{names}”.',
  'work.undid': 'Undone',
  'work.redid': 'Redone',
  'work.part-stopped': 'A part of the page has stopped. Try again.',
  'work.insecure':
    'Sound needs a secure address: open Rudlo at localhost or over HTTPS, in a current browser.',
  'work.no-database': 'The browser does not open its database.',
} as const
