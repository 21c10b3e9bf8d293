import { expect, test, type Person, whole } from '../harness/test'

/** The desk of an assignment, once its hand-ins are measured. */
async function desk(teacher: Person, title = 'Make room for the tune'): Promise<void> {
  await teacher.atReview('Maren Holt', title)
}

async function lay(teacher: Person, student: string): Promise<void> {
  await teacher.listHandIns()
  await teacher.at('waiting').filter({ hasText: student }).click()
  await isOn(teacher, student)
  await expect(teacher.at('outcome')).toBeVisible({ timeout: 120_000 })
}

const isOn = (teacher: Person, student: string) =>
  expect(teacher.page.getByRole('heading', { name: new RegExp(`by ${student}`) })).toBeVisible()

whole('three hand-ins are reviewed by keyboard alone, each with at most 20 presses', async ({ somebody }) => {
  const maren = await somebody()
  await desk(maren)
  let presses = 0
  const press = async (key: string) => {
    presses++
    await maren.page.keyboard.press(key)
  }
  await lay(maren, 'Wilma Osei')
  await maren.page.getByRole('heading', { name: /by Wilma Osei/ }).click()
  for (const [student, decision] of [
    ['Wilma Osei', 'w'],
    ['Oskar Lindqvist', 'w'],
    ['Jonas Feld', 'a'],
  ] as const) {
    await isOn(maren, student)
    await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
    presses = 0
    await press('j')
    // what was found, taken with its place and figures
    await press('t')
    await expect(maren.page.getByLabel('Remark', { exact: true })).toBeFocused()
    await maren.page.keyboard.type(' Listen again.')
    await press('Control+Enter')
    await expect(maren.at('remark')).toHaveCount(1)
    await press('t')
    await press('Control+Enter')
    await expect(maren.at('remark')).toHaveCount(2)
    await press('Space')
    await press('2')
    await press('1')
    await press('Space')
    await press('c')
    await maren.page.keyboard.type(`Thank you, ${student.split(' ')[0]}.`)
    await press('Escape')
    await press(decision)
    await maren.listHandIns()
    await expect(maren.at('given-back').filter({ hasText: student })).toContainText(
      decision === 'a' ? 'accepted' : 'new version',
    )
    await maren.unlistHandIns()
    expect(presses).toBeLessThanOrEqual(20)
  }
})

whole(
  'what came back is seen at once, answered and ticked off, and no longer to be taken back',
  async ({ somebody }) => {
    const maren = await somebody()
    await desk(maren)
    const petra = await somebody()
    await petra.atBench('Petra Mraz')
    await lay(maren, 'Petra Mraz')
    await maren.field('bank-search').fill('hardly changes')
    await maren.at('bank-change').click()
    const words = maren.field('bank-words')
    await words.fill(`${await words.inputValue()} Then half of it.`)
    await words.press('Enter')
    await maren.at('bank-change').click()
    await expect(maren.at('bank-remark').first()).toContainText('Then half of it.')
    await maren.at('bank-remark').first().click()
    await maren.at('on-the-whole').click()
    await maren.at('pin-remark').click()
    await expect(maren.at('remark')).toHaveCount(1)
    await maren.at('again').click()
    await maren.listHandIns()
    await expect(maren.at('given-back').filter({ hasText: 'Petra Mraz' })).toBeVisible()
    await maren.unlistHandIns()

    await expect(petra.at('came-back')).toBeVisible()
    await expect(petra.page.getByText(/Go until it is too much.*Then half of it\./)).toBeVisible()
    await expect(petra.at('version')).toHaveText('Version 1 came back')
    await petra.at('answer').click()
    await petra.page.getByLabel('Reply').fill('<i>Which</i> bar?')
    await petra.page.getByLabel('Reply').press('Enter')
    await petra.at('dealt-with').click()
    await expect(petra.at('dealt-with')).toHaveAttribute('aria-pressed', 'true')

    await maren.listHandIns()
    await maren.at('given-back').filter({ hasText: 'Petra Mraz' }).click()
    await isOn(maren, 'Petra Mraz')
    await expect(maren.at('reply')).toContainText('<i>Which</i> bar?')
    await expect(maren.at('remark')).toContainText('done by the student')
    await expect(maren.at('take-back')).toHaveCount(0)

    await petra.at('versions').click()
    await expect(petra.at('version').filter({ hasText: 'Version 1' }).first()).toBeVisible()
    await expect(petra.page.getByText(/From the starting mix: .*new fade in at bar 1/)).toBeVisible()
  },
)

