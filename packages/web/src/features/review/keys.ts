import { t } from '../../words/t'
/** The keys of the review desk, as the page lists them. */
export const REVIEW_KEYS = [
  {
    title: t('keys.listening'),
    keys: [
      [t('keys.space'), t('keys.play')],
      ['1 2 3 4', t('keys.hear')],
      ['V', t('keys.moves')],
      ['M', t('keys.tour')],
      ['S', t('keys.solo')],
      ['E', t('keys.match')],
      ['H', t('keys.names')],
      ['O', t('keys.loop')],
    ],
  },
  {
    title: t('keys.saying'),
    keys: [
      ['T', t('keys.take')],
      ['X', t('keys.overrule')],
      ['R', t('keys.remark')],
      [t('keys.ctrl-enter'), t('keys.pin')],
      ['J', t('keys.marks')],
      ['K', t('keys.overrule-mark')],
      ['C', t('keys.comment')],
      [t('keys.esc'), t('keys.leave')],
      ['F', 'figures'],
    ],
  },
  {
    title: t('keys.hand-ins'),
    keys: [
      ['A', t('keys.accept')],
      ['W', t('keys.again')],
      ['N', 'next'],
      ['P', 'previous'],
      ['?', t('keys.these')],
    ],
  },
] as const
