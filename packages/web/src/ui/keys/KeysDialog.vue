<script setup lang="ts">
/** The keys, in the order in which they are needed. */
const open = defineModel<boolean>({ required: true })

defineProps<{
  groups: readonly { readonly title: string; readonly keys: readonly (readonly [string, string])[] }[]
}>()
</script>

<template>
  <v-dialog v-model="open" aria-label="Keys" max-width="1080">
    <div class="sheet dialog">
      <h2>Keys</h2>
      <div class="groups">
        <section v-for="group in groups" :key="group.title">
          <h3>{{ group.title }}</h3>
          <dl>
            <template v-for="[keys, what] in group.keys" :key="keys">
              <dt>{{ keys }}</dt>
              <dd>{{ what }}</dd>
            </template>
          </dl>
        </section>
      </div>
      <v-btn class="end" color="primary" variant="flat" @click="open = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.dialog {
  display: grid;
  gap: 16px;
  padding: 22px 26px;
  overflow: auto;
}

.groups {
  columns: 3 270px;
  column-gap: 30px;
}

section {
  margin-bottom: 14px;
  break-inside: avoid;
}

h3 {
  margin-bottom: 6px;
  font-size: 16px;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 5px 12px;
  margin: 0;
  align-items: center;
}

dt {
  padding: 1px 8px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--wash);
  font-size: 14px;
  font-weight: 620;
  white-space: nowrap;
}

dd {
  margin: 0;
}

.end {
  justify-self: end;
}
</style>