whole(
  'a line is suggested on a copy; the student sees it, hears it, tries it, and has the own one back',
  async ({ somebody }) => {
    const maren = await somebody()
    await desk(maren)
    await lay(maren, 'Tobin Achterberg')
    await maren.at('lane-tab').filter({ hasText: 'Squeezebox' }).click()
    await maren.at('suggest').click()
    const box = (await maren.at('suggested-line').boundingBox())!
    await maren.page.mouse.dblclick(box.x + box.width * 0.55, box.y + box.height * 0.5)
    await maren.page.mouse.move(box.x + box.width * 0.55, box.y + box.height * 0.5)
    await maren.page.mouse.down()
    await maren.page.mouse.move(box.x + box.width * 0.55, box.y + box.height * 0.65, { steps: 5 })
    await maren.page.mouse.up()
    await maren.page.getByRole('textbox', { name: 'From bar' }).fill('17')
    await maren.page.getByRole('textbox', { name: 'To bar' }).fill('20')
    await maren.page.getByRole('textbox', { name: 'To bar' }).press('Tab')
    await maren.page.getByLabel('Remark', { exact: true }).fill('Lean back here.')
    await maren.at('pin-remark').click()
    await expect(maren.page.getByText('with a suggested line')).toBeVisible()
    // the hand-in itself is as it was
    await expect(maren.at('apart')).toBeVisible()
    await maren.at('accept').click()

    const tobin = await somebody()
    await tobin.atBench('Tobin Achterberg')
    await tobin.chooseTrack('squeezebox')
    const points = await tobin.points()
    await tobin.at('hear-suggestion').click()
    await expect(tobin.at('hear-suggestion')).toHaveAttribute('aria-pressed', 'true')
    expect(await tobin.points()).toBe(points)
    await tobin.at('try-suggestion').click()
    await expect.poll(() => tobin.points()).toBeGreaterThan(points)
    await tobin.page.keyboard.press('Control+z')
    await expect.poll(() => tobin.points()).toBe(points)
    await tobin.isSaved()
  },
)

test(
  'versions are switched while they play: the place is kept, the loudness follows, names can be hidden',
  { tag: '@sound' },
  async ({ somebody }) => {
    const maren = await somebody()
    await desk(maren)
    await maren.listHandIns()
    await maren.at('waiting').filter({ hasText: 'Tobin Achterberg' }).click()
    await isOn(maren, 'Tobin Achterberg')
    await maren.at('play').click()
    await expect.poll(() => maren.beat()).toBeGreaterThan(0)
    for (let i = 0; i < 6; i++) {
      const [before, clock] = [await maren.beat(), Date.now()]
      await maren
        .at('hear')
        .nth(i % 2)
        .click()
      const after = await maren.beat()
      // it goes on where it was: neither back nor ahead of the time that went by, at no more than two beats a second
      expect(after).toBeGreaterThanOrEqual(before)
      expect(after - before).toBeLessThan(((Date.now() - clock) / 1000) * 2 + 2)
    }
    await maren.page.keyboard.press('h')
    await expect(maren.at('hear').first()).toHaveText(/One|Two|Three/)
    await maren.page.keyboard.press('h')
    await expect(maren.at('hear').first()).toHaveText('This version')
    await maren.page.keyboard.press('e')
    await expect(maren.at('ways')).toContainText('same loudness')
    await maren.at('play').click()
    // only the moves: it begins two bars before the first
    await maren.at('tour').click()
    await expect.poll(() => maren.beat()).toBeLessThan(16)
    await maren.at('tour').click()
  },
)

whole('a remark outlives a lost server, and whoever leaves the desk', async ({ somebody, installation }) => {
  const maren = await somebody()
  await desk(maren, 'One word echoes')
  await maren.listHandIns()
  await maren.at('waiting').first().click()
  await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
  await maren.at('move-label').first().click()
  await expect(maren.page.getByLabel('Remark', { exact: true })).not.toHaveValue('')
  await installation.killServer()
  await maren.page.getByLabel('Remark', { exact: true }).fill('In the middle of a sen')
  await maren.at('pin-remark').click()
  await expect(maren.at('notice')).toContainText('cannot be reached')
  await maren.field('comment').fill('Written into the void')
  await expect(maren.page.getByText('Not saved')).toBeVisible()
  await installation.startServer()
  await maren.page.reload()
  await expect(maren.page.getByLabel('Remark', { exact: true })).toHaveValue('In the middle of a sen')
  await expect(maren.field('comment')).toHaveValue('Written into the void')
  await expect(
    maren.page.getByRole('complementary', { name: 'Feedback' }).getByText('Saved', { exact: true }),
  ).toBeVisible()
})

