<script setup lang="ts">
/** The last row of the balance: how loud everything together goes out. */
import { laneName } from '@rudlo/core/assess'
import { MAIN_LEVEL } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import ControlField from './ControlField.vue'
import ControlSlider from './ControlSlider.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

defineProps<{
  /** How many columns of sends lie between its controls and its switches. */
  sends: number
}>()

const desk = useDesk()
const player = usePlayer()
const work = useWork()
const name = computed(() => laneName(desk.song!, work.mix!, MAIN_LEVEL))
</script>

<template>
  <tr class="main" data-test="row-main">
    <th scope="row">{{ name }}</th>
    <td>
      <ControlSlider :address="MAIN_LEVEL" :label="t('balance.volume', { name })" :peak="player.peak" />
    </td>
    <td><ControlField :address="MAIN_LEVEL" :label="t('balance.volume.typed', { name })" /></td>
    <td :colspan="sends + 1" />
    <td class="switches">
      <AppButton
        small
        :aria-label="t('balance.why', { name })"
        :tip="t('balance.why.tip')"
        @click="desk.asked = MAIN_LEVEL"
      >
        ?
      </AppButton>
    </td>
    <td />
  </tr>
</template>

<style scoped>
.main {
  border-top: 2px solid var(--rule);
}

th {
  padding: 3px 12px 3px 0;
  font-weight: 640;
  text-align: left;
  white-space: nowrap;
}

td {
  padding: 3px 6px;
}

.switches {
  text-align: right;
}

.switches :deep(.small) {
  padding: 2px 9px;
  font-size: 13px;
}

@media (max-width: 1100px) {
  td {
    padding-inline: 3px;
  }
}

@media (max-height: 700px) {
  td,
  th {
    padding-block: 0;
  }
}
</style>
