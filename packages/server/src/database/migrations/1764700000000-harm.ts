import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const MAYBE_ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL'
const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const NOW = 'DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)'

/**
 * Out of harm's way: who was in a class, guesses and the browsers that people have used, sessions that can be listed,
 * measuring that ends, tries at tasks, whose a song is, and how old audio is.
 */
export class Harm1764700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of CHANGES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of BACK) await runner.query(sql)
  }
}

const CHANGES = [
  `CREATE TABLE IF NOT EXISTS former_members (
    group_id ${ID}, person_id ${ID}, role ENUM('student','teacher') NOT NULL, left_at DATETIME(3) NOT NULL,
    PRIMARY KEY (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS guesses (
    id ${HASH} PRIMARY KEY, wrong INT UNSIGNED NOT NULL, retry_at DATETIME(3) NULL, at DATETIME(3) NOT NULL,
    KEY by_time (at))`,
  `CREATE TABLE IF NOT EXISTS known_browsers (
    browser ${HASH}, person_id ${ID}, seen_at DATETIME(3) NOT NULL,
    PRIMARY KEY (browser, person_id), KEY by_person (person_id), KEY by_time (seen_at),
    FOREIGN KEY (person_id) REFERENCES people (id))`,
  `ALTER TABLE sessions
    ADD COLUMN IF NOT EXISTS created_at ${NOW},
    ADD COLUMN IF NOT EXISTS seen_at ${NOW},
    ADD COLUMN IF NOT EXISTS device VARCHAR(60) NOT NULL DEFAULT '',
    ADD KEY IF NOT EXISTS by_person (person_id)`,
  `ALTER TABLE join_requests
    DROP KEY IF EXISTS once,
    ADD COLUMN IF NOT EXISTS asked_from CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT ''`,
  `ALTER TABLE hand_ins
    ADD COLUMN IF NOT EXISTS measure_tries INT UNSIGNED NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS measure_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS measure_problem VARCHAR(40) NULL,
    ADD KEY IF NOT EXISTS by_measure_at (measure_at)`,
  // guesses are counted by themselves now
  `ALTER TABLE people DROP COLUMN IF EXISTS wrong_tries, DROP COLUMN IF EXISTS retry_at`,
  `ALTER TABLE assets ADD COLUMN IF NOT EXISTS created_at ${NOW}`,
  `CREATE TABLE IF NOT EXISTS task_tries (
    work_id ${ID}, task VARCHAR(64) NOT NULL, tries INT UNSIGNED NOT NULL, at DATETIME(3) NOT NULL,
    PRIMARY KEY (work_id, task), FOREIGN KEY (work_id) REFERENCES works (id))`,
  `ALTER TABLE songs ADD COLUMN IF NOT EXISTS made_by ${MAYBE_ID}, ADD KEY IF NOT EXISTS by_maker (made_by)`,
  // who made a song is in the trail already
  `UPDATE songs s JOIN trail t ON t.subject = s.id AND t.what = 'made a song'
      SET s.made_by = t.person_id WHERE s.made_by IS NULL`,
  // what was being measured when an earlier version went down is taken up
  `UPDATE hand_ins SET measure_at = handed_in_at
    WHERE measure_at IS NULL AND measure_problem IS NULL AND (measurement IS NULL OR assessment IS NULL)`,
]

const BACK = [
  'ALTER TABLE songs DROP KEY IF EXISTS by_maker, DROP COLUMN IF EXISTS made_by',
  'DROP TABLE IF EXISTS task_tries',
  'ALTER TABLE assets DROP COLUMN IF EXISTS created_at',
  `ALTER TABLE hand_ins DROP KEY IF EXISTS by_measure_at, DROP COLUMN IF EXISTS measure_tries,
    DROP COLUMN IF EXISTS measure_at, DROP COLUMN IF EXISTS measure_problem`,
  `DELETE a FROM join_requests a JOIN join_requests b ON b.sign_in = a.sign_in AND b.id < a.id`,
  `ALTER TABLE join_requests DROP COLUMN IF EXISTS asked_from, ADD UNIQUE KEY IF NOT EXISTS once (sign_in)`,
  `ALTER TABLE sessions DROP COLUMN IF EXISTS created_at, DROP COLUMN IF EXISTS seen_at, DROP COLUMN IF EXISTS device`,
  'DROP TABLE IF EXISTS known_browsers',
  'DROP TABLE IF EXISTS guesses',
  'DROP TABLE IF EXISTS former_members',
  `ALTER TABLE people ADD COLUMN IF NOT EXISTS wrong_tries INT NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS retry_at DATETIME(3) NULL`,
]
