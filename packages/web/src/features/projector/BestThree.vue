<script setup lang="ts">
/** The best three by a criterion, of those who allow it: heard without a name. */
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { BestHandIn } from '@rudlo/contract/term'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { server, told } from '../../api/client'
import { usePlayer } from '../../engine/player-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  assignment: AssignmentView
  /** The bars that are played. */
  span: { readonly from: number; readonly to: number }
}>()

const player = usePlayer()
const criterion = ref('')
const best = shallowRef<readonly BestHandIn[]>([])
const heard = ref<string | null>(null)
const problem = ref('')

watch(
  () => props.assignment,
  ({ rubric }) => (criterion.value = rubric.criteria[0]?.id ?? ''),
  { immediate: true },
)
watch(
  [() => props.assignment.id, criterion],
  async ([assignment, of]) => {
    stop()
    best.value = []
    if (!of) return
    try {
      const found = await told(
        server.assignments[':assignment'].best[':criterion'].$get({ param: { assignment, criterion: of } }),
      )
      if (props.assignment.id === assignment && criterion.value === of) best.value = found
    } catch (error) {
      problem.value = (error as Error).message
    }
  },
  { immediate: true },
)

async function hear(handIn: string): Promise<void> {
  stop()
  heard.value = handIn
  try {
    const { document } = await told(server['hand-ins'][':handIn'].$get({ param: { handIn } }))
    await player.open(props.assignment.songDocument, document.mix)
    if (heard.value !== handIn) return
    player.seek(props.span.from)
    await player.play()
  } catch (error) {
    problem.value = (error as Error).message
    heard.value = null
  }
}
function stop(): void {
  heard.value = null
  if (player.playing) player.stop()
}
watch(
  () => player.playing,
  (now, before) => {
    if (before && !now) heard.value = null
  },
)
onBeforeUnmount(() => {
  stop()
  void player.close()
})
</script>

<template>
  <section class="sheet">
    <header>
      <h2>{{ t('projector.best') }}</h2>
      <SelectField
        v-model="criterion"
        class="which"
        :label="t('projector.best.by')"
        :choices="assignment.rubric.criteria.map((c) => ({ value: c.id, text: c.name }))"
        data-test="best-by"
      />
    </header>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!best.length" class="soft">{{ t('projector.best.none') }}</p>
    <div class="acts">
      <AppButton
        v-for="(b, i) in best"
        :key="b.handIn"
        large
        :icon="heard === b.handIn ? 'stop' : 'play'"
        :aria-pressed="heard === b.handIn"
        data-test="hear-best-of"
        @click="heard === b.handIn ? stop() : hear(b.handIn)"
        >{{ t('projector.best.hear', { n: i + 1 }) }}</AppButton
      >
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: var(--space-3);
  align-items: center;
}

h2 {
  flex: 1;
  font-size: var(--text-4);
}

.which {
  flex: 0 1 220px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
</style>
