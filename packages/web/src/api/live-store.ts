import { defineStore } from 'pinia'
import { onScopeDispose, ref } from 'vue'
import { server, told } from './client'
import { HAPPENING_KINDS, type HappeningData, type HappeningView } from '@rudlo/contract/live'
import { isText, readKeptOr, shape } from '@rudlo/core/stored'

/** Without a line for so long the page asks for itself. */
const PATIENCE_MS = 4000
const ASK_MS = 5000
/** So many ids are remembered, so that nothing is told twice. */
const HEARD = 1000

type Ear = (happening: HappeningView) => void

const isHappening = shape<HappeningView>({
  id: isText,
  kind: (kind) => HAPPENING_KINDS.some((known) => known === kind),
  data: shape<HappeningData>({ assignment: isText, handIn: isText }),
})

/**
 * What happens elsewhere, as soon as it does: over a line that the server writes to, or by asking while there is none. The
 * browser opens a lost line again by itself, and what was missed comes then.
 */
export const useLive = defineStore('live', () => {
  /** Whether the line is open. */
  const connected = ref(false)
  const ears = new Set<Ear>()
  let source: EventSource | null = null
  let last: string | null = null
  /** What was heard already: some of it has a lower id than what came before. */
  const heard = new Set<string>()
  let timer: ReturnType<typeof setTimeout> | undefined

  function take(happening: HappeningView): void {
    if (heard.has(happening.id)) return
    heard.add(happening.id)
    if (heard.size > HEARD) heard.delete(heard.values().next().value!)
    if (last === null || Number(happening.id) > Number(last)) last = happening.id
    for (const ear of [...ears]) ear(happening)
  }

  async function ask(): Promise<void> {
    try {
      const query = last === null ? {} : { after: last }
      const { newest, happenings } = await told(server.happenings.$get({ query }))
      happenings.forEach(take)
      last ??= newest
    } catch {
      // the next time is soon
    }
  }

  /** Asks from time to time while the line is not open. */
  function watchLine(): void {
    clearTimeout(timer)
    timer = setTimeout(
      async () => {
        if (!connected.value) await ask()
        // a browser that has given up is helped
        if (source?.readyState === 2) open()
        if (ears.size) watchLine()
      },
      connected.value ? ASK_MS : PATIENCE_MS,
    )
  }

  function open(): void {
    source?.close()
    if (typeof EventSource === 'undefined') return
    source = new EventSource(`/api/happenings/live${last === null ? '' : `?after=${last}`}`)
    source.addEventListener('open', () => (connected.value = true))
    source.addEventListener('error', () => (connected.value = false))
    source.addEventListener('happening', ({ data }: MessageEvent<string>) => {
      const happening = readKeptOr(data, isHappening, null)
      if (happening) take(happening)
    })
  }

  function close(): void {
    clearTimeout(timer)
    source?.close()
    source = null
    connected.value = false
  }

  /** Listens until the component or store that asked is gone. */
  function listen(ear: Ear): void {
    ears.add(ear)
    if (ears.size === 1) void ask().then(() => (ears.size ? open() : undefined))
    watchLine()
    onScopeDispose(() => {
      ears.delete(ear)
      if (!ears.size) close()
    })
  }

  /** Forgets who listened: another person is here now. */
  function reset(): void {
    close()
    ears.clear()
    last = null
    heard.clear()
  }

  return { connected, listen, reset }
})
