import type { StudentTermAssignment } from '@rudlo/contract/term'
import { strToU8, zipSync } from 'fflate'
import { onBeforeUnmount, ref, watch } from 'vue'
import { server, told } from '../../api/client'
import { saveFile, startExport, type Export } from '../../desk/files/exporter'
import { usePlayer } from '../../engine/player-store'
import { t } from '../../words/t'

/** Hearing the best version of an assignment, and taking a mixdown of all of them home. */
export function useTakeHome() {
  const player = usePlayer()
  /** The hand-in that is heard. */
  const playing = ref<string | null>(null)
  const busy = ref(false)
  /** How much of it is made, 0…1. */
  const share = ref(0)
  const notice = ref<string | null>(null)
  let under: Export | null = null
  let left = false

  const opened = async ({ assignment, best }: StudentTermAssignment) => {
    const [view, version] = await Promise.all([
      told(server.assignments[':assignment'].$get({ param: { assignment } })),
      told(server['hand-ins'][':handIn'].$get({ param: { handIn: best!.handIn } })),
    ])
    return { song: view.songDocument, mix: version.document.mix }
  }

  async function hear(one: StudentTermAssignment): Promise<void> {
    stop()
    const { handIn } = one.best!
    playing.value = handIn
    try {
      const { song, mix } = await opened(one)
      if (playing.value !== handIn) return
      await player.open(song, mix)
      if (playing.value !== handIn) return
      player.seek(0)
      await player.play()
    } catch (error) {
      playing.value = null
      notice.value = (error as Error).message
    }
  }

  function stop(): void {
    playing.value = null
    if (player.playing) player.stop()
  }
  watch(
    () => player.playing,
    (now, before) => {
      if (before && !now) playing.value = null
    },
  )

  /** Renders every version and lets the browser save them as one archive. */
  async function takeHome(all: readonly StudentTermAssignment[]): Promise<void> {
    busy.value = true
    share.value = 0
    const files: Record<string, Uint8Array> = {}
    try {
      for (const [i, one] of all.entries()) {
        const { song, mix } = await opened(one)
        under = startExport({ what: 'mixdown', song, mix }, (done) => (share.value = (i + done) / all.length))
        const bytes = await under.done
        if (left) return
        files[
          `${String(i + 1).padStart(2, '0')} ${one.title.replace(/[^\p{L}\p{N} ._-]+/gu, ' ').trim()}.wav`
        ] = bytes
      }
      files['about.txt'] = strToU8(t('progress.take.about', { n: all.length }))
      // recordings get no smaller
      saveFile(
        `${t('progress.take.file')}.zip`,
        'application/zip',
        zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>,
      )
    } catch (error) {
      notice.value = (error as Error).message
    } finally {
      busy.value = false
      under = null
    }
  }
  onBeforeUnmount(() => {
    left = true
    under?.stop()
  })

  return { playing, busy, share, notice, hear, takeHome, stop }
}
