import { beforeEach, describe, expect, it } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { atRoom } from '../../../test/room/room'
import SpecimensPage from './SpecimensPage.vue'

/** A component by its name, in its states. */
const of = (name: string) => page.getByRole('region', { name, exact: true })
const radios = () => of('ChoiceButtons').getByRole('radio')
const checked = () =>
  [...document.querySelectorAll('[aria-label="ChoiceButtons"] [role=radio][aria-checked=true]')].map((r) =>
    r.textContent?.trim(),
  )
const focused = () => document.activeElement?.textContent?.trim()

beforeEach(() => atRoom(SpecimensPage, {}))

describe('a choice of one', () => {
  it('is a radio group with one stop of the Tab key, in which arrows choose, round and round', async () => {
    await radios().first().click()
    expect(checked()).toEqual(['Light'])
    await userEvent.keyboard('{ArrowRight}')
    expect(checked()).toEqual(['Dark'])
    expect(focused()).toBe('Dark')
    await userEvent.keyboard('{ArrowRight}{ArrowRight}')
    expect(checked()).toEqual(['Light'])
    const stops = document.querySelectorAll('[aria-label="ChoiceButtons"] [role=radio][tabindex="0"]')
    expect(stops).toHaveLength(1)
  })
})

describe('a toolbar', () => {
  it('is one stop of the Tab key, with arrows past what is switched off', async () => {
    const bar = of('ToolBar').getByRole('toolbar')
    await expect.element(bar).toBeVisible()
    const items = () => [...bar.element().querySelectorAll<HTMLElement>('button')]
    items()[0]!.focus()
    await userEvent.keyboard('{ArrowRight}')
    expect(document.activeElement).toBe(items()[2])
    expect(items().filter((item) => item.tabIndex === 0)).toEqual([items()[2]])
  })
})

describe('a tip', () => {
  it('is said to whoever comes by the Tab key, and goes with Escape', async () => {
    const button = of('IconButton').getByRole('button', { name: 'Close' }).first()
    ;(button.element() as HTMLElement).focus()
    await userEvent.keyboard('{Shift>}{Tab}{/Shift}{Tab}')
    await expect.element(page.getByRole('tooltip', { includeHidden: true }).getByText('Close')).toBeVisible()
    await userEvent.keyboard('{Escape}')
    await expect.element(page.getByRole('tooltip', { includeHidden: true })).not.toBeInTheDocument()
  })
})

describe('a dialog', () => {
  it('says its name, keeps the focus in, and gives it back', async () => {
    const opener = page.getByTestId('specimen-dialog')
    await opener.click()
    const dialog = page.getByRole('dialog', { name: 'This assignment is not saved' })
    await expect.element(dialog).toBeVisible()
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await expect.element(dialog).not.toBeInTheDocument()
    await expect.poll(() => document.activeElement).toBe(opener.element())
  })
})

describe('fields', () => {
  it('take a number when they are left, and put back what is none', async () => {
    const field = of('NumberField').getByRole('spinbutton').first()
    await field.fill('7')
    await userEvent.keyboard('{Enter}')
    await expect.element(field).toHaveValue(7)
    await field.fill('')
    await userEvent.keyboard('{Tab}')
    await expect.element(field).toHaveValue(7)
  })

  it('say beside a time that is none, and keep what was typed', async () => {
    const time = of('MomentField').getByLabelText('Time')
    await time.fill('half past')
    await userEvent.keyboard('{Enter}')
    await expect.element(of('MomentField').getByText('Type a time like 18:30.')).toBeVisible()
    await expect.element(time).toHaveValue('half past')
    await time.fill('7.05 pm')
    await userEvent.keyboard('{Enter}')
    await expect.element(time).toHaveValue('19:05')
  })

  it('show a password to whoever types it, and say so', async () => {
    const field = of('PasswordField')
    await field.getByLabelText('Name', { exact: true }).fill('quiet harbour')
    expect(field.getByLabelText('Name', { exact: true }).element().getAttribute('type')).toBe('password')
    await field.getByRole('button').click()
    expect(field.getByLabelText('Name', { exact: true }).element().getAttribute('type')).toBe('text')
  })
})

describe('a table', () => {
  const names = () =>
    [...document.querySelectorAll('[aria-label="DataTable"] tbody tr')].map((row) => row.textContent?.trim())

  it('is sorted by its head, found in by words, and several rows are chosen', async () => {
    const table = of('DataTable')
    expect(names()[0]).toContain('Add a song')
    await table.getByRole('columnheader', { name: 'Figures' }).click()
    await expect.poll(() => names()[0]).toContain('Set an assignment')
    await table.getByRole('checkbox').nth(1).click()
    await table.getByRole('checkbox').nth(2).click()
    expect(document.querySelectorAll('[aria-label="DataTable"] tbody input:checked')).toHaveLength(2)
    await table.getByLabelText('Search songs').fill('song')
    await expect.poll(() => names()).toHaveLength(1)
  })
})
