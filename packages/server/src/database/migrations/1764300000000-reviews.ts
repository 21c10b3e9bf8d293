import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const MAYBE_ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL'

/**
 * Reviews that are talked about: remarks on the whole or with a suggested line, replies, ticks, a comment bank; giving back
 * together, at a time, and taking back; who looks at what; and what is told to browsers at once.
 */
export class Reviews1764300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of CHANGES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of BACK) await runner.query(sql)
  }
}

const CHANGES = [
  `ALTER TABLE hand_ins
    MODIFY state ENUM('measuring','waiting','given back','held') NOT NULL,
    ADD COLUMN IF NOT EXISTS same_as CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL,
    ADD COLUMN IF NOT EXISTS opened_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS seen_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS looked_by ${MAYBE_ID},
    ADD COLUMN IF NOT EXISTS looked_at DATETIME(3) NULL,
    ADD KEY IF NOT EXISTS by_sameness (same_as)`,
  `ALTER TABLE remarks
    MODIFY lane VARCHAR(160) NULL,
    ADD COLUMN IF NOT EXISTS subject VARCHAR(160) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS suggestion MEDIUMTEXT NULL,
    ADD COLUMN IF NOT EXISTS revision INT UNSIGNED NOT NULL DEFAULT 1,
    ADD COLUMN IF NOT EXISTS done_at DATETIME(3) NULL`,
  `CREATE TABLE IF NOT EXISTS replies (
    id ${ID} PRIMARY KEY, remark_id ${ID}, author_id ${ID}, text TEXT NOT NULL, created_at DATETIME(3) NOT NULL,
    KEY by_remark (remark_id),
    FOREIGN KEY (remark_id) REFERENCES remarks (id) ON DELETE CASCADE, FOREIGN KEY (author_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS bank_remarks (
    id ${ID} PRIMARY KEY, person_id ${ID}, text TEXT NOT NULL, mistake VARCHAR(40) NULL, created_at DATETIME(3) NOT NULL,
    KEY by_person (person_id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS happenings (
    id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id ${ID}, kind VARCHAR(40) NOT NULL, data TEXT NOT NULL,
    at DATETIME(3) NOT NULL, KEY by_person (person_id, id), KEY by_time (at))`,
]

const BACK = [
  'DROP TABLE IF EXISTS happenings',
  'DROP TABLE IF EXISTS bank_remarks',
  'DROP TABLE IF EXISTS replies',
  `DELETE FROM remarks WHERE lane IS NULL`,
  `ALTER TABLE remarks MODIFY lane VARCHAR(160) NOT NULL, DROP COLUMN IF EXISTS subject, DROP COLUMN IF EXISTS suggestion,
    DROP COLUMN IF EXISTS revision, DROP COLUMN IF EXISTS done_at`,
  `UPDATE hand_ins SET state = 'waiting', outcome = NULL WHERE state = 'held'`,
  `ALTER TABLE hand_ins DROP KEY IF EXISTS by_sameness, DROP COLUMN IF EXISTS same_as, DROP COLUMN IF EXISTS opened_at, DROP COLUMN IF EXISTS seen_at,
    DROP COLUMN IF EXISTS looked_by, DROP COLUMN IF EXISTS looked_at,
    MODIFY state ENUM('measuring','waiting','given back') NOT NULL`,
]
