<script setup lang="ts">
/** Chooses what is drawn: every control of the mix, the common ones first; what holds moves and what the brief asks is marked. */
import { laneControlName, laneName } from '@rudlo/core/assess'
import { allLanes, envelopeOf, lanesOf, MAIN_LEVEL, resolve } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { MOST_LANES } from './desk-lanes'
import { keepKeys } from '../../ui/keys/keep-keys'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  /** The lane in whose place another one is shown. */
  address: string
}>()

const desk = useDesk()
const work = useWork()
const open = ref(false)
const search = ref('')
const withMoves = ref(false)
const onlyHere = ref(false)

const owner = computed(() => resolve(work.mix!, props.address)?.owner ?? null)
const ownerName = (id: string | null) =>
  desk.song!.tracks.find((t) => t.id === id)?.name ??
  work.mix!.returns.find((r) => r.id === id)?.name ??
  laneName(desk.song!, work.mix!, MAIN_LEVEL)
const label = computed(() => {
  const name = laneControlName(work.mix!, props.address)
  return name[0]!.toUpperCase() + name.slice(1)
})

interface Lane {
  readonly address: string
  readonly owner: string | null
  readonly name: string
  readonly moves: boolean
  readonly brief: boolean
  readonly family: string
}

const describe = (address: string): Lane => {
  const found = resolve(work.mix!, address)!
  return {
    address,
    owner: found.owner,
    name: laneControlName(work.mix!, address),
    moves: (envelopeOf(work.mix!, address)?.points.length ?? 0) > 0,
    brief: desk.isInBrief(address),
    family: found.control.family,
  }
}

/** Other words for what a lane moves, as people look for it. */
const alsoCalled = (address: string) =>
  /^(track|return|main)\/([^/]+\/)?level$/.test(address)
    ? t('chooser.also.level')
    : address.startsWith('send/')
      ? t('chooser.also.send')
      : ''

/** Lanes of the track at hand, and the main output's; of everything where something is searched or only moves are wanted. */
const groups = computed(() => {
  if (!open.value) return []
  const words = search.value.trim().toLowerCase()
  const wide = words || (withMoves.value && !onlyHere.value)
  const lanes = (
    wide || !owner.value ? allLanes(work.mix!) : [...lanesOf(work.mix!, owner.value), MAIN_LEVEL]
  ).map(describe)
  const kept = lanes.filter(
    (l) =>
      (!withMoves.value || l.moves) &&
      (!words || `${ownerName(l.owner)} ${l.name} ${alsoCalled(l.address)}`.toLowerCase().includes(words)),
  )
  const owners = [...new Set(kept.map((l) => l.owner))]
  return owners.map((id) => ({ name: ownerName(id), lanes: kept.filter((l) => l.owner === id) }))
})

/** Shows a lane in the place of this one. */
function choose(address: string): void {
  desk.address = props.address
  desk.address = address
  open.value = false
}

/** Shows a lane below this one. */
function beside(address: string): void {
  desk.address = props.address
  desk.showBeside(address)
  open.value = false
}

const onDesk = (address: string) => desk.lanes.some((l) => l.address === address)
</script>

<template>
  <AppMenu v-model="open" stays :label="t('chooser.title')">
    <template #opener="{ opener: menu }">
      <RowButton v-bind="menu" class="chooser" data-test="lane-chooser" :tip="t('chooser.open')">
        {{ label }}<v-icon icon="$choose" size="18" />
      </RowButton>
    </template>
    <div class="list">
      <TextField v-model="search" compact :label="t('chooser.search')" @keydown="keepKeys" />
      <CheckField v-model="withMoves" :label="t('chooser.only-moves')" />
      <CheckField
        v-if="withMoves"
        v-model="onlyHere"
        :label="t('chooser.only-owner', { owner: ownerName(owner) })"
      />
      <CheckField v-model="desk.follows" :label="t('chooser.follow')" data-test="follows" />
      <RowButton
        v-if="owner && !search"
        class="lane"
        data-test="all-lines"
        @click="((desk.linesOf = owner), (open = false))"
      >
        <v-icon icon="$notes" size="18" />{{ t('chooser.all', { owner: ownerName(owner) }) }}
      </RowButton>
      <p v-if="!groups.length" class="soft">{{ t('chooser.none') }}</p>
      <template v-for="g in groups" :key="g.name">
        <h3>{{ g.name }}</h3>
        <div v-for="l in g.lanes" :key="l.address" class="row">
          <RowButton
            class="lane"
            :aria-current="l.address === address"
            :data-test="`lane-${l.address}`"
            @click="choose(l.address)"
          >
            <span class="mark" :class="l.family" aria-hidden="true" />
            <span>{{ l.name }}</span>
            <span v-if="l.moves" class="sign">{{ t('chooser.has-moves') }}</span>
            <span v-if="l.brief" class="sign asked">{{ t('chooser.in-brief') }}</span>
            <v-icon
              v-else-if="!desk.isOpen(l.address)"
              icon="$locked"
              size="15"
              :title="t('chooser.locked')"
            />
          </RowButton>
          <RowButton
            class="add"
            :disabled="onDesk(l.address) || desk.lanes.length >= MOST_LANES"
            :aria-label="t('chooser.add', { lane: l.name, owner: g.name })"
            :tip="t('chooser.add.tip')"
            :data-test="`beside-${l.address}`"
            @click="beside(l.address)"
          >
            <v-icon icon="$add" size="18" />
          </RowButton>
        </div>
      </template>
      <p class="soft small">{{ t('chooser.note') }}</p>
    </div>
  </AppMenu>
</template>

<style scoped>
.chooser {
  display: inline-flex;
  gap: 2px;
  align-items: center;
  align-self: start;
  min-height: var(--target);
  margin-left: -8px;
  padding: 0 4px 0 8px;
  border: 1px solid transparent;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.chooser:hover {
  border-color: var(--rule);
  background: var(--paper);
}

.list {
  display: grid;
  gap: 2px;
  width: 330px;
  padding: 12px;
  overflow-y: auto;
}

.list > input {
  height: 36px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  font-size: 14px;
}

h3 {
  margin-top: 8px;
  font-size: 14px;
}

.row {
  display: flex;
  gap: 2px;
}

.add {
  display: grid;
  place-items: center;
  width: 34px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  cursor: pointer;
}

.add:hover {
  background: var(--wash);
}

.add:disabled {
  color: var(--rule);
  cursor: default;
}

.lane {
  flex: 1;
  display: flex;
  gap: 9px;
  align-items: center;
  min-height: 34px;
  padding: 0 8px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.lane:hover,
.lane[aria-current='true'] {
  background: var(--wash);
}

.lane span:nth-child(2) {
  flex: 1;
}

.sign {
  color: var(--soft);
  font-size: 12px;
}

.asked {
  font-weight: 700;
  color: var(--ink);
}

.lane .mark {
  flex: none;
  width: 14px;
  height: 10px;
  border-radius: 50%;
  transform: rotate(-20deg);
  background: var(--family-volume);
}

.lane .mark.pan {
  background: var(--family-pan);
}

.lane .mark.send {
  background: var(--family-send);
}

.lane .mark.effect {
  background: var(--family-effect);
}

.lane .mark.switch {
  border-radius: 2px;
  background: var(--family-switch);
}

.small {
  margin-top: 6px;
  font-size: 13px;
}
</style>
