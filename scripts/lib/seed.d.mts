/** The folder of an installation of the demo with everything in it measured: see seed.mjs. */
export function seededFolder(): Promise<string>
