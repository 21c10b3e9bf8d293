<script setup lang="ts">
/** A version that was given back: comment, marks, remarks in order of place. A remark is shown, played and answered. */
import { refOfMark } from '@rudlo/core/brief'
import { computed, onMounted, ref, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { isPlaced, type PlacedRemark } from '../../desk/remarks/placed'
import type { OwnVersion } from '@rudlo/contract/handins'
import type { RemarkView } from '@rudlo/contract/reviews'
import { usePass } from '../../desk/pass/pass-store'
import { remarkPlace } from '../../desk/remarks/remark-place'
import SpokenRemark from '../../desk/remarks/SpokenRemark.vue'
import RemarkTalk from '../../desk/remarks/RemarkTalk.vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import HeardBack from './HeardBack.vue'
import { useTrying } from '../../desk/remarks/trying'
import AppButton from '../../ui/buttons/AppButton.vue'
import { useNarrow } from '../../ui/page/narrow'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ version: OwnVersion }>()

const narrow = useNarrow()
const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()
const pass = usePass()
const trying = useTrying()
const about = ref<string | null>(null)
const review = computed(() => props.version.review!)
const rubric = computed(() => bench.assignment!.rubric)
const marked = computed(() =>
  rubric.value.criteria.flatMap((c) => {
    const level = review.value.marks[c.id]
    if (level === undefined || rubric.value.levels[level] === undefined) return []
    const why = review.value.overrules[refOfMark(c.id)]?.why
    return [{ ...c, level: rubric.value.levels[level], says: why || c.says[level] || c.about }]
  }),
)
const place = (r: RemarkView) => remarkPlace(desk.song!, props.version.document.mix, r)

/** The teacher sees that it was opened, and can no longer take it back. */
const opened = () =>
  void told(server['hand-ins'][':handIn'].opened.$post({ param: { handIn: props.version.id } })).catch(
    () => null,
  )
onMounted(opened)
watch(() => props.version.id, opened)

function show(remark: RemarkView): void {
  if (isPlaced(remark)) desk.showRemark(remark)
}

function repair(remark: PlacedRemark): void {
  desk.showRemark(remark)
  pass.repair(remark)
}

function hear(remark: PlacedRemark): void {
  desk.showRemark(remark)
  player.playLoop(remark)
}

const act = (what: () => Promise<unknown>) =>
  attempt(
    () => what().then(work.refreshVersions),
    (sentence) => (work.notice = sentence),
  )

const remarkOf = server['hand-ins'][':handIn'].remarks[':remark']
const at = (remark: RemarkView) => ({ param: { handIn: props.version.id, remark: remark.id } })
const reply = (remark: RemarkView, text: string) =>
  act(() => told(remarkOf.replies.$post({ ...at(remark), json: { text } })))
const tick = (remark: RemarkView) =>
  act(() => told(remarkOf.done.$put({ ...at(remark), json: { done: !remark.done } })))
</script>

<template>
  <div class="back">
    <p class="outcome">
      <v-icon :icon="version.outcome === 'accepted' ? '$met' : '$remark'" size="20" />
      {{ version.outcome === 'accepted' ? t('came.accepted') : t('came.again') }}
    </p>
    <p v-if="review.comment" class="comment">{{ review.comment }}</p>
    <p v-if="review.reviewer" class="soft">{{ review.reviewer }}</p>
    <ul v-if="marked.length" class="marks">
      <li v-for="m in marked" :key="m.id">
        <RowButton
          class="mark"
          :aria-expanded="about === m.id"
          data-test="mark"
          @click="about = about === m.id ? null : m.id"
        >
          <span>{{ m.name }}</span><b>{{ m.level }}</b>
        </RowButton>
        <p v-if="about === m.id" class="soft">{{ m.says }}</p>
      </li>
    </ul>
    <ol v-if="review.remarks.length" class="remarks">
      <li v-for="(remark, i) in review.remarks" :key="remark.id" :class="{ done: remark.done }">
        <RowButton
          class="remark"
          :class="{ on: desk.pinned === remark.id }"
          data-test="remark"
          @click="show(remark)"
        >
          <span class="pin">{{ i + 1 }}</span>
          <span><b>{{ place(remark) }}</b><br />{{ remark.text }}</span>
        </RowButton>
        <SpokenRemark
          v-if="remark.spoken"
          class="voice"
          :spoken="remark.spoken"
          :source="`/api/hand-ins/${version.id}/remarks/${remark.id}/spoken`"
          :from="remark.from"
        />
        <div class="acts">
          <template v-if="isPlaced(remark)">
            <AppButton small :disabled="!player.ready" @click="hear(remark)">
              <v-icon icon="$play" size="16" />{{ t('guide.mistakes.listen') }}
            </AppButton>
            <AppButton
              v-if="!narrow"
              small
              :disabled="!player.ready"
              :tip="t('guide.mistakes.hand.tip')"
              data-test="repair"
              @click="repair(remark)"
            >
              <v-icon icon="$pen" size="16" />{{ t('guide.mistakes.hand') }}
            </AppButton>
            <template v-if="remark.suggestion">
              <AppButton
                small
                :aria-pressed="trying.heard === remark.id"
                :tip="t('came.hear.tip')"
                data-test="hear-suggestion"
                @click="trying.hear(remark)"
              >
                {{ t('came.hear') }}
              </AppButton>
              <AppButton small data-test="try-suggestion" @click="trying.take(remark)">{{
                t('came.try')
              }}</AppButton>
            </template>
          </template>
          <AppButton small :aria-pressed="remark.done" data-test="dealt-with" @click="tick(remark)">
            <v-icon icon="$done" size="16" />{{ remark.done ? t('came.done') : t('came.mark-done') }}
          </AppButton>
          <RemarkTalk :replies="remark.replies" @say="(text) => reply(remark, text)" />
        </div>
      </li>
    </ol>
    <p v-else class="soft">{{ t('came.no-remarks') }}</p>
    <HeardBack :version="version" />
    <p v-if="version.outcome === 'again'" class="soft">
      {{ t('came.next', { number: version.number + 1 }) }}
    </p>
  </div>
</template>

<style scoped>
.back {
  display: grid;
  gap: 12px;
}

.outcome {
  display: flex;
  gap: 8px;
  align-items: center;
  font-weight: 640;
}

.comment {
  font-size: 16px;
  overflow-wrap: anywhere;
}

.marks {
  margin: 0;
  padding: 6px 0;
  border-block: 1px solid var(--rule);
  list-style: none;
}

.mark {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  width: 100%;
  min-height: 32px;
  padding: 2px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.mark:hover span {
  text-decoration: underline;
}

.marks .soft {
  padding-bottom: 6px;
  font-size: 14px;
}

.remarks {
  display: grid;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.remarks li {
  display: grid;
  gap: 6px;
}

.remarks li.done .remark {
  opacity: 0.65;
}

.remark {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px;
  padding: 8px;
  border: 1px solid transparent;
  border-radius: 10px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  overflow-wrap: anywhere;
  cursor: pointer;
}

.remark.on,
.remark:hover {
  border-color: var(--rule);
  background: var(--wash);
}

.pin {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: 7px;
  background: var(--warm);
  color: var(--sheet);
  font-weight: 700;
}

.voice {
  padding-left: 44px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding-left: 44px;
}
</style>
