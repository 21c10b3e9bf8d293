import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'

/** Briefs that check and hint: model mixes, dates and limits, exceptions, opened hints, and what was assessed. */
export class Briefs1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of CHANGES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of BACK) await runner.query(sql)
  }
}

const CHANGES = [
  `ALTER TABLE assignments
    ADD COLUMN IF NOT EXISTS revision INT UNSIGNED NOT NULL DEFAULT 1,
    ADD COLUMN IF NOT EXISTS model LONGTEXT NULL,
    ADD COLUMN IF NOT EXISTS model_heard ENUM('never','handed in','given back') NOT NULL DEFAULT 'given back',
    ADD COLUMN IF NOT EXISTS opens_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS hand_in_limit INT UNSIGNED NULL`,
  `ALTER TABLE hand_ins
    ADD COLUMN IF NOT EXISTS brief MEDIUMTEXT NULL,
    ADD COLUMN IF NOT EXISTS assessment LONGTEXT NULL,
    ADD COLUMN IF NOT EXISTS said VARCHAR(400) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS writing TEXT NULL`,
  `CREATE TABLE IF NOT EXISTS exceptions (
    assignment_id ${ID}, person_id ${ID}, due_at DATETIME(3) NULL, brief MEDIUMTEXT NULL,
    PRIMARY KEY (assignment_id, person_id),
    FOREIGN KEY (assignment_id) REFERENCES assignments (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS opened_hints (
    work_id ${ID}, task VARCHAR(64) NOT NULL, level TINYINT UNSIGNED NOT NULL, opened_at DATETIME(3) NOT NULL,
    PRIMARY KEY (work_id, task, level), FOREIGN KEY (work_id) REFERENCES works (id))`,
]

const BACK = [
  'DROP TABLE IF EXISTS opened_hints',
  'DROP TABLE IF EXISTS exceptions',
  'ALTER TABLE hand_ins DROP COLUMN IF EXISTS brief, DROP COLUMN IF EXISTS assessment, DROP COLUMN IF EXISTS said, DROP COLUMN IF EXISTS writing',
  `ALTER TABLE assignments DROP COLUMN IF EXISTS revision, DROP COLUMN IF EXISTS model, DROP COLUMN IF EXISTS model_heard, DROP COLUMN IF EXISTS opens_at,
    DROP COLUMN IF EXISTS hand_in_limit`,
]
