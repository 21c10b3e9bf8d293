import { askedTempo, soundingOf, type Mix, type Sounding } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { ref } from 'vue'
import { whenAtRest } from './calm'
import { audioOf, isSameTempo } from './song-audio'

/** How long a hand that draws on the tempo has rested before everybody learns it, in ms. */
const LEARN_MS = 700

/** What the learner needs to know and can do. */
export interface TempoPorts {
  /** The song as it is and the mix that was asked for last; null while none is open. */
  asked(): { readonly song: SongVersion; readonly mix: Mix } | null
  /** The tempo in which it is heard. */
  heard(): Sounding['anew']
  /** Opens it anew, and goes on from where it was. */
  reopen(song: SongVersion, mix: Mix): Promise<void>
  failed(error: Error): void
}

/** A mix that asks for another tempo is heard in it when the hand rests: everybody learns it first, while it plays on. */
export function tempoLearner(ports: TempoPorts) {
  /** Whether a tempo is being learnt just now. */
  const learning = ref(false)
  let lesson = 0
  const soon = whenAtRest(LEARN_MS, () => void learn())

  const isHeard = ({ song, mix }: { readonly song: SongVersion; readonly mix: Mix }) =>
    isSameTempo(askedTempo(song, mix), ports.heard())

  async function learn(): Promise<void> {
    const asked = ports.asked()
    if (!asked || isHeard(asked)) return
    const mine = ++lesson
    learning.value = true
    try {
      const wanted = soundingOf(asked.song, asked.mix)
      await audioOf(wanted)
      const now = ports.asked()
      if (mine !== lesson || !now) return
      // it may have been drawn on meanwhile
      if (!isSameTempo(askedTempo(now.song, now.mix), wanted.anew)) return soon.ask()
      await ports.reopen(now.song, now.mix)
    } catch (error) {
      if (mine === lesson) ports.failed(error as Error)
    } finally {
      learning.value = false
    }
  }

  return {
    learning,
    /** A mix was asked for: where its tempo is not the one that is heard, it is learnt. */
    look: (): void => {
      const asked = ports.asked()
      if (asked && !isHeard(asked)) soon.ask()
    },
    /** Another song is opened, or none: what was to be learnt is not. */
    forget: (): void => {
      lesson++
      soon.forget()
    },
  }
}
