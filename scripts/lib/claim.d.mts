/** What others are told of whoever has something claimed. */
export type About = Readonly<Record<string, unknown>>

/** Claims something of a data folder for this process, as long as it lives. */
export function claim(
  folder: string,
  what: 'data' | 'database',
  about: About,
): Promise<
  | { readonly claimed: true; readonly about: About; release(): void }
  | { readonly claimed: false; readonly holder: About }
>
