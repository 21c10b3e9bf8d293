/** Fewer taps than this say nothing. */
export const TAPS_NEEDED = 6

/**
 * The delay of headphones from taps along with clicks: the middle of how late each tap was for its click. People tap a
 * little early or late, so the middle of several counts, and taps that are far off are left out by it.
 * @param taps and
 * @param clicks times in ms of one clock; a tap belongs to the last click not later than 60 ms after it
 * @param longest the longest delay that is believed, in ms; must be shorter than the gap between clicks
 * @returns ms, rounded to 5; null where there are too few taps
 */
export function delayOfTaps(
  taps: readonly number[],
  clicks: readonly number[],
  longest: number,
): number | null {
  const late = taps
    .map((tap) => tap - (clicks.findLast((click) => click <= tap + 60) ?? NaN))
    .filter((by) => by <= longest)
    .sort((a, b) => a - b)
  if (late.length < TAPS_NEEDED) return null
  const middle = late.length / 2
  const median = (late[Math.floor(middle - 0.5)]! + late[Math.ceil(middle - 0.5)]!) / 2
  return Math.max(0, Math.round(median / 5) * 5)
}
