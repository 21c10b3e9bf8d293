import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Saves of a work since its document was written as a whole: a save of one point need not write a hundred lines again. */
export class WorkPatches1765500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE IF NOT EXISTS work_patches (
      work_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, revision INT UNSIGNED NOT NULL,
      patch MEDIUMTEXT NOT NULL,
      PRIMARY KEY (work_id, revision), FOREIGN KEY (work_id) REFERENCES works (id) ON DELETE CASCADE)`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS work_patches')
  }
}
