import { words } from '@rudlo/words'
import type { StudentTerm, StudentTermAssignment } from '@rudlo/contract/term'
import { mistakeName } from '@rudlo/core/mistakes'
import { readKeptBrief } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import { HandIn } from '../handins/entities'
import { fileName, textEntry, type ZipEntry } from '../http/zip'
import type { GradeTables } from '../grades/tables'
import type { MixdownTask } from '../jobs/mixdown-worker'
import type { Recordings } from '../jobs/recordings'
import type { WorkerPool } from '../jobs/worker-pool'
import { Person, type Group } from '../people/entities'
import type { Reviews } from '../reviews/service'
import type { Songs } from '../songbook/songs'
import { studentsOf, termAssignments } from '../term/queries'
import type { StudentTerms } from '../term/student-terms'
import { escaped, page, table } from './html'

/** What of a term goes into its archive. */
export interface ArchiveOptions {
  /** Whether a mixdown of the newest version of everything is in it. */
  readonly sound: boolean
}

/** Everything of a class as files that can be read without the application: pages, tables, and mixdowns. */
export class Archive {
  constructor(
    private readonly database: DataSource,
    private readonly parts: {
      readonly songs: Songs
      readonly recordings: Recordings
      readonly mixers: Pick<WorkerPool<MixdownTask, Uint8Array>, 'run'>
      readonly studentTerms: StudentTerms
      readonly gradeTables: GradeTables
      readonly reviews: Reviews
    },
  ) {}

  /** The files of an archive, one after the other: nothing is made before it is wanted. */
  async *files(group: Group, { sound }: ArchiveOptions): AsyncGenerator<ZipEntry> {
    const assignments = await termAssignments(this.database, [group.id])
    const students = await studentsOf(this.database, [group.id])
    const names = uniqueNames(students.map((s) => s.name))
    yield textEntry('marks.csv', await this.parts.gradeTables.csv(group))
    for (const [name, text] of Object.entries(await this.parts.gradeTables.oneRoster(group)))
      yield textEntry(`oneroster/${name}`, text)
    for (const [i, a] of assignments.entries()) {
      const { purpose, tasks } = readKeptBrief(a.brief)
      const list = tasks.map((t) => `<li><b>${escaped(t.title)}</b><br>${escaped(t.text)}</li>`).join('')
      yield textEntry(
        `assignments/${i + 1} ${fileName(a.title)}.html`,
        page(a.title, `<p>${escaped(purpose)}</p><ol>${list}</ol>`),
      )
    }
    for (const [i, { id }] of students.entries()) {
      const person = await this.database.getRepository(Person).findOneBy({ id })
      if (!person) continue
      const term = await this.parts.studentTerms.forTeacher(group, person)
      const folder = `students/${names[i]!}`
      yield textEntry(`${folder}/index.html`, await this.#studentPage(term, sound))
      if (sound)
        for (const a of term.assignments)
          if (a.handIn) yield this.#mixdown(`${folder}/${soundName(a)}`, a.handIn)
    }
    yield textEntry(
      'index.html',
      page(
        group.name,
        `<p class="soft">${escaped(group.place)}</p><p><a href="marks.csv">${words('archive.marks')}</a></p>
<h2>${words('archive.students')}</h2><ul>${students
          .map(
            (s, i) =>
              `<li><a href="students/${encodeURIComponent(names[i]!)}/index.html">${escaped(s.name)}</a></li>`,
          )
          .join('')}</ul>
<h2>${words('archive.assignments')}</h2><ol>${assignments
          .map(
            (a, i) =>
              `<li><a href="assignments/${encodeURIComponent(`${i + 1} ${fileName(a.title)}.html`)}">${escaped(a.title)}</a></li>`,
          )
          .join('')}</ol>`,
      ),
    )
  }

  async #studentPage(
    { student, group, assignments, mistakes }: StudentTerm,
    sound: boolean,
  ): Promise<string> {
    const parts: string[] = [`<p class="soft">${escaped(group.name)}</p>`]
    for (const a of assignments) {
      const remarks = a.handIn ? await this.#remarks(a.handIn) : ''
      parts.push(
        `<h2>${escaped(a.title)}</h2>
<p>${escaped(words(`archive.state.${a.missing ? 'missing' : a.state.replace(' ', '-')}`))}${a.number > 1 ? `, ${words('archive.version', { number: a.number })}` : ''}</p>
${sound && a.handIn ? `<audio controls preload="none" src="${encodeURIComponent(soundName(a))}"></audio>` : ''}
${
  a.handIn
    ? table(
        [words('column.task'), words('column.verdict')],
        a.tasks.map((t) => [
          escaped(t.title),
          t.verdict ? words(`archive.verdict.${t.verdict.replace(' ', '-')}`) : '',
        ]),
      )
    : ''
}
${a.marks.length ? `<p>${a.marks.map((m) => `${escaped(m.name)}: <b>${escaped(m.level)}</b>`).join(' · ')}</p>` : ''}
${a.comment ? `<p><i>${escaped(a.comment)}</i></p>` : ''}${remarks}`,
      )
    }
    if (mistakes.length)
      parts.push(
        `<h2>${words('archive.mistakes')}</h2><ul>${mistakes
          .map(
            (m) =>
              `<li>${escaped(mistakeName(m.kind))}${m.gone ? ` <span class="soft">${words('archive.gone')}</span>` : ''}</li>`,
          )
          .join('')}</ul>`,
      )
    return page(student.name, parts.join('\n'))
  }

  /** What the teacher pinned to a version, and what was answered. */
  async #remarks(handIn: string): Promise<string> {
    const found = await this.database.getRepository(HandIn).findOneBy({ id: handIn })
    const remarks = found ? (await this.parts.reviews.view(found)).remarks : []
    return remarks.length
      ? `<ul>${remarks
          .map(
            (r) =>
              `<li>${escaped(r.text || words('archive.spoken'))}${r.replies.map((x) => `<br><span class="soft">${escaped(x.author)}: ${escaped(x.text)}</span>`).join('')}</li>`,
          )
          .join('')}</ul>`
      : ''
  }

  /** A version as it sounds. It is rendered when it is written. */
  #mixdown(name: string, id: string): ZipEntry {
    const { songs, recordings, mixers } = this.parts
    const database = this.database
    async function* pieces() {
      const handIn = await database.getRepository(HandIn).findOneBy({ id })
      if (!handIn) return
      const song = await songs.version(handIn.songVersionId)
      yield await mixers.run({ song, document: handIn.document, audio: await recordings.of(song) }, false)
    }
    return { name, pieces: pieces(), packs: false }
  }
}

/** What the mixdown of an assignment is called. */
const soundName = ({ title, number }: Pick<StudentTermAssignment, 'title' | 'number'>): string =>
  `${fileName(title)} ${number}.wav`

/** Names as names of folders, no two the same. */
function uniqueNames(names: readonly string[]): string[] {
  const taken = new Set<string>()
  return names.map((name) => {
    const plain = fileName(name)
    let own = plain
    for (let n = 2; taken.has(own); n++) own = `${plain} ${n}`
    taken.add(own)
    return own
  })
}
