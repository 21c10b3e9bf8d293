<script setup lang="ts">
/** One check of a task: what it asks, and with which tolerances. */
import { kindOf, type Check, type FieldValue } from '@rudlo/core/checks'
import { computed } from 'vue'
import { useBrief } from './brief-store'
import PlaceField from './PlaceField.vue'
import RowButton from '../../ui/buttons/RowButton.vue'

const props = defineProps<{ check: Check }>()
const emit = defineEmits<{ change: [check: Check]; remove: [] }>()

const store = useBrief()
const kind = computed(() => kindOf(props.check.kind))

/** How often it was overruled. */
const times = computed(() => store.overruledChecks[props.check.id] ?? 0)

function set(name: string, value: FieldValue): void {
  emit('change', { ...props.check, values: { ...props.check.values, [name]: value } })
}

function toggle(name: string, lane: string): void {
  const chosen = props.check.values[name] as readonly string[]
  set(name, chosen.includes(lane) ? chosen.filter((l) => l !== lane) : [...chosen, lane])
}

const text = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value
</script>

<template>
  <fieldset class="check" data-test="edit-check">
    <legend>
      <b>{{ kind.name }}</b>
      <RowButton class="remove" :aria-label="`Remove the check ${kind.name}`" @click="emit('remove')">
        <v-icon icon="$close" size="16" />
      </RowButton>
    </legend>
    <p class="soft about">{{ kind.about }}</p>
    <p v-if="times" class="mend" data-test="overruled-often">
      Overruled {{ times === 1 ? 'once' : `${times} times` }} on the review desk: it may ask for too much.
    </p>
    <div class="fields">
      <template v-for="(field, name) in kind.fields" :key="name">
        <label v-if="field.type === 'lane'"
          >{{ field.label }}
          <select :value="check.values[name]" @change="set(String(name), text($event))" @keydown.stop>
            <option v-for="l in store.lanes" :key="l.lane" :value="l.lane">{{ l.text }}</option>
          </select></label
        >
        <label v-else-if="field.type === 'track'"
          >{{ field.label }}
          <select :value="check.values[name]" @change="set(String(name), text($event))" @keydown.stop>
            <option v-for="t in store.song!.tracks" :key="t.id" :value="t.id">{{ t.name }}</option>
          </select></label
        >
        <PlaceField
          v-else-if="field.type === 'place'"
          :label="`${field.label}, bar`"
          :tick="Number(check.values[name])"
          :meter="store.time!.meter"
          :length="store.song!.length"
          @place="(tick) => set(String(name), tick)"
        />
        <label v-else-if="field.type === 'number'"
          >{{ field.label }}
          <input
            type="number"
            :min="field.min"
            :max="field.max"
            step="any"
            :value="check.values[name]"
            @change="set(String(name), Number(text($event)))"
            @keydown.stop
          />
          <span class="soft">{{ field.unit }}</span></label
        >
        <label v-else-if="field.type === 'choice'"
          >{{ field.label }}
          <select :value="check.values[name]" @change="set(String(name), text($event))" @keydown.stop>
            <option v-for="[value, words] in field.options" :key="value" :value="value">{{ words }}</option>
          </select></label
        >
        <details v-else>
          <summary>{{ field.label }}: {{ (check.values[name] as string[]).length }} lanes</summary>
          <label v-for="l in store.lanes" :key="l.lane" class="tick"
            ><input
              type="checkbox"
              :checked="(check.values[name] as string[]).includes(l.lane)"
              @change="toggle(String(name), l.lane)"
            />
            {{ l.text }}</label
          >
        </details>
      </template>
    </div>
  </fieldset>
</template>

<style scoped>
.check {
  display: grid;
  gap: 6px;
  min-width: 0;
  margin: 0;
  padding: 4px 12px 10px;
  border: 1px solid var(--rule);
  border-radius: 10px;
}

legend {
  display: flex;
  gap: 4px;
  align-items: center;
}

.about {
  font-size: 14px;
}

.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  font-size: 15px;
}

label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.tick {
  display: flex;
}

.remove {
  width: 32px;
  height: 32px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: pointer;
}

input[type='number'] {
  width: 84px;
}

select {
  max-width: 260px;
}
</style>
