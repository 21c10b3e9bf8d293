<script setup lang="ts">
/** A lane of a hand-in, read-only: the line over the waveform, moves by name, another line faintly underneath. */
import { laneName, moveName, sayMove } from '@rudlo/core/assess'
import { lineDifference, lineOf, sayLineDifference } from '@rudlo/core/compare'
import { valueAt } from '@rudlo/core/envelope'
import { envelopeOf, resolve } from '@rudlo/core/mix'
import type { Move } from '@rudlo/core/moves'
import { beatInWords, snapTick } from '@rudlo/core/time'
import { Sayer } from '@rudlo/sentences'
import { computed, shallowRef } from 'vue'
import { usePlayer } from '../../engine/player-store'
import LaneHead from '../../editor/lane/LaneHead.vue'
import LaneSign from '../../editor/lane/LaneSign.vue'
import LiveText from '../../ui/LiveText.vue'
import { useLineEditor } from '../../editor/lane/line-editor'
import LaneShell from '../../editor/lane/LaneShell.vue'
import LineSurface from '../../editor/lane/LineSurface.vue'
import ReadSurface from '../../editor/lane/ReadSurface.vue'
import { bubbleOf, type Told } from '../../editor/lane/draw-bubble'
import type { Span, Viewport } from '../../editor/lane/viewport'
import MoveLabels from './MoveLabels.vue'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'
import { useVersions } from './versions-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

defineProps<{ picked: Span | null }>()
const emit = defineEmits<{ span: [span: Span]; take: [place: Span, sentence: string, subject: string] }>()

const review = useReview()
const versions = useVersions()
const suggestion = useSuggestion()
const player = usePlayer()
const view = shallowRef<Viewport | null>(null)

const mix = computed(() => (suggestion.drawing ? suggestion.mix! : review.mix!))
const addressed = computed(() => resolve(mix.value, review.address)!)
const control = computed(() => addressed.value.control)
const name = computed(() => laneName(review.song!, mix.value, review.address))
const sayer = computed(() => new Sayer({ song: review.song!, mix: mix.value }))
const points = computed(() => envelopeOf(mix.value, review.address)?.points ?? [])
const value = computed(() =>
  points.value.length && player.moves
    ? valueAt(points.value, control.value.scale, player.position)
    : addressed.value.setting,
)
const moves = computed(() =>
  suggestion.drawing
    ? []
    : (review.handIn?.measurement?.moves ?? []).filter((m) => m.lane === review.address),
)

const under = computed(() => {
  if (suggestion.drawing) return lineOf(review.mix!, review.address)
  return versions.underMix && lineOf(versions.underMix, review.address)
})
const faint = computed(() => (under.value ? [under.value] : []))
/** How far the line is from what lies underneath; nothing where they are the same. */
const apart = computed(() => {
  const own = lineOf(mix.value, review.address)
  if (!under.value || !own) return ''
  const found = lineDifference(review.address, control.value.scale, [under.value, own], review.time!)
  return found.greatest < 1e-6 ? t('lanes.same') : sayer.value.phrase(sayLineDifference(found, control.value))
})
const pins = computed(() =>
  review.remarks.flatMap((r, i) => (r.lane === review.address ? [{ ...r, number: i + 1 }] : [])),
)
const choices = computed(() => versions.all.filter((a) => a.key !== 'this'))
function takeMove(move: Move): void {
  const sentence = sayer.value.all(sayMove(review.mix!, move)).join(' ')
  emit('take', { from: move.start, to: move.end }, sentence, `${moveName(move.kind)}, ${name.value}`)
}

const editor = useLineEditor({
  points: () => suggestion.points,
  control: () => control.value,
  setting: () => addressed.value.setting,
  meter: () => review.time!.meter,
  songLength: () => review.time!.length,
  snap: (tick, free) =>
    Math.min(
      review.time!.length,
      Math.max(0, free ? Math.round(tick) : snapTick(review.time!.meter, 'beat', tick)),
    ),
  laneName: () => name.value,
  address: () => review.address,
  begin: suggestion.begin,
  preview: suggestion.show,
  settle: () => undefined,
  commit: suggestion.commit,
  cancel: suggestion.cancel,
  set: suggestion.set,
  refuse: (reason) => (review.notice = reason),
})

const told = shallowRef<Told | null>(null)
/** What is said of the point of a suggestion that is in hand. */
const live = () => {
  const p = told.value && suggestion.drawing ? points.value[told.value.index] : undefined
  const { meter } = review.time!
  const bubble = p && view.value ? bubbleOf(p, told.value!, control.value, meter, view.value) : null
  return { points: null, loudness: null, bubble }
}
</script>

