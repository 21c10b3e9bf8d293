import type { Router } from 'vue-router'

/** Fetches the page of an address ahead, while another one is read. */
export async function prefetch(router: Router, address: string): Promise<void> {
  const components = router.resolve(address).matched.flatMap((m) => Object.values(m.components ?? {}))
  await Promise.all(
    components.map((c) => (typeof c === 'function' && !('setup' in c) ? (c as () => unknown)() : null)),
  )
}
