import { t } from '../../words/t'
/** The keys of the bench, as the page lists them. */
export const BENCH_KEYS = [
  {
    title: t('keys.listening'),
    keys: [
      [t('keys.space'), t('keys.play')],
      ['G', t('keys.loop-bars')],
      ['O', t('keys.loop')],
      ['V', t('keys.moves')],
      ['N', t('keys.note')],
    ],
  },
  {
    title: t('keys.everywhere'),
    keys: [
      [t('keys.ctrl-z'), 'undo'],
      [t('keys.ctrl-y'), 'redo'],
      ['W', t('keys.view')],
      ['B', t('keys.tasks')],
      ['?', t('keys.these')],
    ],
  },
  {
    title: t('keys.line'),
    keys: [
      [t('keys.page'), t('keys.point')],
      [t('keys.arrows'), t('keys.move-point')],
      [t('keys.shift-arrows'), t('keys.fine')],
      [t('keys.shift-page'), t('keys.one-more')],
      [t('keys.alt-updown'), t('keys.bend')],
      [t('keys.enter'), t('keys.add')],
      [t('keys.delete'), t('keys.remove')],
      ['1 2 3 4', 'points, bars, draw, cells'],
      [t('keys.ctrl-a'), t('keys.all')],
    ],
  },
  {
    title: t('keys.finger'),
    keys: [
      [t('keys.hold'), t('keys.hold.about')],
      [t('keys.two'), t('keys.two.about')],
    ],
  },
  {
    title: t('keys.hands'),
    keys: [
      ['← →', t('keys.sideways')],
      [t('keys.shift-sideways'), t('keys.bars')],
      ['↑ ↓', t('keys.updown')],
      [t('keys.enter'), t('keys.enter.about')],
      [t('keys.delete'), t('keys.clear-cell')],
      [t('keys.esc'), t('keys.esc.about')],
    ],
  },
  {
    title: t('keys.mouse'),
    keys: [
      [t('keys.alt'), t('keys.alt.about')],
      [t('keys.shift'), t('keys.shift.about')],
      [t('keys.alt-wheel'), t('keys.alt-wheel.about')],
      [t('keys.ctrl-wheel'), t('keys.ctrl-wheel.about')],
      [t('keys.shift-wheel'), t('keys.shift-wheel.about')],
    ],
  },
] as const
