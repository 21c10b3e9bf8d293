/** Musical time is counted in whole ticks, 960 to a quarter note. */
export const TICKS_PER_QUARTER = 960

/** The longest song: 100,000 quarters. Keeps ticks far inside exact integers. */
export const LONGEST_SONG_TICKS = TICKS_PER_QUARTER * 100_000

/** The sample rate of every asset, of the live context and of every render, in Hz. */
export const SAMPLE_RATE = 44_100
