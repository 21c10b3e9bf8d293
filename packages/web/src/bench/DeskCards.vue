<script setup lang="ts">
/** The track cards under the desk: they follow the work, so that the page around them need not. */
import { usePlayer } from '../audio/player-store'
import TrackCards from '../tracks/TrackCards.vue'
import { useWork } from '../work/work-store'
import { useBench } from './bench-store'

const bench = useBench()
const work = useWork()
const player = usePlayer()
</script>

<template>
  <TrackCards
    :song="bench.song!"
    :mix="work.mix!"
    :address="bench.address"
    :peaks="player.trackPeaks"
    :is-open="bench.isOpen"
    mixer
    @choose="(address) => (bench.address = address)"
  />
</template>
