import { beforeEach, describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { ApiError } from '../../api/errors'
import { serveWith } from '../../../test/fake-server'
import { atRoom } from '../../../test/room/room'
import GroupSettings from '../../features/class/people/GroupSettings.vue'
import NewGroupForm from '../../features/class/people/NewGroupForm.vue'
import JoinForm from '../../features/people/JoinForm.vue'
import SignInPage from '../../features/people/SignInPage.vue'

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
    await field('Choose a sign-in name').fill('X')
    await page.getByLabelText('Password', { exact: true }).fill('short')
    await ask()
    await expect.element(page.getByText('Please enter your name.')).toBeVisible()
    await expect.element(page.getByText(/^Use 2 to 60 lowercase letters/)).toBeVisible()
    await expect.element(page.getByText('Use at least 8 characters.')).toBeVisible()
    expect(sent).toEqual([])
    // what was typed is still there
    await expect.element(field('Code from your teacher')).toHaveValue('FERRY-4')
  })

  it('is sent once it is right, and says why where the server refuses it', async () => {
    await atRoom(JoinForm, {})
    await field('Code from your teacher').fill('NOBODY')
    await field('Your name').fill('Lena Ortiz')
    await field('Choose a sign-in name').fill('Lena')
    await page.getByLabelText('Password', { exact: true }).fill('quiet harbour')
    refusal = 'No class has this code.'
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

  it('of somebody who signs in names each field that is empty', async () => {
    await atRoom(SignInPage, {})
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await expect.element(page.getByText('The sign-in name is missing.')).toBeVisible()
    await expect.element(page.getByText('The password is missing.')).toBeVisible()
    expect(sent).toEqual([])
  })

  it('for a new group wants a name', async () => {
    await atRoom(NewGroupForm, { modelValue: true })
    await page.getByTestId('make-group').click()
    await expect.element(page.getByText(/^The class needs a name/)).toBeVisible()
    expect(sent).toEqual([])
  })

  it('about a group names what cannot be, of the group and of who is to teach it', async () => {
    const group = {
      id: 'g',
      name: 'Thursday evening class',
      place: '',
      joinOpen: false,
      joinCode: 'FERRY4',
      keepUntil: null,
      students: [],
      teachers: [],
      requests: [],
      former: [],
    }
    await atRoom(GroupSettings, { group })
    await field('Class name').fill('')
    await page.getByTestId('save-group').click()
    await expect.element(page.getByText(/^The class needs a name/)).toBeVisible()
    await field('Sign-in name of the teacher').fill('N')
    await page.getByRole('button', { name: 'Add teacher' }).click()
    await expect.element(page.getByText(/^Use 2 to 60 lowercase letters/)).toBeVisible()
    expect(sent).toEqual([])
  })
})
