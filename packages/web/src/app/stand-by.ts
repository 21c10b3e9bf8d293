/** So long after somebody came the page is left alone before all of the application is fetched, in ms. */
const LATER_MS = 8000

/**
 * Has the browser keep the application, so that it opens while the server is away. A browser that does not allow it, or a page
 * without a secure connection, goes on without.
 */
export function standBy(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const register = () => navigator.serviceWorker.register('/service-worker.js')
  setTimeout(() => void register().catch(() => undefined), LATER_MS)
}
