import type { MigrationInterface, QueryRunner } from 'typeorm'

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const TIME = 'DATETIME(3) NOT NULL'

/** The tables of the first lesson: people, songs, assignments, works, hand-ins, reviews. */
export class FirstSchema1764000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const sql of TABLES) await runner.query(sql)
  }

  async down(runner: QueryRunner): Promise<void> {
    const names = TABLES.map((sql) => /EXISTS (\w+)/.exec(sql)![1]!)
    for (const name of names.reverse()) await runner.query(`DROP TABLE IF EXISTS ${name}`)
  }
}

const TABLES = [
  `CREATE TABLE IF NOT EXISTS settings (name VARCHAR(40) PRIMARY KEY, value VARCHAR(255) NOT NULL)`,
  `CREATE TABLE IF NOT EXISTS people (
    id ${ID} PRIMARY KEY, name VARCHAR(120) NOT NULL, sign_in VARCHAR(60) NOT NULL UNIQUE,
    password_hash VARCHAR(200) NOT NULL, role ENUM('student','teacher') NOT NULL,
    wrong_tries INT NOT NULL DEFAULT 0, retry_at DATETIME(3) NULL)`,
  `CREATE TABLE IF NOT EXISTS class_groups (
    id ${ID} PRIMARY KEY, name VARCHAR(120) NOT NULL, place VARCHAR(120) NOT NULL,
    join_code VARCHAR(20) NOT NULL UNIQUE)`,
  `CREATE TABLE IF NOT EXISTS memberships (
    group_id ${ID}, person_id ${ID}, role ENUM('student','teacher') NOT NULL,
    PRIMARY KEY (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS sessions (
    token_hash ${HASH} PRIMARY KEY, person_id ${ID}, expires_at ${TIME}, KEY by_expiry (expires_at),
    FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS songs (id ${ID} PRIMARY KEY, title VARCHAR(200) NOT NULL)`,
  `CREATE TABLE IF NOT EXISTS song_versions (
    id ${ID} PRIMARY KEY, song_id ${ID}, number INT NOT NULL, document LONGTEXT NOT NULL,
    UNIQUE KEY by_number (song_id, number), FOREIGN KEY (song_id) REFERENCES songs (id))`,
  `CREATE TABLE IF NOT EXISTS assets (
    id ${HASH} PRIMARY KEY, channels TINYINT NOT NULL, frames INT UNSIGNED NOT NULL,
    bytes INT UNSIGNED NOT NULL, overview MEDIUMBLOB NOT NULL)`,
  `CREATE TABLE IF NOT EXISTS asset_chunks (
    asset_id ${HASH}, number INT UNSIGNED NOT NULL, data MEDIUMBLOB NOT NULL,
    PRIMARY KEY (asset_id, number), FOREIGN KEY (asset_id) REFERENCES assets (id))`,
  `CREATE TABLE IF NOT EXISTS song_version_assets (
    song_version_id ${ID}, asset_id ${HASH}, PRIMARY KEY (song_version_id, asset_id), KEY by_asset (asset_id),
    FOREIGN KEY (song_version_id) REFERENCES song_versions (id), FOREIGN KEY (asset_id) REFERENCES assets (id))`,
  `CREATE TABLE IF NOT EXISTS assignments (
    id ${ID} PRIMARY KEY, group_id ${ID}, song_version_id ${ID}, title VARCHAR(200) NOT NULL,
    brief MEDIUMTEXT NOT NULL, starting_mix LONGTEXT NOT NULL, rubric TEXT NOT NULL,
    due_at DATETIME(3) NULL, created_at ${TIME},
    FOREIGN KEY (group_id) REFERENCES class_groups (id),
    FOREIGN KEY (song_version_id) REFERENCES song_versions (id))`,
  `CREATE TABLE IF NOT EXISTS works (
    id ${ID} PRIMARY KEY, assignment_id ${ID}, person_id ${ID}, revision INT UNSIGNED NOT NULL,
    document LONGTEXT NOT NULL, window VARCHAR(40) NOT NULL DEFAULT '',
    last_save VARCHAR(40) NOT NULL DEFAULT '', updated_at ${TIME},
    UNIQUE KEY one_each (assignment_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (assignment_id) REFERENCES assignments (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS work_commands (
    work_id ${ID}, revision INT UNSIGNED NOT NULL, number SMALLINT UNSIGNED NOT NULL,
    label VARCHAR(200) NOT NULL, lanes TEXT NOT NULL, from_tick INT NOT NULL, to_tick INT NOT NULL,
    how VARCHAR(20) NOT NULL, at ${TIME},
    PRIMARY KEY (work_id, revision, number), FOREIGN KEY (work_id) REFERENCES works (id))`,
  `CREATE TABLE IF NOT EXISTS tries (
    id ${ID} PRIMARY KEY, work_id ${ID}, name VARCHAR(120) NOT NULL, document LONGTEXT NOT NULL,
    created_at ${TIME}, KEY by_work (work_id), FOREIGN KEY (work_id) REFERENCES works (id))`,
  `CREATE TABLE IF NOT EXISTS hand_ins (
    id ${ID} PRIMARY KEY, work_id ${ID}, number INT UNSIGNED NOT NULL, song_version_id ${ID},
    revision INT UNSIGNED NOT NULL, document LONGTEXT NOT NULL,
    state ENUM('measuring','waiting','given back') NOT NULL, measurement LONGTEXT NULL,
    outcome ENUM('accepted','again') NULL, handed_in_at ${TIME}, given_back_at DATETIME(3) NULL,
    UNIQUE KEY by_number (work_id, number), KEY by_state (state),
    FOREIGN KEY (work_id) REFERENCES works (id), FOREIGN KEY (song_version_id) REFERENCES song_versions (id))`,
  `CREATE TABLE IF NOT EXISTS reviews (
    hand_in_id ${ID} PRIMARY KEY, reviewer_id ${ID}, marks TEXT NOT NULL, comment TEXT NOT NULL,
    revision INT UNSIGNED NOT NULL, updated_at ${TIME},
    FOREIGN KEY (hand_in_id) REFERENCES hand_ins (id), FOREIGN KEY (reviewer_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS remarks (
    id ${ID} PRIMARY KEY, hand_in_id ${ID}, author_id ${ID}, lane VARCHAR(160) NOT NULL,
    from_tick INT NOT NULL, to_tick INT NOT NULL, text TEXT NOT NULL, created_at ${TIME},
    KEY by_hand_in (hand_in_id),
    FOREIGN KEY (hand_in_id) REFERENCES hand_ins (id), FOREIGN KEY (author_id) REFERENCES people (id))`,
  `CREATE TABLE IF NOT EXISTS trail (
    id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id ${ID}, what VARCHAR(60) NOT NULL,
    subject CHAR(36) NOT NULL, at ${TIME}, KEY by_subject (subject))`,
]
