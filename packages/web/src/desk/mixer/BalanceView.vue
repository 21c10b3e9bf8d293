<script setup lang="ts">
/** One row a track and a return: how loud, from where, what is sent; and who is how loud in the section that plays. */
import { EFFECTS, EFFECT_KINDS, type EffectKind } from '@rudlo/core/effects'
import { addReturn } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import { useBalanceOwners } from './balance-owners'
import BalanceRow from './BalanceRow.vue'
import ChainDialog from './ChainDialog.vue'
import MainRow from './MainRow.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import TermText from '../../ui/marks/TermText.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const desk = useDesk()
const work = useWork()
/** The track or return whose effects are open. */
const chain = ref<string | null>(null)

const song = computed(() => desk.song!)
const mix = computed(() => work.mix!)
const { owners, section, loudest } = useBalanceOwners()

const everything = { lanes: [], from: 0, to: 0 }
/** For a return: what rings comes first. */
const RINGING = ['decay', 'repeats']
const rank = (kind: EffectKind) => -1 - RINGING.toReversed().indexOf(EFFECTS[kind].picture ?? '')
const KINDS = [...EFFECT_KINDS].sort((a, b) => rank(a) - rank(b))

function add(kind: EffectKind): void {
  const name = t(`effect.${kind}`)
  const ids = { back: crypto.randomUUID(), effect: crypto.randomUUID() }
  work.setMix((m) => addReturn(m, name, kind, ids), {
    ...everything,
    label: t('balance.did.return', { name }),
  })
}

/** Everything as it was given out; the lines too. One step, undoable. */
function startAgain(): void {
  const start = desk.given!.startingMix
  work.setMix(() => start, { label: t('balance.did.start'), lanes: [], from: 0, to: song.value.length })
}

/** The returns that somebody may be sent to: a return only to those behind it. */
const mayFeed = (kind: 'track' | 'return', index: number) =>
  new Set(
    mix.value.returns
      .filter((_, target) => kind === 'track' || index - song.value.tracks.length < target)
      .map((r) => r.id),
  )
</script>

<template>
  <section class="sheet balance" :aria-label="t('balance.label')">
    <FigureTable class="rows" :label="t('balance.label')">
      <thead>
        <tr>
          <th scope="col">{{ t('balance.track') }}</th>
          <th scope="col" class="wide" colspan="2">{{ t('balance.head.volume') }}</th>
          <th scope="col"><TermText :text="t('balance.head.pan')" /></th>
          <th v-for="r in mix.returns" :key="r.id" scope="col">
            {{ t('balance.head.to', { name: r.name }) }}
          </th>
          <th scope="col"><span class="unseen">{{ t('balance.head.switches') }}</span></th>
          <th scope="col" class="section">
            {{ t('balance.head.loudness', { letter: section?.letter ?? '' }) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <BalanceRow
          v-for="(o, index) in owners"
          :key="o.id"
          :owner="o"
          :feeds="mayFeed(o.kind, index)"
          :loudest="loudest"
          @effects="chain = o.id"
        />
        <MainRow :sends="mix.returns.length" />
      </tbody>
    </FigureTable>
    <p class="foot">
      <AppMenu :label="t('balance.add-return')">
        <template #opener="{ opener }"
          ><AppButton v-bind="opener" small icon="add" data-test="add-return">{{
            t('balance.add-return')
          }}</AppButton></template
        >
        <MenuItem
          v-for="k in KINDS"
          :key="k"
          :tip="t(`effect.${k}.about`)"
          :data-test="`return-${k}`"
          @click="add(k)"
          >{{ t(`effect.${k}`) }}</MenuItem
        >
      </AppMenu>
      <AppButton small data-test="start-again" @click="startAgain">{{ t('balance.to-start') }}</AppButton>
      <TermText class="soft" :text="t('balance.note')" />
    </p>
    <ChainDialog v-if="chain" :owner="chain" @close="chain = null" />
  </section>
</template>

<style scoped>
.balance {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 4px 14px 8px;
}

thead th {
  position: sticky;
  top: -4px;
  z-index: 2;
  padding: 5px 6px;
  background: var(--sheet);
  color: var(--soft);
  font-size: 13px;
  font-weight: 560;
  text-align: left;
  white-space: nowrap;
}

.wide {
  width: 40%;
  min-width: 170px;
}

.section {
  min-width: 118px;
}

@media (max-width: 1100px) {
  .wide {
    width: 30%;
    min-width: 90px;
  }

  .section {
    min-width: 62px;
  }
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
  font-size: 14px;
}
</style>
