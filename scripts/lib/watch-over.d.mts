/** A server that can be asked: a child process is one. */
export interface Asked {
  readonly connected: boolean
  send(message: object, sent?: () => void): unknown
  on(event: 'message', listener: (message: { readonly pong?: unknown }) => void): unknown
  off(event: 'message', listener: (message: { readonly pong?: unknown }) => void): unknown
}

/** See watch-over.mjs. */
export function watchOver(
  server: Asked,
  database: { answers(): Promise<boolean> },
  onHang: () => void,
  times?: { askMs?: number; patienceMs?: number },
): () => void