whole(
  'same lines are flagged, decisions are held and go back together, and nothing goes back wordless unasked',
  async ({ somebody }) => {
    const maren = await somebody()
    await desk(maren, 'Down the street')
    await maren.listHandIns()
    await expect(maren.at('same-as')).toHaveCount(2)
    const before = await maren.at('waiting').count()
    for (let i = 0; i < 2; i++) {
      await maren.listHandIns()
      await maren.at('waiting').first().click()
      await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
      if ((await maren.at('hold').getAttribute('aria-pressed')) !== 'true') await maren.at('hold').click()
      await maren.at('again').click()
      await maren.at('without-a-word').click()
      await maren.listHandIns()
      await expect(maren.at('held')).toHaveCount(i + 1)
    }
    await expect(maren.at('waiting')).toHaveCount(before - 2)
    await maren.at('release').click()
    await maren.at('release-now').click()
    await expect(maren.at('held')).toHaveCount(0)
    // nobody has opened them yet
    await maren.at('given-back').last().click()
    await maren.at('take-back').click()
    await maren.listHandIns()
    await expect(maren.at('waiting')).toHaveCount(before - 1)
  },
)

whole('everybody’s lines lie on each other, two stand side by side', async ({ somebody }) => {
  const maren = await somebody()
  await desk(maren)
  await maren.listHandIns()
  await maren.at('compare').click()
  await expect(maren.at('crowd')).toBeVisible()
  const side = (n: 1 | 2) => maren.page.getByRole('combobox', { name: `Side ${n}` })
  await side(1).click({ force: true })
  await expect(maren.page.getByRole('option').first()).toBeVisible()
  const sides = await maren.page.getByRole('option').allTextContents()
  await maren.page.keyboard.press('Escape')
  const students = new Set(sides.flatMap((text) => /^(.+), version \d/.exec(text.trim())?.[1] ?? []))
  expect(students.size).toBeGreaterThanOrEqual(8)
  await expect(maren.at('crowd')).toHaveAttribute(
    'aria-label',
    `${students.size} lines; the middle half is shaded`,
  )
  await maren.choose(side(1), 'Ines Varga, version 1')
  await maren.choose(side(2), 'Ayla Demir, version 1')
  await expect(maren.at('difference')).toContainText('Squeezebox')
  await maren.at('hear-side').nth(1).click()
  await expect.poll(() => maren.beat()).toBeGreaterThan(0)
  await maren.field('names').uncheck()
  await expect(maren.page.getByText('Ayla Demir')).toHaveCount(0)
})

whole('feedback is printed, with a hundred remarks if need be', async ({ somebody }) => {
  const maren = await somebody()
  await desk(maren, 'Out of the dark')
  await maren.listHandIns()
  await maren.at('waiting').first().click()
  await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
  const heading = (await maren.page.getByRole('heading', { level: 1 }).textContent())!
  const student = /by (\S+ \S+)/.exec(heading)![1]!
  const handIn = maren.page.url().split('/').at(-1)!
  await maren.page.evaluate(async (id) => {
    const work = (await (await fetch(`/api/hand-ins/${id}`)).json()) as {
      document: { mix: { tracks: { id: string }[] } }
    }
    const lane = `track/${work.document.mix.tracks[0]!.id}/level`
    for (let i = 0; i < 100; i++)
      await fetch(`/api/hand-ins/${id}/remarks`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          lane,
          from: i * 960,
          to: i * 960 + 960,
          text: `<script>Remark ${i}</script>`,
        }),
      })
  }, handIn)
  await maren.listHandIns()
  await maren.at('sheets').click()
  await expect(maren.at('paper').first()).toBeVisible()
  await maren.choose(maren.page.getByRole('combobox', { name: 'Whose' }), new RegExp(student))
  await expect(maren.at('paper')).toHaveCount(1)
  await expect(maren.page.getByText('<script>Remark 99</script>')).toBeVisible()
  await maren.page.emulateMedia({ media: 'print' })
  await expect(maren.page.locator('.app-header')).toBeHidden()
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await maren.page.pdf({ format })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length).toBeGreaterThan(2)
  }
})
