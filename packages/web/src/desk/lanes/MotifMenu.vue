<script setup lang="ts">
/** Motifs: moves that are kept with a name and placed again; placed copies follow. */
import { copySpan } from '@rudlo/core/envelope'
import {
  editMotif,
  envelopeOf,
  keepMotif,
  laneAt,
  motifsFor,
  placeMotif,
  removeMotif,
  renameMotif,
  type Mix,
} from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

defineProps<{ name: string }>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const wanted = ref('')

const lane = computed(() => laneAt(work.mix!, desk.address)!)
const motifs = computed(() => motifsFor(work.mix!, desk.address))
const uses = (id: string) => work.mix!.placements.filter((p) => p.motif === id).length
const change = (label: string, from = 0, to = 0) => ({ label, lanes: [desk.address], from, to })

function isLocked(): boolean {
  const locked = !desk.isOpen(desk.address)
  if (locked) work.notice = t('motif.locked')
  return locked
}

/** Keeps the selected bars. */
function keep(): void {
  const span = desk.selection
  const name = wanted.value.trim() || t('motif.usual-name', { number: work.mix!.motifs.length + 1 })
  if (!span) return
  const ids = { motif: crypto.randomUUID(), placement: crypto.randomUUID() }
  const { points } = lane.value
  work.setMix(
    (mix) => keepMotif(mix, desk.address, points, span, name.slice(0, 60), ids),
    change(t('motif.did.kept', { name }), span.from, span.to),
  )
  wanted.value = ''
}

function place(id: string, name: string): void {
  if (isLocked()) return
  const at = desk.snap(player.position, false)
  const ids = { placement: crypto.randomUUID(), envelope: crypto.randomUUID() }
  work.setMix(
    (mix) => placeMotif(mix, id, desk.address, lane.value.points, at, ids),
    change(t('motif.did.placed', { name }), at, at),
  )
}

/** Takes the selected bars as the new form of a motif: every copy follows. */
function reform(id: string, name: string, length: number): void {
  const span = desk.selection
  if (!span) return
  const inner = copySpan(lane.value.points, lane.value.control.scale, {
    from: span.from,
    to: span.from + length,
  })
  const ids = { placement: crypto.randomUUID(), envelope: crypto.randomUUID() }
  const at = span.from
  const envelope = envelopeOf(work.mix!, desk.address)?.id
  const follows = (p: Mix['placements'][number]) =>
    p.motif === id && p.envelope === envelope && p.start === at
  // the place that it was taken from follows as well from now on
  const step = work.setMix(
    (mix) => {
      const edited = editMotif(mix, id, inner)
      if (edited.placements.some(follows)) return edited
      return placeMotif(edited, id, desk.address, laneAt(edited, desk.address)!.points, at, ids)
    },
    change(t('motif.did.changed', { name }), at, at + length),
  )
  if (step) work.notice = t('motif.changed', { name, n: uses(id) })
}

function rename(id: string, name: string): void {
  const next = name.trim().slice(0, 60)
  if (next) work.setMix((mix) => renameMotif(mix, id, next), change(t('motif.did.named', { name: next })))
}

function remove(id: string, name: string): void {
  const count = uses(id)
  work.setMix((mix) => removeMotif(mix, id), change(t('motif.did.removed', { name })))
  if (count) work.notice = t('motif.removed', { name, n: count })
}
</script>

<template>
  <AppMenu stays :label="t('motif.open')">
    <template #opener="{ opener: menu }">
      <AppButton small v-bind="menu" data-test="motifs"
        >{{ t('motif.open') }}<v-icon icon="$choose" size="18"
      /></AppButton>
    </template>
    <div class="list">
      <p class="soft">{{ t('motif.about') }}</p>
      <form class="keep" @submit.prevent="keep">
        <TextField v-model="wanted" compact :label="t('motif.name')" maxlength="60" @keydown="keepKeys" />
        <AppButton type="submit" tone="main" data-test="keep-motif">{{ t('motif.save') }}</AppButton>
      </form>
      <p v-if="!motifs.length" class="soft">{{ t('motif.none', { lane: name }) }}</p>
      <div v-for="m in motifs" :key="m.id" class="motif">
        <TextField
          bare
          :model-value="m.name"
          :label="t('motif.rename', { name: m.name })"
          maxlength="60"
          @change="rename(m.id, ($event.target as HTMLInputElement).value)"
          @keydown="keepKeys"
        />
        <span class="soft">{{ t('motif.uses', { n: uses(m.id) }) }}</span>
        <span class="acts">
          <AppButton small :data-test="`place-${m.name}`" @click="place(m.id, m.name)">
            {{ t('motif.place') }}
          </AppButton>
          <AppButton small @click="reform(m.id, m.name, m.length)">{{ t('motif.reform') }}</AppButton>
          <IconButton
            icon="remove"
            :label="t('motif.remove', { name: m.name })"
            @click="remove(m.id, m.name)"
          />
        </span>
      </div>
    </div>
  </AppMenu>
</template>

<style scoped>
.list {
  display: grid;
  gap: var(--space-2);
  width: 420px;
  font-size: var(--text-1);
}

.keep,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}

.motif {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--space-1) var(--space-3);
  align-items: center;
  padding-top: var(--space-2);
  border-top: 1px solid var(--rule);
}

.acts {
  grid-column: 1 / -1;
}
</style>
