/** How long a finger is held still, and how long it rests after a stroke, in ms. */
const STILL = 600
const REST = 60

/** Places of the test's frame as those of its page. */
async function offsetOf({ frame }) {
  const element = await (await frame()).frameElement()
  const box = await element.boundingBox()
  const inside = await element.evaluate((e) => e.clientWidth)
  const scale = (box?.width ?? inside) / inside
  return (places) =>
    places.map(({ x, y }) => ({ x: x * scale + (box?.x ?? 0), y: y * scale + (box?.y ?? 0) }))
}

async function byMouse({ mouse, keyboard }, places, choosing) {
  const [first, ...rest] = places
  await mouse.move(first.x, first.y)
  if (choosing) await keyboard.down('Shift')
  await mouse.down()
  for (const { x, y } of rest) await mouse.move(x, y)
  await mouse.up()
  if (choosing) await keyboard.up('Shift')
}

async function byFinger(page, places, choosing) {
  const session = await page.context().newCDPSession(page)
  const touch = (type, place) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: place ? [{ ...place, id: 0 }] : [] })
  const [first, ...rest] = places
  const down = touch('touchStart', first)
  if (choosing) {
    await down
    await page.waitForTimeout(STILL)
  }
  // sent one right after the other: a machine that is busy between two answers would hold the finger still
  await Promise.all([down, ...rest.map((place) => touch('touchMove', place))])
  await touch('touchEnd')
  await page.waitForTimeout(REST)
  await session.detach()
}

/** A command of the browser's tests: a stroke of the real mouse, or of a finger on the real touch screen. */
export async function stroke(context, { by, places, choosing = false }) {
  const there = (await offsetOf(context))(places)
  if (by === 'mouse') return byMouse(context.page, there, choosing)
  if (there.length === 1) return context.page.touchscreen.tap(there[0].x, there[0].y)
  return byFinger(context.page, there, choosing)
}

/** A command of the browser's tests: one finger comes down, then a second one; both move and are lifted. */
export async function pinch(context, { from, to }) {
  const there = await offsetOf(context)
  const session = await context.page.context().newCDPSession(context.page)
  const touch = (type, places) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: there(places).map((p, id) => ({ ...p, id })),
    })
  await touch('touchStart', from.slice(0, 1))
  await touch('touchStart', from)
  await touch('touchMove', to)
  await touch('touchEnd', [])
  await context.page.waitForTimeout(REST)
  await session.detach()
}
