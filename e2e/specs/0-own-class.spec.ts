import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeWav } from '@rudlo/core/exchange'
import { playRhythm, RHYTHMS } from '../../packages/core/test/rhythms'
import { expect, onlyInWhole, test as base, type Person } from '../harness/test'
import { Installation } from '../../scripts/lib/installation.mjs'

// one class that grows: each story begins where the one before ended
base.describe.configure({ mode: 'serial' })

/**
 * These stories begin with an empty machine, as a teacher with a class of their own does. By their name they come before the others:
 * a worker of their own at the end would be waited for alone.
 */
const test = base.extend<object, { installation: Installation }>({
  installation: [
    // eslint-disable-next-line no-empty-pattern -- Playwright wants the first argument destructured
    async ({}, use) => {
      const installation = await new Installation(false, { rehearse: false }).start()
      await use(installation)
      await installation.stop()
    },
    { scope: 'worker', timeout: 180_000 },
  ],
})

const whole = onlyInWhole(test)

const folder = mkdtempSync(join(tmpdir(), 'rudlo-e2e-'))
test.afterAll(() => rmSync(folder, { recursive: true, force: true }))

const PASSWORD = 'quiet harbour'

async function teacherIn(teacher: Person): Promise<void> {
  await teacher.page.goto('/')
  await teacher.page.getByLabel('Sign-in name').fill('noor')
  await teacher.page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await teacher.page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(teacher.at('account')).toBeVisible()
}

/** Two recordings at 96 beats a minute, one of them half a second shorter. */
function recordings(): string[] {
  const rhythm = { ...RHYTHMS[0]!, bpm: 96 }
  return [
    ['1 Drums.wav', playRhythm(rhythm, 20)],
    ['2 Organ lead.wav', playRhythm({ ...rhythm, low: '................', high: 'x...x...x...x...' }, 19.5)],
  ].map(([name, samples]) => {
    const file = join(folder, name as string)
    const floats = Float32Array.from(samples as Int16Array, (x) => x / 32_768)
    writeFileSync(file, writeWav(44_100, [floats]))
    return file
  })
}

test('a teacher begins with nothing: a class, its cards, a first sign-in, and somebody who joins by the code', async ({
  somebody,
  installation,
}) => {
  const noor = await somebody({ baseURL: installation.address })
  await noor.page.goto('/')
  await noor.page.getByLabel('One-time code').fill(installation.code!)
  await noor.page.getByLabel('Your name').fill('Noor Haddad')
  await noor.page.getByLabel('Choose a sign-in name').fill('noor')
  await noor.page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await noor.page.getByRole('button', { name: 'Create account' }).click()
  await expect(noor.page.getByRole('heading', { name: 'Hello Noor' })).toBeVisible()
  await noor.at('groups').click()
  await noor.at('first-group').click()
  await noor.page.getByLabel('Class name').fill('Thursday beginners')
  await noor.at('make-group').click()
  await noor.page.getByLabel('Names').fill('Lena Ortiz\n=HYPERLINK("x")')
  await noor.at('look-at-list').click()
  await expect(noor.at('roster-preview')).toContainText('Line 2: “=HYPERLINK')
  await noor.page.getByLabel('Names').fill('Lena Ortiz\nKofi Mensa')
  await noor.at('look-at-list').click()
  await noor.at('add-them').click()
  await expect(noor.at('card')).toHaveCount(2)
  const first = (await noor.at('first-password').first().textContent())!
  await noor.at('cards-done').click()

  const lena = await somebody({ baseURL: installation.address })
  await lena.page.goto('/')
  await lena.page.getByLabel('Sign-in name').fill('lena.ortiz')
  await lena.page.getByLabel('Password', { exact: true }).fill(first)
  await lena.page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await lena.page.getByLabel('New password').fill('my own words')
  await lena.page.getByLabel('The same password again').fill('my own words')
  await lena.page.getByRole('button', { name: 'Save password' }).click()
  await expect(lena.page.getByText('No assignments yet')).toBeVisible()

  await noor.at('tab-settings').click()
  const code = (await noor.at('join-code').textContent())!
  const udo = await somebody({ baseURL: installation.address })
  await udo.page.goto('/')
  await udo.at('join').click()
  await udo.page.getByLabel('Code from your teacher').fill(code)
  await udo.page.getByLabel('Your name').fill('Udo Brandt')
  await udo.page.getByLabel('Choose a sign-in name').fill('udo')
  await udo.page.getByLabel('Password', { exact: true }).fill('my own words')
  await udo.at('ask-to-join').click()
  await expect(udo.page.getByText('Nearly there')).toBeVisible()
  await noor.page.reload()
  await noor.at('let-in').click()
  await noor.at('tab-people').click()
  await expect(noor.at('student')).toHaveCount(3)

  // a forgotten password takes two clicks
  const reset = noor.at('student').filter({ hasText: 'Lena' }).locator('[data-test=reset-password]')
  await reset.click()
  await noor.at('reset-yes').click()
  await expect(noor.at('card')).toHaveCount(1)
  await noor.at('cards-done').click()
  await noor.at('student').filter({ hasText: 'Udo' }).locator('[data-test=student-more]').click()
  await noor.at('leave').click()
  await expect(noor.at('leaving')).toContainText('0 works')
  await noor.at('erase').click()
  await expect(noor.at('student')).toHaveCount(2)
  await noor.at('tab-changes').click()
  await expect(noor.at('trail')).toContainText('gave a new password')
})

