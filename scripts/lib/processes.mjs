import { readdirSync, readFileSync } from 'node:fs'

/** The words of a process's command line; none where it is gone or not ours to look at. */
export function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')
  } catch {
    return []
  }
}

/**
 * The process that was started with a word on its command line, and that command line.
 * @param {string} word a whole word, such as `--datadir=/srv/rudlo/files`
 * @returns {{ pid: number, command: string[] } | null}
 */
export function processWith(word) {
  for (const name of readdirSync('/proc')) {
    const pid = Number(name)
    if (!Number.isInteger(pid) || pid === process.pid) continue
    const command = commandOf(pid)
    if (command.includes(word)) return { pid, command }
  }
  return null
}
