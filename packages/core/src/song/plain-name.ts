/** Names that people take for the same: without accents, case and odd spaces. */
export const plainName = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .trim()
