/** A way for MIDI bytes to go to and from a surface. */
export interface SurfacePort {
  send(bytes: readonly number[]): void
  /** Who takes what comes in. */
  listen(take: (bytes: readonly number[]) => void): void
  /** Who is told when the surface was pulled out; a port that cannot tell has none. */
  onLost?(tell: () => void): void
  close(): void
}

/** The two ends of the internal port: the desk and the practice rig, which may be in another window of this browser. */
export type PortEnd = 'desk' | 'rig'

const CHANNEL = 'rudlo-rig'

interface Carried {
  readonly to: PortEnd
  readonly bytes: readonly number[]
}

/** One end of the internal port. It carries bytes and nothing else. */
export function internalPort(end: PortEnd): SurfacePort {
  const channel = new BroadcastChannel(CHANNEL)
  const other: PortEnd = end === 'desk' ? 'rig' : 'desk'
  return {
    send: (bytes) => channel.postMessage({ to: other, bytes } satisfies Carried),
    listen: (take) => {
      channel.onmessage = ({ data }: MessageEvent<Carried>) => {
        if (data.to === end) take(data.bytes)
      }
    },
    close: () => channel.close(),
  }
}
