/**
 * How Debian's Chromium is started everywhere here: the build without a window. The one with a window makes one for every page
 * all the same, with an address bar and what belongs to it, and that is a fifth of the work of opening a page.
 */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--autoplay-policy=no-user-gesture-required',
    // a microphone that beeps, and leave to use it: nobody is there to give it
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
  ],
}
