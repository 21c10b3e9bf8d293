/** A page that is not shown paints nothing: it is not waited for longer, in ms. */
const HIDDEN = 250

/** Comes back when what was changed just now has been painted. */
export const painted = (): Promise<void> =>
  new Promise((resolve) => {
    const late = setTimeout(resolve, HIDDEN)
    requestAnimationFrame(() =>
      setTimeout(() => {
        clearTimeout(late)
        resolve()
      }),
    )
  })
