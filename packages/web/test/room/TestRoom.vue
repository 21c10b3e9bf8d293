<script setup lang="ts">
/** A room by itself, with what it is given. */
import type { Component } from 'vue'

defineProps<{ room: Component; given: Record<string, unknown> }>()
</script>

<template>
  <v-app><component :is="room" v-bind="given" /></v-app>
</template>
