<script setup lang="ts">
/** At a teacher's own bench: what is there becomes the model, and back to the brief. */
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { roughBalance } from '@rudlo/core/analysis'
import { usePlayer } from '../../engine/player-store'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: string }>()
const work = useWork()
const desk = useDesk()
const player = usePlayer()
const router = useRouter()
const busy = ref(false)
let keeping: Promise<unknown> = Promise.resolve()

/** Back to the brief, once what is being kept is kept: it is proposed from there. */
async function toBrief(): Promise<void> {
  await keeping
  await router.push(`/brief/${props.assignment}?part=model`)
}

/** Sets faders by the roles of the tracks and how loud each is by itself: a place to begin by ear. */
function roughly(): void {
  const loudness = Object.fromEntries(
    desk.song!.tracks.map(({ id }, i) => {
      const own = player.trackLoudness(i, 0, desk.song!.length)
      const level = work.mix!.tracks.find((t) => t.id === id)!.level
      return [id, own === null || !Number.isFinite(own) ? null : own - level]
    }),
  )
  const levels = roughBalance(desk.song!.tracks, loudness)
  work.setMix(
    (mix) => ({ ...mix, tracks: mix.tracks.map((t) => ({ ...t, level: levels[t.id] ?? t.level })) }),
    { label: t('model.did.rough'), lanes: [], from: 0, to: desk.song!.length },
  )
  work.notice = t('model.rough.done')
}

async function act(what: () => Promise<void>): Promise<void> {
  busy.value = true
  keeping = attempt(what, (sentence) => (work.notice = sentence))
  await keeping
  busy.value = false
}

/** Makes what is there the mix that everybody begins with. Works that were begun stay as they are. */
const keepStart = () =>
  act(async () => {
    const now = await told(
      server.assignments[':assignment'].$get({ param: { assignment: props.assignment } }),
    )
    if (!now.settings) return
    const { title, brief, settings } = now
    await told(
      server.assignments[':assignment'].$put({
        param: { assignment: props.assignment },
        json: {
          title,
          brief,
          modelHeard: settings.modelHeard,
          draft: settings.draft,
          opensAt: settings.opensAt,
          dueAt: settings.dueAt,
          handInLimit: settings.handInLimit,
          revision: settings.revision,
          startingMix: work.mix!,
        },
      }),
    )
    work.notice = t('model.start.done')
  })

const keep = () =>
  act(async () => {
    await told(
      server.assignments[':assignment'].model.$put({
        param: { assignment: props.assignment },
        json: { mix: work.mix! },
      }),
    )
    work.notice = t('model.model.done')
  })
</script>

<template>
  <AppButton data-test="to-brief" @click="toBrief">{{ t('model.edit') }}</AppButton>
  <AppButton
    small
    :disabled="!player.instant"
    :tip="t('model.rough.tip')"
    data-test="rough-balance"
    @click="roughly"
  >
    {{ t('model.rough') }}
  </AppButton>
  <AppButton :busy="busy" data-test="keep-start" @click="keepStart">{{ t('model.start') }}</AppButton>
  <AppButton tone="main" :busy="busy" data-test="keep-model" @click="keeping = keep()">{{
    t('model.model')
  }}</AppButton>
</template>
