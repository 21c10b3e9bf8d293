import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Maps of control surfaces, by person. */
export class Surfaces1764100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE IF NOT EXISTS surfaces (
      person_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY, maps MEDIUMTEXT NOT NULL,
      updated_at DATETIME(3) NOT NULL, FOREIGN KEY (person_id) REFERENCES people (id))`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS surfaces')
  }
}
