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
    ADD COLUMN revision INT UNSIGNED NOT NULL DEFAULT 1,
    ADD COLUMN model LONGTEXT NULL,
    ADD COLUMN model_heard ENUM('never','handed in','given back') NOT NULL DEFAULT 'given back',
    ADD COLUMN opens_at DATETIME(3) NULL,
    ADD COLUMN hand_in_limit INT UNSIGNED NULL`,
  `ALTER TABLE hand_ins
    ADD COLUMN brief MEDIUMTEXT NULL,
    ADD COLUMN assessment LONGTEXT NULL,
    ADD COLUMN said VARCHAR(400) NOT NULL DEFAULT '',
    ADD COLUMN writing TEXT NULL`,
  `CREATE TABLE exceptions (
    assignment_id ${ID}, person_id ${ID}, due_at DATETIME(3) NULL, brief MEDIUMTEXT NULL,
    PRIMARY KEY (assignment_id, person_id),
    FOREIGN KEY (assignment_id) REFERENCES assignments (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE opened_hints (
    work_id ${ID}, task VARCHAR(64) NOT NULL, level TINYINT UNSIGNED NOT NULL, opened_at DATETIME(3) NOT NULL,
    PRIMARY KEY (work_id, task, level), FOREIGN KEY (work_id) REFERENCES works (id))`,
]

const BACK = [
  'DROP TABLE opened_hints',
  'DROP TABLE exceptions',
  'ALTER TABLE hand_ins DROP COLUMN brief, DROP COLUMN assessment, DROP COLUMN said, DROP COLUMN writing',
  `ALTER TABLE assignments DROP COLUMN revision, DROP COLUMN model, DROP COLUMN model_heard, DROP COLUMN opens_at,
    DROP COLUMN hand_in_limit`,
]
