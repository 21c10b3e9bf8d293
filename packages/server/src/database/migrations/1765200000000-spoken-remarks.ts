import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Remarks can be spoken: the recording lies beside them and goes with them. */
export class SpokenRemarks1765200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE IF NOT EXISTS spoken_remarks (
      remark_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY, type VARCHAR(20) NOT NULL,
      ms INT UNSIGNED NOT NULL, wave VARBINARY(64) NOT NULL, audio MEDIUMBLOB NOT NULL,
      FOREIGN KEY (remark_id) REFERENCES remarks (id) ON DELETE CASCADE)`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS spoken_remarks')
  }
}
