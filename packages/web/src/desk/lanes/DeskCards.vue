<script setup lang="ts">
/** The track cards under the desk: they follow the work, so that the page around them need not. */
import { usePlayer } from '../../engine/player-store'
import TrackCards from '../tracks/TrackCards.vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'

const desk = useDesk()
const work = useWork()
const player = usePlayer()

function choose(address: string): void {
  desk.address = address
  desk.view = 'lines'
}
</script>

<template>
  <TrackCards
    :song="desk.song!"
    :mix="work.mix!"
    :address="desk.address"
    :peaks="player.trackPeaks"
    :is-open="desk.isOpen"
    mixer
    @choose="choose"
    @lines="(track) => (desk.linesOf = track)"
  />
</template>
