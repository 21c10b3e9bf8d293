/** Texts by key. `{name}` is filled, ` | ` stands between the form for one and the form for several. */
export type Catalog = Readonly<Record<string, string>>
