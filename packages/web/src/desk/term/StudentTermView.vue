<script setup lang="ts">
/** The way of one student through a term: every assignment with its small pictures, mistakes that went and that stay, minutes. */
import type { StudentTerm, StudentTermAssignment } from '@rudlo/contract/term'
import { mistakeName } from '@rudlo/core/mistakes'
import { computed } from 'vue'
import StampPicture from '../../charts/StampPicture.vue'
import WeekChart from '../../charts/WeekChart.vue'
import { shortDay } from '../../words/dates'
import { t } from '../../words/t'
import PageSection from '../../ui/page/PageSection.vue'
import StandingSign from '../../ui/marks/StandingSign.vue'
import type { Sign } from '../../ui/marks/sign'
import VerdictSign from '../guide/VerdictSign.vue'

const props = defineProps<{
  term: StudentTerm
  /** Whether it is told to the student. */
  own?: boolean
}>()

const KINDS = ['fade', 'build', 'balance'] as const
const SIGNS = {
  'not begun': 'new',
  begun: 'going',
  waiting: 'waiting',
  held: 'held',
  again: 'back',
  accepted: 'done',
  excused: 'excused',
} as const satisfies Record<StudentTermAssignment['state'], Sign>
const signOf = (a: StudentTermAssignment): Sign => (a.missing ? 'missing' : SIGNS[a.state])

const weeks = computed(() =>
  props.term.weeks.minutes.map((minutes, i) => ({
    name: shortDay(new Date(Date.parse(props.term.weeks.from) + i * 7 * 24 * 3_600_000)),
    minutes,
  })),
)
const stays = computed(() => props.term.mistakes.filter((m) => !m.gone))
const gone = computed(() => props.term.mistakes.filter((m) => m.gone))
const stamps = (a: StudentTermAssignment) => KINDS.filter((kind) => a.pictures[kind])
</script>

<template>
  <div class="student-term">
    <section class="sheet way" :aria-label="t('student.way')">
      <h2>{{ t('student.way') }}</h2>
      <ol class="plain-list">
        <li v-for="a in term.assignments" :key="a.assignment" data-test="way">
          <div class="what">
            <StandingSign :sign="signOf(a)" />
            <div>
              <h3>{{ a.title }}</h3>
              <p class="soft">
                {{ t(a.missing ? 'term.state.missing' : `term.state.${a.state}`)
                }}<template v-if="a.number > 1">, {{ t('term.version', { number: a.number }) }}</template
                ><template v-if="a.late > 0">, {{ t('term.late.came') }}</template>
              </p>
            </div>
          </div>
          <ul class="tasks" :aria-label="t('home.tasks')">
            <li v-for="task in a.tasks.filter((x) => x.verdict)" :key="task.id">
              <VerdictSign :verdict="task.verdict" /><span>{{ task.title }}</span>
            </li>
          </ul>
          <div class="stamps">
            <figure v-for="kind in stamps(a)" :key="kind">
              <StampPicture :kind="kind" :pictures="a.pictures" :label="t(`student.stamp.${kind}.label`)" />
              <figcaption class="soft">{{ t(`student.stamp.${kind}`) }}</figcaption>
            </figure>
          </div>
          <div class="said">
            <p v-if="a.marks.length" class="marks">
              <span v-for="m in a.marks" :key="m.criterion">{{ m.name }}: <b>{{ m.level }}</b></span>
            </p>
            <p v-if="a.comment" class="comment">{{ a.comment }}</p>
            <slot name="acts" :assignment="a" />
          </div>
        </li>
      </ol>
    </section>
    <div class="beside">
      <PageSection :title="t(own ? 'student.mistakes.own' : 'student.mistakes')">
        <p v-if="!term.mistakes.length" class="soft">
          {{ t(own ? 'student.mistakes.none.own' : 'student.mistakes.none') }}
        </p>
        <template v-if="gone.length">
          <h3>{{ t('student.mistakes.gone') }}</h3>
          <ul class="mistakes gone">
            <li v-for="m in gone" :key="m.kind">{{ mistakeName(m.kind) }}</li>
          </ul>
        </template>
        <template v-if="stays.length">
          <h3>{{ t('student.mistakes.stay') }}</h3>
          <ul class="mistakes">
            <li v-for="m in stays" :key="m.kind">
              {{ mistakeName(m.kind) }}
              <span class="soft">{{
                t('student.mistakes.in', { n: m.in.filter(Boolean).length, of: m.in.length })
              }}</span>
            </li>
          </ul>
        </template>
      </PageSection>
      <PageSection
        :title="t('student.work')"
        :about="
          t('student.work.about', {
            minutes: term.assignments.reduce((sum, a) => sum + a.minutes, 0),
            hints: term.assignments.reduce((sum, a) => sum + a.hints, 0),
          })
        "
      >
        <WeekChart :weeks="weeks" />
      </PageSection>
      <slot name="beside" />
    </div>
  </div>
</template>

<style scoped>
.student-term {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: var(--space-4);
  align-items: start;
}

.way {
  padding: var(--space-4) var(--space-5);
}

h2 {
  font-size: var(--text-4);
}

h3 {
  font-size: var(--text-2);
}

.way > ol > li {
  display: grid;
  grid-template-columns: minmax(150px, 1fr) minmax(150px, 1fr) auto;
  gap: var(--space-2) var(--space-4);
  align-items: start;
  padding: var(--space-3) 0;
}

.way > ol > li + li {
  border-top: 1px solid var(--rule);
}

.what {
  display: flex;
  gap: var(--space-2);
}

.what .soft {
  font-size: var(--text-1);
}

.tasks {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  font-size: var(--text-1);
  list-style: none;
}

.tasks li {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.stamps {
  display: flex;
  gap: var(--space-2);
  min-width: 84px;
}

figure {
  margin: 0;
}

figcaption {
  font-size: var(--text-1);
}

.said {
  display: grid;
  grid-column: 1 / -1;
  gap: var(--space-1);
  padding-left: 28px;
}

.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-4);
  font-size: var(--text-1);
}

.comment {
  font-style: italic;
}

.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
}

.mistakes {
  margin: 0;
  padding-left: var(--space-5);
}

.gone li {
  color: var(--good);
}

@media (max-width: 1000px) {
  .student-term {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 600px) {
  .way > ol > li {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .student-term {
    display: block;
    font-size: 11px;
  }

  .way {
    padding: 0;
    border: 0;
  }

  .way > ol > li {
    gap: 2px var(--space-3);
    padding: 4px 0;
    break-inside: avoid;
  }

  .tasks {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
  }

  .tasks li {
    gap: var(--space-1);
  }

  .tasks :deep(svg) {
    width: 14px;
    height: 14px;
  }

  .said {
    gap: 0;
  }

  .beside {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-3);
    margin-top: var(--space-3);
    break-inside: avoid;
  }
}
</style>
