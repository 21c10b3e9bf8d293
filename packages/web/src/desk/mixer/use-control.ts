import { valueAt } from '@rudlo/core/envelope'
import { laneName } from '@rudlo/core/assess'
import { lineInCharge, resolve, withSetting } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { usePass } from '../pass/pass-store'
import type { ChangeLabel } from '../../document/editing'
import { useWork } from '../../document/work-store'
import { t } from '../../words/t'

/** One control of the mix by its address: what it is at now, whether a line is in charge, and how it is moved. */
export function useControl(address: () => string) {
  const work = useWork()
  const player = usePlayer()
  const desk = useDesk()
  const pass = usePass()

  const addressed = computed(() => resolve(work.mix!, address())!)
  const control = computed(() => addressed.value.control)
  const line = computed(() => (player.moves ? lineInCharge(work.mix!, address()) : undefined))
  const at = (tick: number) =>
    line.value ? valueAt(line.value.points, control.value.scale, tick) : addressed.value.setting
  const value = computed(() => at(player.position))
  /** The same as a figure, which is read. */
  const told = computed(() => at(player.told.position))
  const name = computed(() =>
    t('control.of', {
      control: control.value.name.toLowerCase(),
      name: laneName(desk.song!, work.mix!, address()).split(',')[0]!,
    }),
  )
  const label = (to: number): ChangeLabel => ({
    label: t('control.did.set', { name: name.value, value: control.value.unit.format(to) }),
    lanes: [address()],
    from: 0,
    to: desk.song!.length,
  })

  /** Takes the control in hand. @returns false where a line is in charge: then it says why nothing changes */
  function begin(): boolean {
    desk.touch(address())
    if (pass.takes(address())) return pass.grab(address(), value.value)
    if (line.value) {
      desk.asked = address()
      return false
    }
    work.begin()
    return true
  }

  /** @param stamp when the hand was there, as an event says it */
  function preview(to: number, stamp?: number): void {
    if (pass.holds(address())) pass.move(address(), to, stamp)
    else work.previewMix((mix) => withSetting(mix, address(), to))
  }

  function commit(): void {
    if (pass.holds(address())) pass.release(address())
    else work.commit(label(addressed.value.setting))
  }

  /** Sets the control as one step. */
  function set(to: number): void {
    desk.touch(address())
    if (pass.takes(address())) pass.tap(address(), value.value, to)
    else if (line.value) desk.asked = address()
    else work.setMix((mix) => withSetting(mix, address(), to), label(to))
  }

  return {
    control,
    value,
    told,
    name,
    inCharge: computed(() => line.value !== undefined),
    begin,
    preview,
    commit,
    set,
  }
}
