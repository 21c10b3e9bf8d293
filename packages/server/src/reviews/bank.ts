import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { BankRemark, NewBankRemark } from '@rudlo/contract/reviews'
import { usualRemarks } from '@rudlo/core/remarks'
import type { DataSource, Repository } from 'typeorm'
import { badInput, notFound } from '../http/problem'
import { BankRemarkRow } from './entities'
import { bankView } from './views'

/** Remarks that a bank can hold. */
const MOST = 300

/** A teacher's own remarks, kept to be used again. */
export class RemarkBank {
  readonly #bank: Repository<BankRemarkRow>

  constructor(database: DataSource) {
    this.#bank = database.getRepository(BankRemarkRow)
  }

  async of(personId: string): Promise<BankRemark[]> {
    return (await this.#all(personId)).map(bankView)
  }

  /** @throws Problem 400 where there is no room */
  async add(personId: string, { text, mistake }: NewBankRemark): Promise<BankRemark> {
    await this.#checkRoom(personId, 1)
    const row = { id: randomUUID(), personId, text, mistake: mistake ?? null, createdAt: new Date() }
    await this.#bank.insert(row)
    return bankView(row)
  }

  /** Takes in the usual remarks that are not there yet. @returns all of them */
  async addUsual(personId: string): Promise<BankRemark[]> {
    const known = (await this.#all(personId)).map((r) => r.text)
    const fresh = usualRemarks().filter((u) => !known.includes(u.text))
    await this.#checkRoom(personId, fresh.length)
    const now = Date.now()
    const rows = fresh.map((usual, i) => ({
      ...usual,
      id: randomUUID(),
      personId,
      createdAt: new Date(now + i),
    }))
    if (rows.length) await this.#bank.insert(rows)
    return this.of(personId)
  }

  async change(personId: string, id: string, { text, mistake }: NewBankRemark): Promise<BankRemark> {
    if (!(await this.#bank.findOneBy({ id, personId }))) throw notFound()
    const changed = { text, mistake: mistake ?? null }
    await this.#bank.update({ id, personId }, changed)
    return { id, ...changed }
  }

  async drop(personId: string, id: string): Promise<void> {
    const gone = await this.#bank.delete({ id, personId })
    if (!gone.affected) throw notFound()
  }

  #all(personId: string): Promise<BankRemarkRow[]> {
    return this.#bank.find({ where: { personId }, order: { createdAt: 'ASC', id: 'ASC' } })
  }

  async #checkRoom(personId: string, more: number): Promise<void> {
    if ((await this.#bank.countBy({ personId })) + more > MOST)
      throw badInput(words('review.most-remarks-kept', { most: MOST }))
  }
}
