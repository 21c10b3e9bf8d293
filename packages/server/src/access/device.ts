const BROWSERS = [
  ['Edg/', 'Edge'],
  ['OPR/', 'Opera'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome'],
  ['Safari/', 'Safari'],
] as const
const SYSTEMS = [
  ['CrOS', 'ChromeOS'],
  ['Android', 'Android'],
  ['iPhone', 'iPhone'],
  ['iPad', 'iPad'],
  ['Windows', 'Windows'],
  ['Mac OS X', 'Mac'],
  ['Linux', 'Linux'],
] as const

/** Kind of browser and system as people call them; nothing finer is kept. Empty where a browser does not say. */
export function deviceOf(userAgent: string): string {
  const named = (known: readonly (readonly [string, string])[]) =>
    known.find(([sign]) => userAgent.includes(sign))?.[1]
  return [named(BROWSERS), named(SYSTEMS)].filter(Boolean).join(', ')
}
