import { seededFolder } from '../../scripts/lib/seed.mjs'

/** Before the stories: the installation that every worker begins with a copy of. */
export default async function seed(): Promise<void> {
  await seededFolder()
}
