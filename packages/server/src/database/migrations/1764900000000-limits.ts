import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Guesses are counted by a limiter, in its own form. What was counted is forgotten: it is of the last hours alone. */
export class Limits1764900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS limits (
        \`key\` VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
        points INT NOT NULL DEFAULT 0, expire BIGINT UNSIGNED NULL, KEY by_time (expire))`,
    )
    await runner.query('DROP TABLE IF EXISTS guesses')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS guesses (
        id CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY, wrong INT UNSIGNED NOT NULL,
        retry_at DATETIME(3) NULL, at DATETIME(3) NOT NULL, KEY by_time (at))`,
    )
    await runner.query('DROP TABLE IF EXISTS limits')
  }
}
