export const SHEETS = {
  'sheet.accepted': 'Accepted',
  'sheet.again': 'Please try a new version',
  'sheet.not-back': 'Not given back yet',
  'sheet.head': '{title}, version {number} · {song}',
  'sheet.asked': 'Tasks',
  'sheet.measured': 'What was measured',
  'sheet.line': 'The line with its points and remarks',
  'sheet.whose': 'Whose',
  'sheet.everybody': 'Everybody’s newest',
  'sheet.entry': '{student}, version {number}',
  'sheet.print': 'Print',
  'sheet.none': 'Nothing has been handed in yet.',
} as const
