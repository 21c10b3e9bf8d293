import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The teacher's word against a verdict, a mistake or a mark is kept with the review. */
export class Overrules1765000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE reviews ADD COLUMN IF NOT EXISTS overrules MEDIUMTEXT NULL')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE reviews DROP COLUMN IF EXISTS overrules')
  }
}
