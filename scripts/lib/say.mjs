/** Short lines for the person at the terminal. */
export function say(text) {
  process.stderr.write(`rudlo: ${text}\n`)
}

/** Says why nothing more can be done, and ends. */
export function giveUp(text) {
  say(text)
  process.exit(1)
}
