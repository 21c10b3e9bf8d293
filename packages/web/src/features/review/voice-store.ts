import { SPOKEN } from '@rudlo/contract/reviews'
import { useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { server, told } from '../../api/client'
import { ApiError } from '../../api/errors'
import { useSession } from '../../api/session-store'
import { UnsentVoices, type UnsentVoice } from '../../document/unsent-voice'
import { usePlayer } from '../../engine/player-store'
import { reasonOf, VoiceRecorder } from '../../engine/voice/recorder'
import { t } from '../../words/t'
import type { RemarkPlace } from './remark-acts'
import { useReview } from './review-store'

/** What is shorter was a slip of the finger, in ms. */
const SHORTEST = 400
const AGAIN_MS = 5000
const LOOK_MS = 60
/** Answers by which a recording never will be taken. */
const WRONG: readonly number[] = [400, 404, 409, 413]

/** Base64 of bytes. */
function base64(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192))
  return btoa(text)
}

/** Remarks that are spoken: recorded, kept in this browser at once, and sent until the server has them. */
export const useVoice = defineStore('voice', () => {
  const review = useReview()
  const player = usePlayer()
  const session = useSession()
  /** How long the recording is so far, in ms, and how loud it is, 0…1; null while none is made. */
  const speaking = ref<{ readonly ms: number; readonly loudness: number } | null>(null)
  /** How many are not sent yet. */
  const waiting = ref(0)
  let unsent: UnsentVoices | null = null
  let owner = ''
  const kept = () => {
    const person = session.person?.id ?? ''
    if (!unsent || owner !== person) unsent = new UnsentVoices(person)
    owner = person
    return unsent
  }

  let recorder: VoiceRecorder | null = null
  /** Whether it was let go of before the microphone was there. */
  let wanted = false
  /** What is spoken about, and where it is kept: whoever is signed out in the middle of it finds it again. */
  let about: { readonly place: RemarkPlace; readonly handIn: string; readonly shelf: UnsentVoices } | null =
    null

  const watching = useIntervalFn(
    () => {
      if (!recorder) return
      speaking.value = { ms: recorder.ms, loudness: recorder.loudness }
      if (recorder.ms >= SPOKEN.longest) void end()
    },
    LOOK_MS,
    { immediate: false },
  )

  /** Begins to record a remark on a place. What plays is stopped: it would be heard, too. */
  async function begin(where: RemarkPlace): Promise<void> {
    if (wanted || !review.handIn) return
    wanted = true
    player.stop()
    about = { place: where, handIn: review.handIn.id, shelf: kept() }
    try {
      recorder = await VoiceRecorder.begin()
      speaking.value = { ms: 0, loudness: 0 }
      watching.resume()
      if (!wanted) await end()
    } catch (error) {
      wanted = false
      review.tell(t(`voice.no.${reasonOf(error)}`))
    }
  }

  /** Ends the recording, and keeps and sends it. */
  async function end(): Promise<void> {
    wanted = false
    const [mine, of] = [recorder, about]
    if (!mine || !of) return
    recorder = null
    watching.pause()
    speaking.value = null
    const recording = await mine.stop()
    if (recording.ms < SHORTEST) {
      review.tell(t('voice.short'))
      return
    }
    // what was written meanwhile stands beside it
    const isHere = review.handIn?.id === of.handIn
    const words = isHere ? { text: review.draft.trim(), subject: review.subject } : { text: '', subject: '' }
    const voice = { id: crypto.randomUUID(), ...of.place, handIn: of.handIn, ...words, ...recording }
    const lasts = await of.shelf.keep(voice)
    if (isHere) review.writeDraft('')
    await sendKept()
    if (waiting.value && !lasts) review.tell(t('voice.only-here'))
  }

  /** Sends one. @returns whether the server has it now, or never will */
  async function send({ audio, handIn, ...voice }: UnsentVoice): Promise<boolean> {
    try {
      const made = await told(
        server['hand-ins'][':handIn'].spoken.$post({
          param: { handIn },
          json: { ...voice, audio: base64(audio), wave: [...voice.wave] },
        }),
      )
      review.keepRemark(handIn, made)
    } catch (error) {
      // what is wrong with it stays wrong; a full disk, a busy server or a session that is over do not
      const refused = error instanceof ApiError && WRONG.includes(error.status)
      review.tell(refused ? error.message : t('voice.later'))
      if (!refused) {
        await count()
        again.resume()
        return false
      }
    }
    await kept().forget(voice.id)
    await count()
    return true
  }

  /** Sends what waits, one after the other: whoever asks while it is sent waits for it, and for what came since. */
  let sending: Promise<void> = Promise.resolve()
  function sendKept(): Promise<void> {
    sending = sending.then(async () => {
      again.pause()
      for (const voice of await kept().all()) if (!(await send(voice))) return
    })
    return sending
  }
  const again = useIntervalFn(() => void sendKept(), AGAIN_MS, { immediate: false })

  async function count(): Promise<void> {
    waiting.value = (await kept().all()).length
  }

  // whoever signs out in the middle of it finds it again: nothing is put away before it is kept
  session.onFarewell(() => end())

  return { speaking, isSpeaking: computed(() => speaking.value !== null), waiting, begin, end, sendKept }
})
