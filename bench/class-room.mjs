/** A class for benches: people, works, and what a browser sends. */
import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { request } from 'node:http'
import { createGunzip } from 'node:zlib'
import mysql from 'mysql2/promise'

const POINTS = 850

const song = {
  format: 'rudlo-song',
  version: 1,
  title: 'Bench',
  length: 420_000,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [{ id: 'reed', name: 'Reed', role: 'lead', channels: 1 }],
  regions: [],
  assets: [],
}

/** A work of about 50 KB. */
function documentOf() {
  const points = Array.from({ length: POINTS }, (_, i) => ({
    tick: i * 480,
    value: -6 - (i % 40) / 4,
    form: 'straight',
    bend: 0,
  }))
  const track = {
    id: 'reed',
    regions: [],
    gain: 0,
    effects: [],
    mute: false,
    sends: [],
    level: 0,
    pan: 0,
    width: 1,
  }
  const envelopes = [{ id: 'line-1', address: 'track/reed/level', on: true, open: true, points }]
  const mix = {
    format: 'rudlo-mix',
    version: 1,
    tracks: [track],
    returns: [],
    main: { level: 0 },
    envelopes,
    motifs: [],
    placements: [],
  }
  return { mix, notes: [] }
}

/** A class of so many students with their sessions and works of about 50 KB, straight into the tables. */
export async function fill({ host, port, username: user, password, database }, students) {
  const db = await mysql.createConnection({ host, port, user, password, database })
  const [song_, version, group, assignment, teacher] = Array.from({ length: 5 }, () => randomUUID())
  const document = documentOf()
  const now = new Date()
  await db.query('INSERT INTO songs SET ?', { id: song_, title: song.title })
  await db.query('INSERT INTO song_versions SET ?', {
    id: version,
    song_id: song_,
    number: 1,
    document: JSON.stringify(song),
  })
  await db.query('INSERT INTO class_groups SET ?', {
    id: group,
    name: 'Bench',
    place: '',
    join_code: 'BENCH',
  })
  await db.query('INSERT INTO assignments SET ?', {
    id: assignment,
    group_id: group,
    song_version_id: version,
    title: 'Bench',
    brief: '{"purpose":"","tasks":[],"open":[]}',
    starting_mix: JSON.stringify(document.mix),
    rubric: '{"levels":[],"criteria":[]}',
    due_at: null,
    created_at: now,
  })
  const people = []
  let signedIn
  for (let i = 0; i <= students; i++) {
    const id = i ? randomUUID() : teacher
    const role = i ? 'student' : 'teacher'
    await db.query('INSERT INTO people SET ?', {
      id,
      name: `P${i}`,
      sign_in: `p${i}`,
      password_hash: 'x',
      role,
    })
    await db.query('INSERT INTO memberships SET ?', { group_id: group, person_id: id, role })
    const token = randomBytes(32).toString('base64url')
    await db.query('INSERT INTO sessions SET ?', {
      token_hash: createHash('sha256').update(token).digest('hex'),
      person_id: id,
      expires_at: new Date(Date.now() + 3 * 3_600_000),
    })
    if (!i) {
      signedIn = { id, token }
      continue
    }
    const work = randomUUID()
    await db.query('INSERT INTO works SET ?', {
      id: work,
      assignment_id: assignment,
      person_id: id,
      revision: 1,
      document: JSON.stringify(document),
      window: '',
      last_save: '',
      updated_at: now,
    })
    people.push({ id, token, work, revision: 1 })
  }
  await db.end()
  return { people, teacher: signedIn, assignment, bytes: JSON.stringify(document).length }
}

/**
 * Students of the class of an assignment that is there, each with a line of their own on one track and a session.
 * @param track whose volume each has drawn
 */
