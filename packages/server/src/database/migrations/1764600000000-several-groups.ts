import type { MigrationInterface, QueryRunner } from 'typeorm'

/** One assignment for several groups: each group has its own, and they know of each other. */
export class SeveralGroups1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE assignments
        ADD COLUMN IF NOT EXISTS given_with CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD KEY IF NOT EXISTS by_given_with (given_with)`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE assignments DROP KEY IF EXISTS by_given_with, DROP COLUMN IF EXISTS given_with',
    )
  }
}
