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
  if (!password.trim()) throw badInput('A password of spaces alone is no password.')
  const small = plain(password)
  const names = [of.name, of.signIn].map(plain).filter(Boolean)
  if (names.some((name) => small === name || withoutDigits(small) === name || small === name + name))
    throw badInput('Your name is the first thing that somebody would try: choose another password.')
  if (new Set(password.trim()).size < 3)
    throw badInput('This password is too easy to guess: use more different letters.')
  if (COMMONEST.has(password.trim().toLowerCase()) || COMMONEST.has(small))
    throw badInput('This is one of the commonest passwords: choose one that nobody else has.')
}
