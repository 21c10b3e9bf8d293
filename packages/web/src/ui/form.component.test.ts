import { beforeEach, describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { ApiError } from '../api/errors'
import { serveWith } from '../../test/fake-server'
import { atRoom } from '../../test/room/room'
import JoinForm from '../features/people/JoinForm.vue'

const sent: unknown[] = []
let refusal = ''

beforeEach(() => {
  sent.length = 0
  refusal = ''
  serveWith({
    post: (_, body) => {
      sent.push(body)
      if (refusal) throw new ApiError(404, 'not-found', refusal)
      return { group: 'Thursday evening class' }
    },
  })
})

const field = (label: string | RegExp) => page.getByLabelText(label)
const ask = () => page.getByTestId('ask-to-join').click()

describe('a form', () => {
  it('says beside its fields what is wrong, in the words of the contract, and sends nothing', async () => {
    await atRoom(JoinForm, {})
    await field('Code from your teacher').fill('FERRY-4')
    await field(/^Sign-in name/).fill('X')
    await field(/^Password/).fill('short')
    await ask()
    await expect.element(page.getByText('Please give your name.')).toBeVisible()
    await expect.element(page.getByText(/A sign-in name has 2 to 60 small letters/)).toBeVisible()
    await expect.element(page.getByText('A password has at least 8 characters.')).toBeVisible()
    expect(sent).toEqual([])
    // what was typed is still there
    await expect.element(field('Code from your teacher')).toHaveValue('FERRY-4')
  })

  it('is sent once it is right, and says why where the server refuses it', async () => {
    await atRoom(JoinForm, {})
    await field('Code from your teacher').fill('NOBODY')
    await field('Your name').fill('Lena Ortiz')
    await field(/^Sign-in name/).fill('Lena')
    await field(/^Password/).fill('quiet harbour')
    refusal = 'No group has this code.'
    await ask()
    await expect.element(page.getByRole('alert').getByText(refusal)).toBeVisible()
    refusal = ''
    await ask()
    await expect.element(page.getByText('Nearly there')).toBeVisible()
    expect(sent).toHaveLength(2)
    expect(sent[1]).toEqual({
      code: 'NOBODY',
      name: 'Lena Ortiz',
      signIn: 'lena',
      password: 'quiet harbour',
    })
  })
})
