import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'

/** A songbook of one's own: audio on its way in, and who made a song. */
export class Songbook1764500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of CHANGES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const sql of BACK) await runner.query(sql)
  }
}

const CHANGES = [
  `CREATE TABLE IF NOT EXISTS uploads (
    id ${ID} PRIMARY KEY, person_id ${ID}, name VARCHAR(255) NOT NULL, bytes INT UNSIGNED NOT NULL,
    created_at DATETIME(3) NOT NULL, KEY by_person (person_id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS upload_chunks (
    upload_id ${ID}, number INT UNSIGNED NOT NULL, data MEDIUMBLOB NOT NULL,
    PRIMARY KEY (upload_id, number), FOREIGN KEY (upload_id) REFERENCES uploads (id) ON DELETE CASCADE)`,
]

const BACK = ['DROP TABLE IF EXISTS upload_chunks', 'DROP TABLE IF EXISTS uploads']