export async function join({ host, port, username: user, password, database }, title, track, students) {
  const db = await mysql.createConnection({ host, port, user, password, database })
  const [[assignment]] = await db.query(
    'SELECT id, group_id, starting_mix FROM assignments WHERE title = ? LIMIT 1',
    [title],
  )
  const mix = JSON.parse(assignment.starting_mix)
  const address = `track/${track}/level`
  const people = []
  for (let i = 0; i < students; i++) {
    const [id, work, token] = [randomUUID(), randomUUID(), randomBytes(32).toString('base64url')]
    await db.query('INSERT INTO people SET ?', {
      id,
      name: `J${i}`,
      sign_in: `j${i}.${id.slice(0, 8)}`,
      password_hash: 'x',
      role: 'student',
    })
    await db.query('INSERT INTO memberships SET ?', {
      group_id: assignment.group_id,
      person_id: id,
      role: 'student',
    })
    await db.query('INSERT INTO sessions SET ?', {
      token_hash: createHash('sha256').update(token).digest('hex'),
      person_id: id,
      expires_at: new Date(Date.now() + 3_600_000),
    })
    const points = Array.from({ length: 12 }, (_, n) => ({
      tick: n * 3840 + i * 30,
      value: -3 - ((n * 7 + i) % 12),
      form: 'curve',
      bend: 0,
    }))
    const line = { id: `own-${i}`, address, on: true, open: true, points }
    const envelopes = [...mix.envelopes.filter((e) => e.address !== address), line]
    await db.query('INSERT INTO works SET ?', {
      id: work,
      assignment_id: assignment.id,
      person_id: id,
      revision: 1,
      document: JSON.stringify({ mix: { ...mix, envelopes }, notes: [] }),
      window: '',
      last_save: '',
      updated_at: new Date(),
    })
    people.push({ id, token, work, revision: 1 })
  }
  await db.end()
  return people
}

/** Asks the server as a student. @returns status and text of the answer */
export function ask(port, agent, { token }, method, path, body = '') {
  return new Promise((resolve, reject) => {
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      // what a browser takes
      'accept-encoding': 'gzip',
      cookie: `rudlo_session=${token}`,
    }
    const sent = request({ port, agent, method, path, headers }, (answer) => {
      const unpacked = answer.headers['content-encoding'] === 'gzip' ? answer.pipe(createGunzip()) : answer
      let text = ''
      unpacked.on('data', (part) => (text += part))
      unpacked.on('end', () => resolve({ status: answer.statusCode, text }))
      unpacked.on('error', reject)
      answer.on('error', reject)
    })
    sent.on('error', reject)
    sent.end(body)
  })
}

/** Whether a work, as the server tells it, holds the save that was acknowledged to a student last. */
export function holds({ revision, document }, student) {
  if (revision < student.revision) return false
  if (!student.acknowledged) return true
  const { index, value, tick } = student.acknowledged
  const point = document.mix.envelopes[0].points[index]
  return point.value === value && point.tick === tick
}

/** One save of one student, who remembers what was acknowledged; milliseconds until the answer is there. */
export async function save(port, agent, student, n) {
  const index = n % POINTS
  const value = -Math.round(Math.random() * 600) / 10
  const tick = index * 480 + (n % 100) + 1
  const body = JSON.stringify({
    revision: student.revision,
    save: randomUUID(),
    patch: [
      { op: 'replace', path: `/mix/envelopes/0/points/${index}/value`, value },
      { op: 'replace', path: `/mix/envelopes/0/points/${index}/tick`, value: tick },
    ],
    commands: [
      {
        label: 'Moved a point',
        lanes: ['track/reed/level'],
        from: 0,
        to: 480,
        how: 'hand',
        at: new Date().toISOString(),
      },
    ],
  })
  const start = performance.now()
  const { status, text } = await ask(port, agent, student, 'PATCH', `/api/works/${student.work}`, body)
  if (status !== 200) throw new Error(text)
  const took = performance.now() - start
  student.revision = JSON.parse(text).revision
  student.acknowledged = { index, value, tick }
  return took
}
