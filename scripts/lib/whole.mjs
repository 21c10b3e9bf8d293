/**
 * Whether everything is tried (`npm run test:whole`): both hands on every screen, all themes, all ways, rare trouble as well. What
 * goes on with every change tries those in turn, or leaves them.
 */
export const WHOLE = process.env.RUDLO_EVERY === '1'
