import { proxy } from 'comlink'
import { soundingOf } from '@rudlo/core/mix'
import { audioOf } from '../../engine/song-audio'
import { WorkerHost } from '../../engine/worker-host'
import type { ExportApi, ExportTask } from './export.worker'

/** A render that is under way. */
export interface Export {
  readonly done: Promise<Uint8Array<ArrayBuffer>>
  /** Ends it at once; `done` then never comes. */
  stop(): void
}

/** Renders a mix to a file in a worker. `onProgress` is told the share done, 0…1. */
export function startExport(task: Omit<ExportTask, 'audio'>, onProgress: (share: number) => void): Export {
  const worker = new WorkerHost<ExportApi>(
    () => new Worker(new URL('./export.worker.ts', import.meta.url), { type: 'module' }),
  )
  let stopped = false
  const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    const make = async () => {
      const sounding = soundingOf(task.song, task.mix)
      const audio = await audioOf(sounding)
      const { song, mix } = sounding
      if (!stopped)
        resolve(await worker.ask((remote) => remote.make({ ...task, song, mix, audio }, proxy(onProgress))))
    }
    make()
      .catch((error: Error) => (stopped ? undefined : reject(error)))
      .finally(() => worker.close())
  })
  return {
    done,
    stop: () => {
      stopped = true
      worker.close()
    },
  }
}

/** Lets the browser save a file. */
export function saveFile(name: string, type: string, bytes: Uint8Array<ArrayBuffer>): void {
  const url = URL.createObjectURL(new Blob([bytes], { type }))
  const link = Object.assign(document.createElement('a'), { href: url, download: name })
  link.click()
  // the browser has taken it over by then
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
