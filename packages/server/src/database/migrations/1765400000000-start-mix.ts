import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The mix that a song came in with stays with it: levels, pans and moves of a file of notes. */
export class StartMix1765400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE song_versions ADD COLUMN IF NOT EXISTS start_mix LONGTEXT NULL')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE song_versions DROP COLUMN IF EXISTS start_mix')
  }
}
