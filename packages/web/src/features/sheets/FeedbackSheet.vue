<script setup lang="ts">
/** One hand-in on paper: what was said, with each line as a drawing and the remarks numbered at their place. */
import { askedBand } from '@rudlo/core/heard'
import { laneName, sayMeasurement } from '@rudlo/core/assess'
import { overruled, refOfMark } from '@rudlo/core/brief'
import { envelopeOf, soundingTime } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { computed } from 'vue'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { RemarkView } from '@rudlo/contract/reviews'
import type { OpenedHandIn } from '../../api/hand-in'
import { remarkPlace } from '../../desk/remarks/remark-place'
import { whenText } from '../../words/dates'
import { saidTasks, Sayer, type SaidCheck } from '@rudlo/sentences'
import StillPicture from '../../charts/StillPicture.vue'
import { saidOf, titleOf, type Namer } from '../../desk/heard/picture-words'
import PrintedLane from './PrintedLane.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: AssignmentView; handIn: OpenedHandIn }>()

const song = computed(() => props.assignment.songDocument)
const time = computed(() => songTime(song.value))
const mix = computed(() => props.handIn.document.mix)
const remarks = computed(() => props.handIn.review.remarks.map((r, i) => ({ ...r, number: i + 1 })))
const lanes = computed(() => {
  const asked = props.assignment.brief.tasks.flatMap((t) => t.lanes)
  const drawn = mix.value.envelopes.filter((e) => e.points.length).map((e) => e.address)
  const said = remarks.value.flatMap((r) => (r.lane ? [r.lane] : []))
  return [...new Set([...asked, ...drawn, ...said])].filter(
    (lane) => envelopeOf(mix.value, lane)?.points.length || said.includes(lane),
  )
})
const marks = computed(() =>
  props.assignment.rubric.criteria.map((c) => {
    const level = props.handIn.review.marks[c.id]
    const why = props.handIn.review.overrules[refOfMark(c.id)]?.why
    return {
      name: c.name,
      level: level === undefined ? '–' : (props.assignment.rubric.levels[level] ?? '–'),
      says: level === undefined ? '' : why || (c.says[level] ?? ''),
    }
  }),
)
const place = (r: RemarkView) => remarkPlace(song.value, mix.value, r)
const sayer = computed(() => new Sayer({ song: song.value, mix: mix.value }))
const measured = computed(() =>
  props.handIn.measurement ? sayer.value.all(sayMeasurement(mix.value, props.handIn.measurement)) : [],
)
/** What was found, as the teacher lets it stand. */
const judged = computed(() => {
  const { assessment, review } = props.handIn
  return assessment ? overruled(assessment, review.overrules).tasks : []
})
const tasks = computed(() =>
  saidTasks(sayer.value, judged.value).flatMap((t) => {
    const task = props.assignment.brief.tasks.find((b) => b.id === t.task)
    const pictures = props.handIn.assessment?.pictures?.[t.task] ?? []
    return task ? [{ title: task.title, verdict: t.verdict, checks: t.checks, pictures, task }] : []
  }),
)
/** The time in which it was measured. */
const sounding = computed(() => soundingTime(song.value, mix.value))
const by = (within: Namer['within']): Namer => ({
  song: song.value,
  mix: mix.value,
  time: sounding.value,
  within,
})
/** The teacher's word stands in place of the sentence. */
const teacherSays = ({ overruled: word, finding, name }: SaidCheck) => {
  const said = { name, verdict: t(`verdict.${finding.verdict}`) }
  return word!.why ? t('sheet.overruled.why', { ...said, why: word!.why }) : t('sheet.overruled', said)
}
const outcome = computed(() =>
  props.handIn.outcome === 'accepted'
    ? t('sheet.accepted')
    : props.handIn.outcome === 'again'
      ? t('sheet.again')
      : t('sheet.not-back'),
)
</script>

