import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'
import { shortLived } from './short-lived.mjs'

/** Whether a command exists on this machine. */
export function has(command) {
  return (
    spawnSync('sh', ['-c', `command -v ${command} || ls /usr/sbin/${command}`], { stdio: 'ignore' })
      .status === 0
  )
}

/**
 * Runs a command to its end.
 * @returns {Promise<{ code: number, output: string }>} what it printed, unless `show` sends it to the terminal
 */
export function run(command, args, { cwd, env, show = false, input } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: [input === undefined ? 'ignore' : 'pipe', show ? 'inherit' : 'pipe', show ? 'inherit' : 'pipe'],
    })
    let output = ''
    child.stdout?.on('data', (d) => (output += d))
    child.stderr?.on('data', (d) => (output += d))
    if (input !== undefined) child.stdin.end(input)
    child.on('error', reject)
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}

/** Runs a command and throws where it fails, with the lines that speak of an error, or else the last ones. */
export async function must(command, args, options) {
  const { code, output } = await run(command, args, options)
  if (code !== 0) {
    const lines = output.trim().split('\n')
    const telling = lines.filter((line) => /\berror\b/i.test(line))
    const why = (telling.length ? telling : lines).slice(-12).join('\n')
    throw new Error(`${command} ${args.slice(0, 3).join(' ')} failed (${code}).\n${why}`)
  }
  return output
}

const inTheOpen = (args) => run(process.execPath, args, { cwd: ROOT, show: true })

/** Runs a script of this checkout, in the open. */
export const runScript = (file, ...args) => inTheOpen([join(ROOT, file), ...args])

/** Runs a program of a package that is installed here, in the open: npx takes half a second to find it. */
export const runTool = (name, ...args) =>
  inTheOpen([...shortLived(), join(ROOT, 'node_modules/.bin', name), ...args])

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** Whether a process is alive. */
export function alive(pid) {
  if (!pid) return false
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}
