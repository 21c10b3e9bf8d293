import { words } from '@rudlo/words'
import { dictionary } from '@zxcvbn-ts/language-common'
import { badInput } from '../http/problem'

/** The commonest passwords there are: the first that anybody tries. */
const COMMONEST = new Set(dictionary['passwords-common'].map(String))

/** Letters and digits alone, small and without accents: "Anna B." and "anna-b" are the same name. */
const plain = (text: string) =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '')

/** A name with digits behind it is still the name. */
const withoutDigits = (text: string) => text.replace(/\d+$/, '')

/**
 * Refuses passwords that somebody who knows the person, or a list, would try first.
 * @throws Problem 400 with the reason
 */
export function checkPassword(
  password: string,
  of: { readonly name: string; readonly signIn: string },
): void {
  if (!password.trim()) throw badInput(words('password.password-spaces-alone'))
  const small = plain(password)
  const names = [of.name, of.signIn].map(plain).filter(Boolean)
  if (names.some((name) => small === name || withoutDigits(small) === name || small === name + name))
    throw badInput(words('password.name-first-thing'))
  if (new Set(password.trim()).size < 3) throw badInput(words('password.password-too-easy'))
  if (COMMONEST.has(password.trim().toLowerCase()) || COMMONEST.has(small))
    throw badInput(words('password.one-commonest-passwords'))
}
