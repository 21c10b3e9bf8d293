import type { Ref } from 'vue'
import { useDesk } from '../../desk/desk-store'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import type { ShortcutGroup } from '../../ui/keys/shortcuts'
import { t } from '../../words/t'
import { useBench } from './bench-store'

/** From one view of the work to the next, round and round. */
const NEXT_VIEW = { balance: 'lines', lines: 'heard', heard: 'balance' } as const

/** The keys of the bench: what the page listens to and what it lists. @param open whether the tasks, and the list of keys, are shown */
export function useBenchKeys(open: { tasks: Ref<boolean>; keys: Ref<boolean> }): readonly ShortcutGroup[] {
  const bench = useBench()
  const desk = useDesk()
  const work = useWork()
  const player = usePlayer()

  function note(): void {
    open.tasks.value = true
    bench.dropNote()
  }
  /** Goes round the chosen bars, or those of the task. */
  function loopBars(): void {
    const stretch = (desk.view === 'lines' && desk.selection) || desk.task
    if (stretch) player.playLoop(stretch)
  }

  return [
    {
      title: t('keys.listening'),
      keys: [
        { shown: t('keys.space'), what: t('keys.play'), on: { ' ': () => player.toggle() } },
        { shown: 'G', what: t('keys.loop-bars'), on: { g: loopBars } },
        { shown: 'O', what: t('keys.loop'), on: { o: () => player.setLoop(player.loop, !player.looping) } },
        { shown: 'V', what: t('keys.moves'), on: { v: () => player.setMoves(!player.moves) } },
        { shown: 'N', what: t('keys.note'), on: { n: note } },
      ],
    },
    {
      title: t('keys.everywhere'),
      keys: [
        { shown: t('keys.ctrl-z'), what: t('keys.undo'), on: { 'Ctrl+z': () => work.undo() } },
        {
          shown: t('keys.ctrl-y'),
          what: t('keys.redo'),
          on: { 'Ctrl+y': () => work.redo(), 'Ctrl+Shift+z': () => work.redo() },
        },
        {
          shown: 'W',
          what: t('keys.view'),
          on: { w: () => (desk.view = NEXT_VIEW[desk.view]) },
        },
        { shown: 'B', what: t('keys.tasks'), on: { b: () => (open.tasks.value = !open.tasks.value) } },
        { shown: '?', what: t('keys.these'), on: { '?': () => (open.keys.value = true) } },
      ],
    },
    {
      title: t('keys.line'),
      keys: [
        { shown: t('keys.page'), what: t('keys.point') },
        { shown: t('keys.arrows'), what: t('keys.move-point') },
        { shown: t('keys.shift-arrows'), what: t('keys.fine') },
        { shown: t('keys.shift-page'), what: t('keys.one-more') },
        { shown: t('keys.alt-updown'), what: t('keys.bend') },
        { shown: t('keys.enter'), what: t('keys.add') },
        { shown: t('keys.delete'), what: t('keys.remove') },
        {
          shown: '1 2 3 4',
          what: t('keys.hands-1234'),
          on: {
            '1': () => (desk.hand = 'points'),
            '2': () => (desk.hand = 'bars'),
            '3': () => (desk.hand = 'freehand'),
            '4': () => (desk.hand = 'cells'),
          },
        },
        { shown: t('keys.ctrl-a'), what: t('keys.all') },
      ],
    },
    {
      title: t('keys.finger'),
      keys: [
        { shown: t('keys.hold'), what: t('keys.hold.about') },
        { shown: t('keys.two'), what: t('keys.two.about') },
      ],
    },
    {
      title: t('keys.hands'),
      keys: [
        { shown: '← →', what: t('keys.sideways') },
        { shown: t('keys.shift-sideways'), what: t('keys.bars') },
        { shown: '↑ ↓', what: t('keys.updown') },
        { shown: t('keys.enter'), what: t('keys.enter.about') },
        { shown: t('keys.delete'), what: t('keys.clear-cell') },
        { shown: t('keys.esc'), what: t('keys.esc.about') },
      ],
    },
    {
      title: t('keys.mouse'),
      keys: [
        { shown: t('keys.alt'), what: t('keys.alt.about') },
        { shown: t('keys.shift'), what: t('keys.shift.about') },
        { shown: t('keys.alt-wheel'), what: t('keys.alt-wheel.about') },
        { shown: t('keys.ctrl-wheel'), what: t('keys.ctrl-wheel.about') },
        { shown: t('keys.shift-wheel'), what: t('keys.shift-wheel.about') },
      ],
    },
  ]
}
