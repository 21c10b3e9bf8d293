import { randomInt } from 'node:crypto'

/** Letters and digits that cannot be taken for each other. */
const CODE_SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'
/** A code by which somebody asks to join a class. */
export const freshJoinCode = (): string =>
  Array.from({ length: 7 }, () => CODE_SIGNS[randomInt(CODE_SIGNS.length)]).join('')
