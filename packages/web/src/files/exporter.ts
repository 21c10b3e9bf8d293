import { loadAudio } from '../audio/asset-loader'
import type { ExportAnswer, ExportTask } from './export.worker'

/** A render that is under way. */
export interface Export {
  readonly done: Promise<Uint8Array<ArrayBuffer>>
  /** Ends it at once; `done` then never comes. */
  stop(): void
}

/** Renders a mix to a file in a worker. `onProgress` is told the share done, 0…1. */
export function startExport(task: Omit<ExportTask, 'audio'>, onProgress: (share: number) => void): Export {
  const worker = new Worker(new URL('./export.worker.ts', import.meta.url), { type: 'module' })
  let stopped = false
  const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ExportAnswer>) => {
      if ('progress' in data) return onProgress(data.progress)
      worker.terminate()
      if ('file' in data) resolve(data.file)
      else reject(new Error(data.error))
    }
    worker.onerror = () => reject(new Error('The render ended by itself. Try again.'))
    loadAudio(task.song.assets, () => undefined).then((audio) => {
      if (!stopped) worker.postMessage({ ...task, audio } satisfies ExportTask)
    }, reject)
  })
  return {
    done,
    stop: () => {
      stopped = true
      worker.terminate()
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
