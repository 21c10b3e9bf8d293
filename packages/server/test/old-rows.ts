/** Somebody's data as the first schema kept it. */
export const OLD_ROWS = [
  "INSERT INTO people (id, name, sign_in, password_hash, role) VALUES ('p1', 'Old Anna', 'anna', '', 'student'), ('t1', 'Old Teacher', 'teacher', '', 'teacher')",
  "INSERT INTO class_groups (id, name, place, join_code) VALUES ('g1', 'Old', '', 'OLD')",
  "INSERT INTO songs (id, title) VALUES ('s1', 'Old song')",
  "INSERT INTO song_versions (id, song_id, number, document) VALUES ('v1', 's1', 1, '{}')",
  "INSERT INTO assignments (id, group_id, song_version_id, title, brief, starting_mix, rubric, created_at) VALUES ('a1', 'g1', 'v1', 'Old', '{}', '{}', '{}', NOW())",
  "INSERT INTO works (id, assignment_id, person_id, revision, document, window, last_save, updated_at) VALUES ('w1', 'a1', 'p1', 2, '{}', '', '', NOW())",
  "INSERT INTO hand_ins (id, work_id, number, song_version_id, revision, document, state, handed_in_at) VALUES ('h1', 'w1', 1, 'v1', 2, '{}', 'waiting', NOW())",
  "INSERT INTO remarks (id, hand_in_id, author_id, lane, from_tick, to_tick, text, created_at) VALUES ('r1', 'h1', 't1', 'track/x/level', 0, 9, 'Old words', NOW())",
]
