import { randomInt } from 'node:crypto'

/** Syllables that are easily told apart, read aloud and typed. */
const SYLLABLES = (
  'ba be bi bo da de di do fa fe fi fo ga ge go ka ke ki ko la le li lo ma me mi mo na ne ni no ' +
  'pa pe pi po ra re ri ro sa se so ta te ti to va ve vi vo'
).split(' ')

const word = () => Array.from({ length: 3 }, () => SYLLABLES[randomInt(SYLLABLES.length)]).join('')

/** A first password to print on a card: two words and two digits, about 40 bits of chance. */
export const firstPassword = () => `${word()}-${word()}-${randomInt(10, 100)}`
