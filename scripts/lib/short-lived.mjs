import { spawnSync } from 'node:child_process'

const LATER = ['--interrupt-budget=1000000']
let known

/**
 * Options of Node for a process that has ended before what V8's optimizer makes of its code pays: with every function that is
 * called some hundred times optimized, a third of what a linter or a test does is the optimizer's. Code has to be used eight times
 * as long before it is. None where this Node knows no such option.
 */
export function shortLived() {
  known ??= spawnSync(process.execPath, [...LATER, '-e', '0'], { stdio: 'ignore' }).status === 0
  return known ? LATER : []
}
