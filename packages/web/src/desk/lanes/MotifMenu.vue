<script setup lang="ts">
/** Motifs: moves that are kept with a name and placed again; placed copies follow. */
import { copySpan } from '@rudlo/core/envelope'
import {
  editMotif,
  keepMotif,
  laneAt,
  motifsFor,
  placeMotif,
  removeMotif,
  renameMotif,
} from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

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
  const step = work.setMix((mix) => editMotif(mix, id, inner), change(t('motif.did.changed', { name })))
  if (step) work.notice = t('motif.changed', { name, n: uses(id) })
}

function rename(id: string, name: string): void {
  const next = name.trim().slice(0, 60)
  if (next) work.setMix((mix) => renameMotif(mix, id, next), change(t('motif.did.named', { name: next })))
}

function remove(id: string, name: string): void {
  const count = uses(id)
  work.setMix((mix) => removeMotif(mix, id), change(t('motif.did.removed', { name })))
  if (count)
    work.notice = t('motif.removed', { name, n: count })
}
</script>

<template>
  <v-menu :close-on-content-click="false" max-height="460">
    <template #activator="{ props: menu }">
      <AppButton small v-bind="menu" data-test="motifs">{{ t('motif.open') }}<v-icon icon="$choose" size="18" /></AppButton>
    </template>
    <div class="sheet list" role="group" :aria-label="t('motif.open')">
      <p class="soft">{{ t('motif.about') }}</p>
      <form class="keep" @submit.prevent="keep">
        <input
          v-model="wanted"
          :placeholder="t('motif.name')"
          :aria-label="t('motif.name')"
          maxlength="60"
          @keydown="keepKeys"
        />
        <AppButton small data-test="keep-motif">{{ t('motif.save') }}</AppButton>
      </form>
      <p v-if="!motifs.length" class="soft">{{ t('motif.none', { lane: name }) }}</p>
      <div v-for="m in motifs" :key="m.id" class="motif">
        <input
          :value="m.name"
          :aria-label="t('motif.rename', { name: m.name })"
          maxlength="60"
          @change="rename(m.id, ($event.target as HTMLInputElement).value)"
          @keydown="keepKeys"
        />
        <span class="soft">{{ uses(m.id) }} {{ uses(m.id) === 1 ? 'place' : 'places' }}</span>
        <span class="acts">
          <AppButton small :data-test="`place-${m.name}`" @click="place(m.id, m.name)">
            {{ t('motif.place') }}
          </AppButton>
          <AppButton small @click="reform(m.id, m.name, m.length)">{{ t('motif.reform') }}</AppButton>
          <AppButton small :aria-label="t('motif.remove', { name: m.name })" @click="remove(m.id, m.name)">
            <v-icon icon="$remove" size="18" />
          </AppButton>
        </span>
      </div>
    </div>
  </v-menu>
</template>

<style scoped>
.list {
  display: grid;
  gap: 8px;
  width: 420px;
  padding: 12px 14px;
  overflow-y: auto;
  font-size: 14px;
}

.keep,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.keep input {
  flex: 1;
}

.motif {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 10px;
  align-items: center;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

.acts {
  grid-column: 1 / -1;
}

input {
  height: 34px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
</style>
