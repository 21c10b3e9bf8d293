import type { Ref } from 'vue'
import { useDesk } from '../../desk/desk-store'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import { usePageKeys } from '../../ui/keys/page-keys'
import { useBench } from './bench-store'

/** The keys of the bench, as BENCH_KEYS says them. `briefOpen`: whether the brief is shown; `keys`: whether their page is. */
export function useBenchKeys(briefOpen: Ref<boolean>, keys: Ref<boolean>): void {
  const bench = useBench()
  const desk = useDesk()
  const work = useWork()
  const player = usePlayer()
  usePageKeys({
    ' ': () => player.toggle(),
    o: () => player.setLoop(player.loop, !player.looping),
    v: () => player.setMoves(!player.moves),
    w: () => (desk.view = desk.view === 'lines' ? 'balance' : 'lines'),
    n: () => {
      briefOpen.value = true
      bench.dropNote()
    },
    '1': () => (desk.hand = 'points'),
    '2': () => (desk.hand = 'bars'),
    '3': () => (desk.hand = 'freehand'),
    '4': () => (desk.hand = 'cells'),
    b: () => (briefOpen.value = !briefOpen.value),
    g: () => {
      const stretch = (desk.view === 'lines' && desk.selection) || desk.task
      if (stretch) player.playLoop(stretch)
    },
    'Ctrl+z': () => work.undo(),
    'Ctrl+y': () => work.redo(),
    'Ctrl+Shift+z': () => work.redo(),
    '?': () => (keys.value = true),
  })
}
