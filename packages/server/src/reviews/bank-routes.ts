import { randomUUID } from 'node:crypto'
import { MISTAKES } from '@rudlo/core/mistakes'
import { USUAL_REMARKS } from '@rudlo/core/remarks'
import { IsIn, IsOptional, IsString, Length, Matches } from 'class-validator'
import { badInput, notFound } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import type { Services } from '../services'
import { BankRemarkRow } from './review.entity'

/** Remarks that a bank can hold. */
const MOST = 300

class BankBody {
  @IsString()
  @Length(1, 2000, { message: 'A remark needs between 1 and 2,000 characters' })
  @Matches(/\S/, { message: 'A remark needs between 1 and 2,000 characters' })
  text!: string

  @IsOptional()
  @IsIn(MISTAKES.map((m) => m.kind), { message: 'There is no such mistake' })
  mistake!: string | null
}

const view = ({ id, text, mistake }: BankRemarkRow) => ({ id, text, mistake })

/** A teacher's own remarks, kept to be used again. */
export function bankRoutes({ database }: Services): Route[] {
  const bank = database.getRepository(BankRemarkRow)
  const all = (personId: string) => bank.find({ where: { personId }, order: { createdAt: 'ASC', id: 'ASC' } })
  const checkRoom = async (personId: string, more: number) => {
    if ((await bank.countBy({ personId })) + more > MOST)
      throw badInput(`At most ${MOST} remarks are kept: remove some that you do not use any more.`)
  }
  return [
    route('get', '/api/bank', 'teacher', async ({ person }) => (await all(person.id)).map(view)),

    routeWithBody('post', '/api/bank', 'teacher', BankBody, async ({ person, body }) => {
      await checkRoom(person.id, 1)
      const mistake = body.mistake ?? null
      const row = { id: randomUUID(), personId: person.id, text: body.text, mistake, createdAt: new Date() }
      await bank.insert(row)
      return view(row)
    }),

    route('post', '/api/bank/usual', 'teacher', async ({ person }) => {
      const known = (await all(person.id)).map((r) => r.text)
      const fresh = USUAL_REMARKS.filter((u) => !known.includes(u.text))
      await checkRoom(person.id, fresh.length)
      const now = Date.now()
      if (fresh.length)
        await bank.insert(
          fresh.map((usual, i) => ({
            ...usual,
            id: randomUUID(),
            personId: person.id,
            createdAt: new Date(now + i),
          })),
        )
      return (await all(person.id)).map(view)
    }),

    routeWithBody('put', '/api/bank/:bank', 'teacher', BankBody, async ({ person, param, body }) => {
      const key = { id: param('bank'), personId: person.id }
      if (!(await bank.findOneBy(key))) throw notFound()
      const changed = { text: body.text, mistake: body.mistake ?? null }
      await bank.update(key, changed)
      return { id: key.id, ...changed }
    }),

    route('delete', '/api/bank/:bank', 'teacher', async ({ person, param }) => {
      const gone = await bank.delete({ id: param('bank'), personId: person.id })
      if (!gone.affected) throw notFound()
      return null
    }),
  ]
}
