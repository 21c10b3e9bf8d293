/** Why a mark is proposed, in English. */
export const MARKS = {
  'mark.all': 'The check is met. | All {of} checks are met.',
  'mark.own': 'Its own checks are met, but not yet the whole task. Missing: {open}.',
  'mark.some': '{met} of {of} checks are met. Missing: {open}.',
  'mark.none': 'Nothing of it is met. Missing: {open}.',
} as const
