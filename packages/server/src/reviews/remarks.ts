import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import {
  SPOKEN,
  type ChangedRemark,
  type NewRemark,
  type RemarkForMany,
  type RemarkView,
  type ReplyView,
  type SpokenRemark,
} from '@rudlo/contract/reviews'
import type { Points } from '@rudlo/core/envelope'
import { resolve, withLineShown, type Mix } from '@rudlo/core/mix'
import { readWork } from '@rudlo/core/stored'
import type { SongVersion } from '@rudlo/core/song'
import { checkMix } from '@rudlo/core/validate'
import type { DataSource, Repository } from 'typeorm'
import type { Permissions } from '../access/permissions'
import { isBack, type HandIn } from '../handins/entities'
import { badInput, notFound, notNow } from '../http/problem'
import type { Happenings } from '../live/happenings'
import type { Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import type { Songs } from '../songbook/songs'
import { Remark, Reply, Spoken } from './entities'
import { recordingType } from './recording-type'
import { spokenOf } from './queries'
import { remarkView, replyView } from './views'

/** What written and spoken remarks have in common. */
type Said = Omit<SpokenRemark, 'id' | 'audio' | 'ms' | 'wave'> & Pick<NewRemark, 'suggestion'>

/** Remarks on hand-ins, and what is said about them. */
export class Remarks {
  readonly #remarks: Repository<Remark>

  constructor(
    private readonly database: DataSource,
    private readonly parts: {
      readonly permissions: Permissions
      readonly songs: Songs
      readonly happenings: Happenings
    },
  ) {
    this.#remarks = database.getRepository(Remark)
  }

  /** @throws Problem 400 for a place or line that the hand-in does not have */
  async add(person: Person, handIn: HandIn, sent: NewRemark): Promise<RemarkView> {
    const remark = await this.#made(person, handIn, sent)
    await this.#remarks.insert(remark)
    return remarkView(remark)
  }

  /**
   * Adds a remark that was spoken. The same one that is sent twice is kept once: whoever got no answer sends it again.
   * @throws Problem 400 for what is no recording, or a place that the hand-in does not have
   */
  async addSpoken(person: Person, handIn: HandIn, sent: SpokenRemark): Promise<RemarkView> {
    const known = await this.#remarks.findOneBy({ id: sent.id })
    if (known && (known.handInId !== handIn.id || known.authorId !== person.id)) throw notFound()
    const audio = Buffer.from(sent.audio, 'base64')
    const type = recordingType(audio)
    if (!type || audio.length > SPOKEN.bytes) throw badInput(words('review.no-recording'))
    const spoken = { remarkId: sent.id, type, ms: sent.ms, wave: Buffer.from(sent.wave), audio }
    if (known) return remarkView(known, [], spoken)
    const remark = { ...(await this.#made(person, handIn, sent)), id: sent.id }
    await this.database.transaction(async (manager) => {
      await manager.insert(Remark, remark)
      await manager.insert(Spoken, spoken)
    })
    return remarkView(remark, [], spoken)
  }

  /** The recording of a remark, for who may read it: a student once the hand-in is back, a teacher always. */
  async spoken(person: Person, handInId: string, remark: string): Promise<Spoken> {
    const { handIn } = await this.#answerable(person, handInId)
    const { id } = await this.#of(handIn, remark)
    const found = await this.database.getRepository(Spoken).findOneBy({ remarkId: id })
    if (!found) throw notFound()
    return found
  }

  /** The same on several hand-ins: on all of them or none. @returns how many */
  async addToMany(person: Person, sent: RemarkForMany): Promise<number> {
    const found = await Promise.all(sent.handIns.map((id) => this.parts.permissions.handIn(person, id)))
    const all: Remark[] = []
    for (const { handIn } of found) all.push(await this.#made(person, handIn, sent))
    // one statement: nothing is half done
    await this.#remarks.insert(all)
    return all.length
  }

  /** @throws Problem 409 where somebody else has changed it */
  async change(handIn: HandIn, remark: string, sent: ChangedRemark): Promise<RemarkView> {
    const { id } = await this.#of(handIn, remark)
    const changed = await this.#remarks.update(
      { id, revision: sent.revision },
      { ...(await this.#checked(handIn, sent)), revision: sent.revision + 1 },
    )
    if (!changed.affected) throw notNow(words('review.somebody-else-changed'))
    const [spoken] = await spokenOf(this.database, [id])
    return remarkView(await this.#of(handIn, id), [], spoken)
  }

  async remove(handIn: HandIn, remark: string): Promise<void> {
    const { id } = await this.#of(handIn, remark)
    await this.#remarks.delete({ id })
  }

  /** Answers a remark: a student once the hand-in is back, a teacher always. */
  async reply(person: Person, handInId: string, remark: string, text: string): Promise<ReplyView> {
    const { handIn, work, assignment } = await this.#answerable(person, handInId)
    const { id: remarkId } = await this.#of(handIn, remark)
    const reply = { id: randomUUID(), remarkId, authorId: person.id, text, createdAt: new Date() }
    await this.database.transaction(async (manager) => {
      const { happenings } = this.parts
      await manager.insert(Reply, reply)
      await leaveTrail(manager, person.id, 'replied', remarkId)
      const others =
        person.role === 'student'
          ? await happenings.members(manager, assignment.groupId, 'teacher')
          : [work.personId]
      await happenings.tell(manager, others, 'reply', { assignment: assignment.id, handIn: handIn.id })
    })
    return replyView(reply, person.name)
  }

  /** Ticks a remark off, or not any more. */
  async tick(person: Person, handInId: string, remark: string, done: boolean): Promise<void> {
    const { handIn, assignment } = await this.#answerable(person, handInId)
    const { id } = await this.#of(handIn, remark)
    await this.database.transaction(async (manager) => {
      const { happenings } = this.parts
      await manager.update(Remark, id, { doneAt: done ? new Date() : null })
      const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
      const data = { assignment: assignment.id, handIn: handIn.id }
      await happenings.tell(manager, teachers, 'remark done', data)
    })
  }

  /** A hand-in whose remarks a person may answer. */
  async #answerable(person: Person, id: string) {
    const found = await this.parts.permissions.handIn(person, id)
    if (person.role === 'student' && !isBack(found.handIn)) throw notFound()
    return found
  }

  async #of(handIn: HandIn, id: string): Promise<Remark> {
    const remark = await this.#remarks.findOneBy({ id, handInId: handIn.id })
    if (!remark) throw notFound()
    return remark
  }

  async #made(person: Person, handIn: HandIn, sent: Said): Promise<Remark> {
    return this.#remarks.create({
      id: randomUUID(),
      handInId: handIn.id,
      authorId: person.id,
      ...(await this.#checked(handIn, sent)),
      revision: 1,
      doneAt: null,
      createdAt: new Date(),
    })
  }

  /** What is stored of a remark. A place has to be on a lane of the mix and inside the song, a line to suit the lane. */
  async #checked(handIn: HandIn, { lane: sentLane, from, to, text, subject = '', suggestion }: Said) {
    const { mix } = readWork(handIn.document)
    const lane = sentLane ?? null
    const song = await this.parts.songs.version(handIn.songVersionId)
    if (lane !== null && !resolve(mix, lane)) throw badInput(words('review.mix-no-such'))
    if (to < from || to > song.length) throw badInput(words('review.remark-lie-inside'))
    if (suggestion) {
      if (lane === null) throw badInput(words('review.suggested-line-needs'))
      const problem = problemOf(mix, lane, suggestion, song)
      if (problem) throw badInput(words('review.suggested-line-cannot', { problem }))
    }
    return {
      lane,
      fromTick: from,
      toTick: to,
      text,
      subject,
      suggestion: suggestion ? JSON.stringify(suggestion) : null,
    }
  }
}

/** Why a line does not suit a lane, in a sentence; null where the mix could have it. */
function problemOf(mix: Mix, lane: string, points: readonly unknown[], song: SongVersion): string | null {
  try {
    // whether these are points is what is found out here
    const suggested = checkMix(withLineShown(mix, lane, points as Points), song)
    return suggested.ok ? null : suggested.problem
  } catch (error) {
    return (error as Error).message
  }
}
