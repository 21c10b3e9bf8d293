<script setup lang="ts">
/** What lies on the desk: who is how loud, or the lines with the cards of the tracks. */
import { defineAsyncComponent } from 'vue'
import BalanceView from './mixer/BalanceView.vue'
import HeardComing from './heard/HeardComing.vue'
import DeskCards from './lanes/DeskCards.vue'
import LaneDesk from './lanes/LaneDesk.vue'
import PassSummary from './pass/PassSummary.vue'
import LineList from '../editor/lane/LineList.vue'
import { useWork } from '../document/work-store'
import { useDesk } from './desk-store'

/** With the charts it needs: fetched when somebody looks. */
const HeardView = defineAsyncComponent({
  loader: () => import('./heard/HeardView.vue'),
  loadingComponent: HeardComing,
  errorComponent: HeardComing,
  delay: 0,
})

const desk = useDesk()
const work = useWork()
</script>

<template>
  <BalanceView v-if="desk.view === 'balance'" />
  <template v-else-if="desk.view === 'heard'">
    <HeardView />
    <DeskCards />
  </template>
  <template v-else>
    <LineList
      v-if="desk.linesOf"
      :song="desk.song!"
      :time="desk.time!"
      :mix="work.mix!"
      :owner="desk.linesOf"
      :span="desk.span"
      @choose="(address) => ((desk.address = address), (desk.linesOf = null))"
      @close="desk.linesOf = null"
      @zoom="desk.zoom"
      @scroll="desk.scroll"
    />
    <LaneDesk v-else />
    <PassSummary />
    <DeskCards />
  </template>
</template>