<template>
  <LaneShell
    class="sheet desk"
    :class="{ drawing: suggestion.drawing }"
    :aria-label="t('lanes.lane')"
    :song="review.song!"
    :time="review.time!"
    :mix="mix"
    :address="review.address"
    :span="review.span"
    :live="live"
    :selected="suggestion.drawing ? editor.selected.value : -1"
    :faint="faint"
    shaded
    :marked="picked"
    :pins="pins"
    :pinned="review.pinned"
    @size="(v: Viewport) => (view = v)"
    @pin="review.showRemark"
    @zoom="review.zoom"
    @scroll="review.scroll"
  >
    <template #head>
      <LaneHead
        v-if="suggestion.drawing"
        compact
        :name="name"
        :control="control"
        :meter="review.time!.meter"
        :value="() => value"
        :where="() => beatInWords(review.time!.meter, player.told.position)"
        :note="() => (points.length ? '' : t('lanes.no-line'))"
        :point="editor.current.value"
        :has-next="editor.selected.value < points.length - 1"
        editable
        @value="(v) => editor.current.value && editor.moveSelected(editor.current.value.tick, v)"
        @place="(tick) => editor.current.value && editor.moveSelected(tick, editor.current.value.value)"
        @form="(form, bend) => editor.setSelectedForm(form, bend)"
        @remove="editor.removeSelected()"
        @nonsense="(sentence) => (review.notice = sentence)"
      >
        <div class="drawing">
          <span class="soft">{{ t('lanes.draw') }}</span>
          <AppButton small :disabled="!suggestion.canUndo" @click="suggestion.undo()">
            <v-icon icon="$undo" size="18" />{{ t('bench.undo') }}
          </AppButton>
          <AppButton small data-test="drop-suggestion" @click="suggestion.end()">{{
            t('lanes.no-suggestion')
          }}</AppButton>
        </div>
      </LaneHead>
      <div v-else class="head">
        <h2><LaneSign :family="control.family" />{{ name }}</h2>
        <p class="now"><LiveText :text="() => control.unit.format(value)" /></p>
        <p v-if="!points.length" class="soft">{{ t('lanes.no-line') }}</p>
        <span v-if="apart" class="soft apart" :data-tip="apart" data-test="apart">{{ apart }}</span>
        <span class="soft push">{{ t('lanes.under') }}</span>
        <div class="choices" role="radiogroup" :aria-label="t('lanes.under')" data-test="under">
          <AppButton
            v-for="c in choices"
            :key="c.key"
            small
            role="radio"
            :aria-checked="versions.under === c.key"
            @click="versions.showUnder(versions.under === c.key ? null : c.key)"
          >
            {{ c.name }}
          </AppButton>
        </div>
      </div>
    </template>
    <template #default="{ view: shown, look }">
      <LineSurface
        v-if="suggestion.drawing"
        v-bind="look"
        :view="shown"
        :points="points"
        :control="control"
        :editor="editor"
        :meter="review.time!.meter"
        :step="(tick) => review.time!.meter.lengthsAt(tick).beat"
        :name="t('lanes.suggested', { name })"
        locked=""
        :here="() => ({ tick: player.position, value })"
        test="suggested-line"
        @refuse="(reason) => (review.notice = reason)"
        @tell="(t) => (told = t)"
      />
      <template v-else>
        <ReadSurface
          v-bind="look"
          :view="shown"
          :time="review.time!"
          :name="name"
          :points="points.length"
          @bars="(s) => emit('span', s)"
        />
        <MoveLabels :view="shown" :moves="moves" :control="control" @take="takeMove" />
      </template>
    </template>
  </LaneShell>
</template>

<style scoped>
.desk {
  flex: 1 1 0;
  grid-template-rows: auto minmax(0, 1fr);
  grid-template-columns: minmax(0, 1fr);
}

.desk.drawing {
  grid-template-rows: none;
  grid-template-columns: 176px minmax(0, 1fr);
}

.head {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-width: 0;
  min-height: 40px;
  padding: 0 var(--space-3);
  white-space: nowrap;
}

h2 {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--text-2);
}

.now {
  min-width: 76px;
  font-size: var(--text-3);
  font-weight: 620;
}

.apart {
  flex: 0 1 auto;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: var(--text-1);
}

.push {
  margin-left: auto;
  font-size: var(--text-1);
}

div.drawing {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin-top: 8px;
  font-size: 14px;
}

.choices {
  display: flex;
  gap: 4px;
}
</style>
