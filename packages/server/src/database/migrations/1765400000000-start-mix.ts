import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The mix that a song came in with stays with it: levels, pans and moves of a file of notes. Files on their way in lie on the disk. */
export class StartMix1765400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE song_versions ADD COLUMN IF NOT EXISTS start_mix LONGTEXT NULL')
    await runner.query('DROP TABLE IF EXISTS upload_chunks')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE song_versions DROP COLUMN IF EXISTS start_mix')
    await runner.query(CHUNKS)
  }
}

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'

const CHUNKS = `CREATE TABLE IF NOT EXISTS upload_chunks (
    upload_id ${ID}, number INT UNSIGNED NOT NULL, data MEDIUMBLOB NOT NULL,
    PRIMARY KEY (upload_id, number), FOREIGN KEY (upload_id) REFERENCES uploads (id) ON DELETE CASCADE)`
