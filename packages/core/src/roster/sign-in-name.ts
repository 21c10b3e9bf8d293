/** Letters that do not come apart into a plain one and a mark. */
const PLAIN: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ł: 'l',
  ı: 'i',
}

const LONGEST = 40

/** A sign-in name as the server takes it: small letters, digits, dots, dashes. */
export const SIGN_IN_NAME = /^[a-z0-9._-]{2,60}$/

/**
 * A sign-in name made from a person's name: "Ines Varga" becomes "ines.varga", and "ines.varga2" where that is taken.
 * @param taken names that somebody has; the new one is added
 */
export function freshSignInName(name: string, taken: Set<string>): string {
  const plain = name
    .toLowerCase()
    .replace(/[ßæœøđðþłı]/g, (letter) => PLAIN[letter]!)
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^\.+|\.+$/g, '')
    .slice(0, LONGEST)
  // a name in letters that have no plain form
  const base = plain.length >= 2 ? plain : 'student'
  let signIn = base
  for (let n = 2; taken.has(signIn); n++) signIn = `${base}${n}`
  taken.add(signIn)
  return signIn
}
