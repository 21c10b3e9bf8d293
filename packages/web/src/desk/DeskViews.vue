<script setup lang="ts">
/** What lies on the desk: who is how loud, or the lines with the cards of the tracks. */
import BalanceView from './mixer/BalanceView.vue'
import DeskCards from './lanes/DeskCards.vue'
import LaneDesk from './lanes/LaneDesk.vue'
import PassSummary from './pass/PassSummary.vue'
import { useDesk } from './desk-store'

const desk = useDesk()
</script>

<template>
  <BalanceView v-if="desk.view === 'balance'" />
  <template v-else>
    <LaneDesk />
    <PassSummary />
    <DeskCards />
  </template>
</template>
