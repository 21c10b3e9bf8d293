import type { ChildProcess } from 'node:child_process'

/** See watch-over.mjs. */
export function watchOver(
  server: ChildProcess,
  database: { answers(): Promise<boolean> },
  onHang: () => void,
  times?: { askMs?: number; patienceMs?: number },
): () => void
