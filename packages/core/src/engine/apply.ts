import type { ControlSignal } from './control-signal'
import type { Floats, Kernels } from '../kernels'

/** Multiplies samples by a control. */
export function apply(kernels: Kernels, control: ControlSignal, samples: Floats, frames: number): void {
  if (!control.straight) kernels.multiply(samples.at, control.values.at, frames)
  else if (!control.uniform)
    kernels.shapeRamped(samples.at, samples.at, frames, control.value, control.step, false)
  else if (control.value !== 1) kernels.scale(samples.at, frames, control.value)
}