<template>
  <article class="paper" data-test="paper">
    <header>
      <div>
        <h1>{{ handIn.student }}</h1>
        <p>{{ t('sheet.head', { title: assignment.title, number: handIn.number, song: song.title }) }}</p>
      </div>
      <div class="right">
        <b>{{ outcome }}</b>
        <p>{{ assignment.group }} · {{ whenText(handIn.handedInAt) }}</p>
      </div>
    </header>
    <p v-if="handIn.said" class="said">“{{ handIn.said }}”</p>
    <p v-if="handIn.review.comment" class="comment">{{ handIn.review.comment }}</p>
    <FigureTable v-if="marks.some((m) => m.level !== '–')" :label="t('marks.title')">
      <tbody>
        <tr v-for="m in marks" :key="m.name">
          <th scope="row">{{ m.name }}</th>
          <td>
            <b>{{ m.level }}</b>
          </td>
          <td>{{ m.says }}</td>
        </tr>
      </tbody>
    </FigureTable>
    <section v-for="lane in lanes" :key="lane" class="lane">
      <h2>{{ laneName(song, mix, lane) }}</h2>
      <PrintedLane
        :song="song"
        :time="time"
        :mix="mix"
        :address="lane"
        :remarks="remarks.filter((r) => r.lane === lane)"
      />
    </section>
    <section v-if="remarks.length" class="remarks">
      <h2>{{ t('say.remarks') }}</h2>
      <ol>
        <li v-for="r in remarks" :key="r.id">
          <b>{{ place(r) }}.</b> {{ r.text }}
          <template v-if="r.spoken">{{
            t('sheet.spoken', { seconds: Math.round(r.spoken.ms / 1000) })
          }}</template>
          <p v-for="answer in r.replies" :key="answer.createdAt" class="answer">
            {{ answer.author }}: {{ answer.text }}
          </p>
        </li>
      </ol>
    </section>
    <section v-if="tasks.length">
      <h2>{{ t('sheet.asked') }}</h2>
      <ul>
        <li v-for="task in tasks" :key="task.title">
          <b>{{ task.title }}</b
          ><template v-if="task.verdict">: {{ t(`verdict.${task.verdict}`) }}.</template>
          {{ task.checks.map((c) => (c.overruled ? teacherSays(c) : c.finding.sentence)).join(' ') }}
          <figure v-for="(picture, i) in task.pictures" :key="i">
            <figcaption>
              {{ titleOf(by(task.task), picture) }}. {{ saidOf(by(task.task), picture)[0] }}
            </figcaption>
            <StillPicture
              :picture="picture"
              :time="sounding"
              :band="askedBand(task.task)"
              :label="titleOf(by(task.task), picture)"
            />
          </figure>
        </li>
      </ul>
    </section>
    <section>
      <h2>{{ t('sheet.measured') }}</h2>
      <p>{{ measured.join(' ') }}</p>
    </section>
  </article>
</template>

<style scoped>
/* black on white, whatever the theme: it is paper */
.paper {
  max-width: 190mm;
  margin: 0 auto 14px;
  padding: 14mm;
  background: #fff;
  color: #000;
  font-size: 11pt;
  line-height: 1.4;
  overflow-wrap: anywhere;
}

header {
  display: flex;
  gap: 16px;
  justify-content: space-between;
  padding-bottom: 6px;
  border-bottom: 1.5pt solid #000;
}

.right {
  text-align: right;
}

h1 {
  font-size: 18pt;
}

h2 {
  margin: 12px 0 4px;
  font-size: 12pt;
  break-after: avoid;
}

.said {
  margin-top: 8px;
  font-style: italic;
}

.comment {
  margin-top: 8px;
  font-size: 12pt;
}

table {
  width: 100%;
  margin-top: 10px;
  border-collapse: collapse;
}

th,
td {
  padding: 3px 10px 3px 0;
  border-bottom: 0.5pt solid #666;
  font-weight: 400;
  text-align: left;
  vertical-align: top;
}

th,
td:nth-child(2) {
  white-space: nowrap;
}

.lane,
li {
  break-inside: avoid;
}

ol,
ul {
  margin: 0;
  padding-left: 20px;
}

li {
  padding-bottom: 3px;
}

figure {
  margin: 4px 0 8px;
  break-inside: avoid;
}

figcaption {
  font-size: 10pt;
}

figure :deep(.still) {
  max-height: 26mm;
}

.answer {
  padding-left: 10px;
  font-size: 10pt;
}

@media print {
  .paper {
    max-width: none;
    margin: 0;
    padding: 0;
    break-after: page;
  }
}
</style>
