import type { MigrationInterface, QueryRunner } from 'typeorm'

/** A draft is a state: until now it was an assignment that opened in the year 2999. */
export class Drafts1764800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE assignments ADD COLUMN IF NOT EXISTS draft TINYINT(1) NOT NULL DEFAULT 0')
    await runner.query(
      "UPDATE assignments SET draft = 1, opens_at = NULL WHERE opens_at >= '2999-01-01 00:00:00'",
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("UPDATE assignments SET opens_at = '2999-01-01 00:00:00' WHERE draft = 1")
    await runner.query('ALTER TABLE assignments DROP COLUMN IF EXISTS draft')
  }
}
