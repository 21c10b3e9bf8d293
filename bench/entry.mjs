/**
 * One measured figure.
 * @param {string} group
 * @param {string} name
 * @param {number} value
 * @param {string} unit
 * @param {string} goal such as '>= 10' or '< 50'; empty where there is none
 */
export function entry(group, name, value, unit, goal) {
  const [, sign, limit] = /^(>=|<=|<|>) ?([\d.]+)$/.exec(goal) ?? []
  const bound = Number(limit)
  const met =
    { '>=': value >= bound, '>': value > bound, '<=': value <= bound, '<': value < bound }[sign] ?? null
  return { group, name, value: Math.round(value * 1000) / 1000, unit, goal, met }
}
