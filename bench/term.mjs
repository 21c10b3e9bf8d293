/** An assignment in the term of a student's first page, which is unfolded; its link leads to the bench. */
export async function inTerm(page, title) {
  const fold = page.locator('[data-test=term]').getByRole('button', { name: /whole term/ })
  await fold.waitFor()
  if ((await fold.getAttribute('aria-expanded')) !== 'true') await fold.click()
  const link = page.locator('[data-test=in-term]').filter({ hasText: title }).locator('a').first()
  await link.waitFor()
  return link
}
