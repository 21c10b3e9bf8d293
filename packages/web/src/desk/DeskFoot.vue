<script setup lang="ts">
/** The foot of the desk: the transport, how a pass is written, and what hands do on the lines. */
import DeskTools from './lanes/DeskTools.vue'
import PassMenu from './pass/PassMenu.vue'
import TransportBar from './transport/TransportBar.vue'
import { useDesk } from './desk-store'
import { useNarrow } from '../ui/page/narrow'

const emit = defineEmits<{ keys: [] }>()
const desk = useDesk()
const narrow = useNarrow()
</script>

<template>
  <TransportBar :time="desk.time!" @keys="emit('keys')"
    ><template v-if="!narrow"><PassMenu /><DeskTools v-if="desk.view === 'lines'" /></template
  ></TransportBar>
</template>
