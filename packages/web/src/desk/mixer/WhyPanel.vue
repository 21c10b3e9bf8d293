<script setup lang="ts">
/** Why something is not heard, or why moving a control changes nothing: every cause, worst first, with a way to it. */
import { laneName, whyNotHeard, type Remedy } from '@rudlo/core/assess'
import { resolve } from '@rudlo/core/mix'
import { beatInWords } from '@rudlo/core/time'
import { Sayer } from '@rudlo/sentences'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import AppDialog from '../../ui/overlays/AppDialog.vue'

const desk = useDesk()
const work = useWork()
const player = usePlayer()

const address = computed(() => desk.asked!)
const control = computed(() => resolve(work.mix!, address.value)!.control)
const name = computed(() => laneName(desk.song!, work.mix!, address.value))
const sayer = computed(() => new Sayer({ song: desk.song!, mix: work.mix! }))
const causes = computed(() =>
  whyNotHeard(
    desk.song!,
    work.mix!,
    // whether a lane is locked matters for lines, not for hearing a track
    { tick: player.position, moves: player.moves, solo: player.solo, isOpen: () => true },
    address.value,
  ),
)

const TEXTS: Readonly<Record<Remedy['kind'], string>> = {
  control: t('why.show'),
  lane: t('why.show-line'),
  place: t('why.go'),
  solo: t('why.hear'),
  moves: t('why.moves-on'),
}

function go(remedy: Remedy): void {
  desk.asked = null
  if (remedy.kind === 'solo') player.setSolo({ tracks: [], returns: [] })
  else if (remedy.kind === 'moves') player.setMoves(true)
  else if (remedy.kind === 'place') player.seek(remedy.tick)
  else if (remedy.kind === 'lane') {
    desk.view = 'lines'
    desk.address = remedy.address
  } else {
    desk.view = 'balance'
    const [kind, id, word] = remedy.address.split('/')
    const label = word === 'mute' ? t('why.mute') : t('why.volume')
    // the row may have to appear first
    setTimeout(
      () => document.querySelector<HTMLElement>(`[data-test="row-${id}"] [aria-label^="${label}"]`)?.focus(),
      60,
    )
    if (kind === 'main') work.notice = t('why.main-down')
  }
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="t('why.title', { control: control.name, name: name.split(',')[0]! })"
    data-test="why"
    @update:model-value="desk.asked = null"
  >
    <p class="soft">{{ t('why.at', { place: beatInWords(desk.time!.meter, player.position) }) }}</p>
    <ol v-if="causes.length">
      <li v-for="(cause, i) in causes" :key="i">
        <span>{{ sayer.say(cause.says) }}</span>
        <AppButton small @click="go(cause.remedy)">{{ TEXTS[cause.remedy.kind] }}</AppButton>
      </li>
    </ol>
    <p v-else>
      {{ t('why.none') }}
    </p>
    <template #acts
      ><AppButton tone="main" @click="desk.asked = null">{{ t('ui.close') }}</AppButton></template
    >
  </AppDialog>
</template>

<style scoped>
ol {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
</style>
