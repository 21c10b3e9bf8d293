import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'

/** Classes of one's own: first passwords, joining by code, retention, handing in as a pair, needing help. */
export class Classes1764400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of CHANGES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of BACK) await runner.query(sql)
  }
}

const CHANGES = [
  'ALTER TABLE people ADD COLUMN IF NOT EXISTS must_change TINYINT(1) NOT NULL DEFAULT 0',
  `ALTER TABLE class_groups
    ADD COLUMN IF NOT EXISTS keep_until DATE NULL,
    ADD COLUMN IF NOT EXISTS join_open TINYINT(1) NOT NULL DEFAULT 1`,
  `CREATE TABLE IF NOT EXISTS join_requests (
    id ${ID} PRIMARY KEY, group_id ${ID}, name VARCHAR(120) NOT NULL, sign_in VARCHAR(60) NOT NULL,
    password_hash VARCHAR(200) NOT NULL, created_at DATETIME(3) NOT NULL,
    UNIQUE KEY once (sign_in), KEY by_group (group_id), FOREIGN KEY (group_id) REFERENCES class_groups (id))`,
  `ALTER TABLE hand_ins
    ADD COLUMN IF NOT EXISTS pair CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD KEY IF NOT EXISTS by_pair (pair)`,
  `CREATE TABLE IF NOT EXISTS presences (
    person_id ${ID}, group_id ${ID}, assignment_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
    task VARCHAR(64) NOT NULL DEFAULT '', seen_at DATETIME(3) NOT NULL, acted_at DATETIME(3) NOT NULL,
    help_at DATETIME(3) NULL, shows TINYINT(1) NOT NULL DEFAULT 0,
    PRIMARY KEY (person_id, group_id),
    FOREIGN KEY (person_id) REFERENCES people (id), FOREIGN KEY (group_id) REFERENCES class_groups (id))`,
]

const BACK = [
  'DROP TABLE IF EXISTS presences',
  'ALTER TABLE hand_ins DROP KEY IF EXISTS by_pair, DROP COLUMN IF EXISTS pair',
  'DROP TABLE IF EXISTS join_requests',
  'ALTER TABLE class_groups DROP COLUMN IF EXISTS keep_until, DROP COLUMN IF EXISTS join_open',
  'ALTER TABLE people DROP COLUMN IF EXISTS must_change',
]
