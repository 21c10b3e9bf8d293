<script setup lang="ts">
/** A text that follows what it is made of by itself: what lies around it is not made anew with it. */
defineProps<{ text: () => string }>()
</script>

<template>{{ text() }}</template>
