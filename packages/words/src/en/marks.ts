/** Why a mark is proposed, in English. */
export const MARKS = {
  'mark.all': 'Met: {holds}. | All {of} checks are met: {holds}.',
  'mark.own': 'Missing in its task: {open}. Met: {holds}.',
  'mark.some': 'Missing: {open}. Met: {holds}.',
  'mark.none': 'Missing: {open}.',
} as const
