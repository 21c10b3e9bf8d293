import { Installation } from '../../scripts/lib/installation.mjs'
import { expect, test } from '../harness/test'

test('with name and password; a wrong one says so', async ({ somebody, installation }) => {
  const jonas = await somebody()
  await jonas.page.goto(installation.address)
  await jonas.page.getByRole('button', { name: 'Sign in with name and password' }).click()
  await jonas.page.getByLabel('Sign-in name').fill('jonas')
  await jonas.page.getByLabel('Password', { exact: true }).fill('wrong')
  await jonas.page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(jonas.page.getByRole('alert')).toHaveText('Wrong name or password.')
  await jonas.page.getByLabel('Password', { exact: true }).fill('evening-ferry')
  await jonas.page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(jonas.page.getByRole('heading', { name: 'Hello Jonas' })).toBeVisible()
})

test('an empty installation is begun by the first teacher, with the code from the terminal', async ({
  browser,
}) => {
  const installation = await new Installation(false, { rehearse: false }).start()
  const page = await browser.newPage()
  await page.goto(installation.address)
  await page.getByLabel('One-time code').fill(installation.code!)
  await page.getByLabel('Your name').fill('Ada Lind')
  await page.getByLabel('Choose a sign-in name').fill('ada')
  await page.getByLabel('Password', { exact: true }).fill('quiet harbour')
  await page.getByRole('button', { name: 'Create account' }).click()
  await expect(page.getByRole('heading', { name: 'Hello Ada' })).toBeVisible()
  await expect(page.getByText('Three steps, and your class can start.')).toBeVisible()
  await page.close()
  await installation.stop()
})
