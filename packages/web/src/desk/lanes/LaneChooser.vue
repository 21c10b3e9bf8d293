<script setup lang="ts">
/** Chooses what is drawn: every control of the mix, the common ones first; what holds moves and what the brief asks is marked. */
import { laneControlName } from '@rudlo/core/assess'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import LaneSign from '../../editor/lane/LaneSign.vue'
import { MOST_LANES } from './desk-lanes'
import { useLanesToChoose } from './lanes-to-choose'
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

const { owner, nameOf, groups, keepsTempo, prepare } = useLanesToChoose(() => props.address, {
  open,
  search,
  withMoves,
  onlyHere,
})
const label = computed(() => {
  const name = laneControlName(work.mix!, props.address)
  return name[0]!.toUpperCase() + name.slice(1)
})

/** Shows a lane in the place of this one. */
function choose(address: string): void {
  prepare(address)
  desk.address = props.address
  desk.address = address
  open.value = false
}

/** Shows a lane below this one. */
function beside(address: string): void {
  prepare(address)
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
        :label="t('chooser.only-owner', { owner: nameOf(owner) })"
      />
      <CheckField v-model="desk.follows" :label="t('chooser.follow')" data-test="follows" />
      <RowButton
        v-if="owner && !search"
        class="lane"
        data-test="all-lines"
        @click="((desk.linesOf = owner), (open = false))"
      >
        <v-icon icon="$notes" size="18" />{{ t('chooser.all', { owner: nameOf(owner) }) }}
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
            <LaneSign :family="l.family" />
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
      <p v-if="keepsTempo" class="soft small" data-test="keeps-tempo">{{ keepsTempo }}</p>
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

.lane > span:first-of-type {
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

.small {
  margin-top: 6px;
  font-size: 13px;
}
</style>
