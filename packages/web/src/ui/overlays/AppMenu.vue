<script setup lang="ts">
/** A list of things to do that opens from a button: arrows go through it, Escape closes it and the focus is back on the button. */
import { computed, getCurrentInstance, shallowRef, watch } from 'vue'

defineOptions({ inheritAttrs: false })
const props = defineProps<{
  /** What is in it: said to a screen reader. */
  label: string
  /** It holds fields and choices, and stays open while they are used. */
  stays?: boolean
  location?: 'bottom' | 'top' | 'bottom end' | 'top end'
  /** Where on the page it opens, in px: for one that no button opens. */
  at?: readonly [number, number] | undefined
}>()
const open = defineModel<boolean>({ default: false })

/** What it opens from. A menu is made when it is first wanted: a long list has one in every row. */
const from = shallowRef<HTMLElement>()
const self = getCurrentInstance()!.proxy!
/** The element of the opener: the first after the place where this begins. */
function openerHere(): HTMLElement | undefined {
  let node: Node | null = self.$el as Node
  while (node && !(node instanceof HTMLElement)) node = node.nextSibling
  return node ?? undefined
}
// opened by a key or by somebody else, it stands at its opener all the same
watch(
  open,
  (now) => {
    if (now && !props.at) from.value = openerHere()
  },
  { flush: 'sync' },
)

const toggle = () => (open.value = !open.value)
const opener = computed(() => ({
  'aria-haspopup': props.stays ? ('dialog' as const) : ('menu' as const),
  'aria-expanded': open.value,
  onClick: toggle,
  // later on the menu itself sees to the keys of its opener
  onKeydown: (event: KeyboardEvent) => {
    if (from.value || !['ArrowDown', 'ArrowUp'].includes(event.key)) return
    event.preventDefault()
    event.stopPropagation()
    toggle()
  },
}))
</script>

<template>
  <slot v-if="$slots['opener']" name="opener" :opener="opener" />
  <v-menu
    v-if="from || open"
    v-model="open"
    :close-on-content-click="!stays"
    :location="location ?? 'bottom'"
    :activator="from"
    :open-on-click="false"
    v-bind="{ ...$attrs, ...(at ? { target: [at[0], at[1]] } : {}) }"
  >
    <div v-if="stays" class="sheet app-menu open" role="dialog" :aria-label="label"><slot /></div>
    <v-list v-else class="sheet app-menu" density="compact" :aria-label="label" role="menu"><slot /></v-list>
  </v-menu>
</template>

<style scoped>
.app-menu {
  min-width: 200px;
  max-height: min(520px, calc(100vh - 80px));
  margin-block: var(--space-1);
  padding: var(--space-2);
  overflow-y: auto;
  border-radius: var(--radius-m);
  box-shadow: var(--shadow-2);
}

.open {
  display: grid;
  gap: var(--space-2);
  padding: var(--space-4);
}
</style>
