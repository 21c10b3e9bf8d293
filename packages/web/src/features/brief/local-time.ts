/** A date as a field of this machine's own time wants it; empty for none. */
export function localTime(iso: string | null): string {
  if (!iso) return ''
  const date = new Date(iso)
  return new Date(date.getTime() - date.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

/** What such a field holds, as ISO text; null where it is empty. */
export const isoTime = (value: string): string | null => (value ? new Date(value).toISOString() : null)
