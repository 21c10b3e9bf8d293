import type { MigrationInterface, QueryRunner } from 'typeorm'

/** A song can be put away: assignments keep it, and it is not offered any more. */
export class ArchivedSongs1765100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE songs ADD COLUMN IF NOT EXISTS archived_at DATETIME(3) NULL')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE songs DROP COLUMN IF EXISTS archived_at')
  }
}
