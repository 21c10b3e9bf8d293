import { readAssessment } from '@rudlo/core/stored'
import { figuresOf } from '@rudlo/core/term'
import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const AT = 'DATETIME(3) NOT NULL'

/** So many hand-ins are read at a time: an assessment has tens of kilobytes. */
const AT_ONCE = 40

/**
 * The view of a term: the figures of a hand-in in small beside it, notes that teachers keep of a student, small groups for a lesson, marks in the school's own
 * scale with their trail, when a class has its lesson, and the id that a school has for somebody.
 */
export class Term1765300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of UP) await runner.query(sql)
    await fillFigures(runner)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of DOWN) await runner.query(sql)
  }
}

const UP = [
  `CREATE TABLE IF NOT EXISTS hand_in_figures (
    hand_in_id ${ID} PRIMARY KEY, figures MEDIUMTEXT NOT NULL,
    FOREIGN KEY (hand_in_id) REFERENCES hand_ins (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS student_notes (
    group_id ${ID}, person_id ${ID}, text TEXT NOT NULL, revision INT UNSIGNED NOT NULL, author_id ${ID}, updated_at ${AT},
    PRIMARY KEY (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS small_groups (
    id ${ID} PRIMARY KEY, group_id ${ID}, title VARCHAR(120) NOT NULL, created_at ${AT}, KEY by_group (group_id, created_at),
    FOREIGN KEY (group_id) REFERENCES class_groups (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS small_group_members (
    small_group_id ${ID}, person_id ${ID}, PRIMARY KEY (small_group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (small_group_id) REFERENCES small_groups (id) ON DELETE CASCADE,
    FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS grade_schemes (
    group_id ${ID} PRIMARY KEY, document TEXT NOT NULL, revision INT UNSIGNED NOT NULL,
    FOREIGN KEY (group_id) REFERENCES class_groups (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS overall_grades (
    id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, group_id ${ID}, person_id ${ID}, share DOUBLE NULL, reason VARCHAR(300) NOT NULL,
    author_id ${ID}, at ${AT}, KEY by_group (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS excused_work (
    assignment_id ${ID}, person_id ${ID}, reason VARCHAR(300) NOT NULL, author_id ${ID}, at ${AT},
    PRIMARY KEY (assignment_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (assignment_id) REFERENCES assignments (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS mark_changes (
    id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, hand_in_id ${ID}, criterion VARCHAR(64) NOT NULL, was TINYINT UNSIGNED NULL,
    became TINYINT UNSIGNED NULL, author_id ${ID}, at ${AT}, KEY by_hand_in (hand_in_id),
    FOREIGN KEY (hand_in_id) REFERENCES hand_ins (id) ON DELETE CASCADE)`,
  `ALTER TABLE class_groups ADD COLUMN IF NOT EXISTS lesson_day TINYINT UNSIGNED NULL,
    ADD COLUMN IF NOT EXISTS lesson_time CHAR(5) CHARACTER SET ascii NULL`,
  `CREATE TABLE IF NOT EXISTS set_aside_members (
    group_id ${ID}, person_id ${ID}, role ENUM('student','teacher') NOT NULL, shares BOOLEAN NOT NULL DEFAULT FALSE,
    PRIMARY KEY (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups (id) ON DELETE CASCADE,
    FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE)`,
  ...['assignments', 'songs', 'class_groups'].map(
    (table) => `ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS removed_at DATETIME(3) NULL,
      ADD COLUMN IF NOT EXISTS removed_by CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
      ADD KEY IF NOT EXISTS by_removal (removed_at)`,
  ),
  `ALTER TABLE class_groups ADD COLUMN IF NOT EXISTS ended_at DATETIME(3) NULL`,
  `ALTER TABLE memberships ADD COLUMN IF NOT EXISTS shares BOOLEAN NOT NULL DEFAULT FALSE`,
  `ALTER TABLE people ADD COLUMN IF NOT EXISTS school_id VARCHAR(80) NULL`,
]

const DOWN = [
  'ALTER TABLE memberships DROP COLUMN IF EXISTS shares',
  'ALTER TABLE class_groups DROP COLUMN IF EXISTS ended_at',
  ...['assignments', 'songs', 'class_groups'].map(
    (table) =>
      `ALTER TABLE ${table} DROP KEY IF EXISTS by_removal, DROP COLUMN IF EXISTS removed_by, DROP COLUMN IF EXISTS removed_at`,
  ),
  'DROP TABLE IF EXISTS set_aside_members',
  'ALTER TABLE people DROP COLUMN IF EXISTS school_id',
  'ALTER TABLE class_groups DROP COLUMN IF EXISTS lesson_day, DROP COLUMN IF EXISTS lesson_time',
  ...[
    'mark_changes',
    'excused_work',
    'overall_grades',
    'grade_schemes',
    'student_notes',
    'small_group_members',
    'small_groups',
    'hand_in_figures',
  ].map((name) => `DROP TABLE IF EXISTS ${name}`),
]

/** Makes the figures of everything that was measured before there were any. What cannot be read has none. */
async function fillFigures(runner: QueryRunner): Promise<void> {
  let last = ''
  for (;;) {
    const rows: { id: string; assessment: string }[] = await runner.query(
      `SELECT h.id, h.assessment FROM hand_ins h LEFT JOIN hand_in_figures f ON f.hand_in_id = h.id
        WHERE h.id > ? AND h.assessment IS NOT NULL AND f.hand_in_id IS NULL ORDER BY h.id LIMIT ${AT_ONCE}`,
      [last],
    )
    for (const { id, assessment } of rows) {
      const figures = figuresOrNull(assessment)
      if (figures) await runner.query('INSERT IGNORE INTO hand_in_figures VALUES (?, ?)', [id, figures])
      last = id
    }
    if (rows.length < AT_ONCE) return
  }
}

function figuresOrNull(assessment: string): string | null {
  try {
    return JSON.stringify(figuresOf(readAssessment(assessment)))
  } catch {
    return null
  }
}
