<script setup lang="ts">
/** At a teacher's own bench: what is there becomes the model, and back to the brief. */
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { roughBalance } from '@rudlo/core/analysis'
import { usePlayer } from '../audio/player-store'
import { get, put } from '../server/api'
import { attempt } from '../server/attempt'
import type { WrittenAssignment } from '../server/views'
import { useWork } from '../work/work-store'
import { useBench } from './bench-store'

const props = defineProps<{ assignment: string }>()
const work = useWork()
const bench = useBench()
const player = usePlayer()
const router = useRouter()
const busy = ref(false)
let keeping: Promise<void> = Promise.resolve()

/** Back to the brief, once what is being kept is kept: it is proposed from there. */
async function toBrief(): Promise<void> {
  await keeping
  await router.push(`/brief/${props.assignment}`)
}

/** Sets faders by the roles of the tracks and how loud each is by itself: a place to begin by ear. */
function roughly(): void {
  const loudness = Object.fromEntries(
    bench.song!.tracks.map(({ id }, i) => {
      const own = player.trackLoudness(i, 0, bench.song!.length)
      const level = work.mix!.tracks.find((t) => t.id === id)!.level
      return [id, own === null || !Number.isFinite(own) ? null : own - level]
    }),
  )
  const levels = roughBalance(bench.song!.tracks, loudness)
  work.setMix(
    (mix) => ({ ...mix, tracks: mix.tracks.map((t) => ({ ...t, level: levels[t.id] ?? t.level })) }),
    { label: 'Set a rough balance', lanes: [], from: 0, to: bench.song!.length },
  )
  work.notice = 'A rough balance, from what each track does and how loud it is. Go on by ear.'
}

async function act(what: () => Promise<void>): Promise<void> {
  busy.value = true
  await attempt(what, (sentence) => (work.notice = sentence))
  busy.value = false
}

/** Makes what is there the mix that everybody begins with. Works that were begun stay as they are. */
const keepStart = () =>
  act(async () => {
    const now = await get<WrittenAssignment>(`/api/assignments/${props.assignment}`)
    const { title, brief, settings } = now
    await put(`/api/assignments/${props.assignment}`, {
      title,
      brief,
      modelHeard: settings.modelHeard,
      opensAt: settings.opensAt,
      dueAt: settings.dueAt,
      handInLimit: settings.handInLimit,
      revision: settings.revision,
      startingMix: work.mix,
    })
    work.notice = 'Everybody who has not begun starts from this mix now.'
  })

const keep = () =>
  act(async () => {
    await put(`/api/assignments/${props.assignment}/model`, { mix: work.mix })
    work.notice = 'This is the model now. Students hear it only when you allow it.'
  })
</script>

<template>
  <v-btn variant="outlined" data-test="to-brief" @click="toBrief">Brief</v-btn>
  <button
    class="chip"
    :disabled="!player.instant"
    title="Faders by what each track does and how loud it is"
    data-test="rough-balance"
    @click="roughly"
  >
    Rough balance
  </button>
  <v-btn variant="outlined" :loading="busy" data-test="keep-start" @click="keepStart"
    >Keep as the start</v-btn
  >
  <v-btn color="primary" variant="flat" :loading="busy" data-test="keep-model" @click="keeping = keep()"
    >Keep as the model</v-btn
  >
</template>
