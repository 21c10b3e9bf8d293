/** How far the server's clock is ahead of this machine's, in ms: a machine's clock may be years off. */
let ahead = 0

/** Takes the time from an answer of the server. Its header has whole seconds: smaller differences do not count. */
export function noteTime(answer: Pick<Response, 'headers'>): void {
  const said = Date.parse(answer.headers.get('date') ?? '')
  if (!Number.isFinite(said)) return
  const difference = said - Date.now()
  ahead = Math.abs(difference) < 3000 ? 0 : difference
}

/** What time it is, by the server's clock. */
export const now = (): Date => new Date(Date.now() + ahead)
