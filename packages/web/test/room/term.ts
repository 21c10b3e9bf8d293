import type { TermCell, TermView } from '@rudlo/contract/term'

/** A cell of somebody at an assignment. */
export const cell = (student: string, assignment: string, made: Partial<TermCell> = {}): TermCell => ({
  student,
  assignment,
  state: 'not begun',
  late: 0,
  missing: false,
  stopped: false,
  handIn: null,
  number: 0,
  handedInAt: null,
  editedAt: null,
  dueAt: null,
  extended: false,
  tasks: [],
  hints: 0,
  ...made,
})

/** A class of three with two assignments. */
export const term: TermView = {
  group: { id: 'g', name: 'Monday', place: '' },
  now: '2026-03-02T10:00:00.000Z',
  assignments: [
    {
      id: 'one',
      title: 'Fade in',
      song: 'Song',
      dueAt: '2026-03-01T18:00:00.000Z',
      opensAt: null,
      tasks: [{ id: 't', title: 'Come in', lane: null }],
      mistakes: [],
    },
    { id: 'two', title: 'Make room', song: 'Song', dueAt: null, opensAt: null, tasks: [], mistakes: [] },
  ],
  students: [
    { id: 'c', name: 'Cleo', lastAt: null, help: 3 },
    { id: 'a', name: 'Anna', lastAt: '2026-03-01T10:00:00.000Z', help: 0 },
    { id: 'b', name: 'Ben', lastAt: null, help: 3 },
  ],
  cells: [
    cell('a', 'one', {
      state: 'accepted',
      handIn: 'h1',
      number: 2,
      tasks: ['met'],
      handedInAt: '2026-02-20T10:00:00.000Z',
    }),
    cell('a', 'two', { state: 'waiting', handIn: 'h2', number: 1, handedInAt: '2026-03-01T10:00:00.000Z' }),
    cell('b', 'one', { missing: true }),
    cell('b', 'two'),
    cell('c', 'one', {
      state: 'again',
      handIn: 'h3',
      number: 1,
      tasks: ['not yet'],
      late: 30,
      handedInAt: '2026-02-21T10:00:00.000Z',
    }),
    cell('c', 'two', { state: 'waiting', handIn: 'h4', number: 1, handedInAt: '2026-02-28T10:00:00.000Z' }),
  ],
  mistakes: [
    {
      kind: 'late',
      severity: 2,
      students: 2,
      places: [
        { handIn: 'h3', student: 'c', assignment: 'one', lane: null, from: 0, to: 960 },
        { handIn: 'h2', student: 'a', assignment: 'two', lane: null, from: 0, to: 960 },
      ],
    },
  ],
  smallGroups: [{ id: 's', title: 'Fades once more', students: ['a', 'c'] }],
  next: [{ about: 'check', kind: 'dip', lesson: 'make-room', students: ['a', 'b'], of: 3 }],
}