test('recordings become a song: tempo heard, sections set, kept, and given to the class', async ({
  somebody,
  installation,
}) => {
  const noor = await somebody({ baseURL: installation.address })
  await teacherIn(noor)
  await noor.at('songbook').click()
  await noor.at('new-song').click()
  const text = join(folder, 'notes.wav')
  writeFileSync(text, 'This is no sound at all.')
  await noor.at('choose-files').setInputFiles([...recordings(), text])
  await expect(noor.page.getByText('“notes.wav” is not an audio file Rudlo can read.')).toBeVisible()
  await expect(noor.at('track')).toHaveCount(2)
  await expect(noor.page.getByText(/the shortest ends 0\.5 s before/)).toBeVisible()
  await expect(noor.at('track').filter({ hasText: 'Drums' })).toHaveCount(1)
  await expect(noor.at('track').filter({ hasText: 'Lead' })).toHaveCount(1)
  await noor.field('song-title').fill('Our own march')
  await noor.at('find-tempo').click()
  await expect(noor.at('found-tempo')).toContainText('96')
  await noor.at('take-tempo').click()
  await expect(noor.field('bpm')).toHaveValue('96')
  await noor.field('bpm').fill('0')
  await noor.field('bpm').press('Enter')
  await expect(noor.at('notice')).toContainText('no tempo')
  await noor.field('section-bar').fill('5')
  await noor.field('section-bar').press('Enter')
  await expect(noor.at('section')).toHaveCount(2)

  // a section of the bars that were dragged on the strip, and bars of three from there on
  const strip = (await noor.at('strip').boundingBox())!
  await noor.page.mouse.move(strip.x + strip.width * 0.76, strip.y + strip.height / 2)
  await noor.page.mouse.down()
  await noor.page.mouse.move(strip.x + strip.width * 0.85, strip.y + strip.height / 2, { steps: 5 })
  await noor.page.mouse.up()
  await noor.at('section-dragged').click()
  await expect(noor.at('section')).toHaveCount(4)
  await noor.field('change-bar').fill('7')
  await noor.choose('change-way', 'new time signature')
  await noor.at('change-add').click()
  await expect(noor.at('time-changes')).toContainText('From bar 7: 3/4')
  await expect(noor.at('section')).toHaveCount(4)
  await noor.field('change-bar').fill('7')
  await noor.choose('change-way', 'gradual change to')
  await noor.field('change-bpm').fill('110')
  await noor.at('change-add').click()
  await expect(noor.at('time-changes').locator('li')).toHaveCount(2)

  await noor.canPlay()
  await noor.at('play').click()
  await noor.hears()
  await noor.at('play').click()
  await noor.at('keep-song').click()
  await expect(noor.at('song-state')).toHaveText('Saved')

  await noor.page.getByRole('link', { name: 'Rudlo: go to the first page' }).click()
  await noor.goToAssignments()
  await noor.at('new-assignment').click()
  await noor.at('new-next').click()
  await noor.at('new-next').click()
  await noor.field('new-name').fill('Find your own balance')
  await noor.at('create').click()
  await expect(noor.at('task').first()).toBeVisible()
})

/** Four quarter notes of a flute, which grow brighter. */
function tune(): string {
  const note = (pitch: number, bright: number) => [
    ...[0, 0xb0, 74, bright, 0, 0x90, pitch, 100],
    ...[0x87, 0x40, 0x80, pitch, 0],
  ]
  const events = [
    ...[0, 0xc0, 73],
    ...[72, 74, 76, 77].flatMap((pitch, i) => note(pitch, 40 + 20 * i)),
    ...[0, 0xff, 0x2f, 0],
  ]
  const file = join(folder, 'Small tune.mid')
  writeFileSync(
    file,
    Uint8Array.from([
      ...[0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0],
      ...[0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, events.length],
      ...events,
    ]),
  )
  return file
}

whole(
  'notes become a song whose instruments have an attack and a brightness with lanes',
  async ({ somebody, installation }) => {
    const noor = await somebody({ baseURL: installation.address })
    await teacherIn(noor)
    await noor.at('songbook').click()
    await noor.at('new-song').click()
    await noor.at('choose-files').setInputFiles(tune())
    await expect(noor.at('track')).toHaveCount(1)
    await noor.at('keep-song').click()
    await expect(noor.at('song-state')).toHaveText('Saved')

    await noor.page.getByRole('link', { name: 'Rudlo: go to the first page' }).click()
    await noor.goToAssignments()
    await noor.at('new-assignment').click()
    await noor.at('new-song').filter({ hasText: 'Small tune' }).click()
    await noor.at('new-next').click()
    await noor.at('new-next').click()
    await noor.field('new-name').fill('Played softly')
    await noor.at('create').click()
    await noor.at('part-model').click()
    await noor.at('make-model').click()
    await noor.canPlay()
    await noor.at('view-lines').click()
    const lane = async (name: string) => {
      await noor.at('lane-chooser').first().click()
      await noor.page.getByRole('button', { name }).first().click()
      await noor.page.keyboard.press('Escape')
    }
    // the line of the file came along
    await lane('brightness of playing')
    expect(await noor.points()).toBeGreaterThan(1)
    await lane('attack of playing')
    await noor.press(0.3, 0.5)
    await noor.press(0.7, 0.2)
    await expect.poll(() => noor.points()).toBeGreaterThan(1)
    await expect(noor.page.getByText(/% softer/).first()).toBeVisible()
  },
)
