/** Which lane of its family on the desk one is, from 0: each has a colour and a head of its own. */
export type Kin = 0 | 1 | 2 | 3

/** Corners of the heads of further lanes, as shares of half their width and height: a square, a diamond, a triangle. */
const CORNERS: Readonly<Record<1 | 2 | 3, readonly (readonly [number, number])[]>> = {
  1: [
    [-0.85, -1],
    [0.85, -1],
    [0.85, 1],
    [-0.85, 1],
  ],
  2: [
    [0, -1.35],
    [1.1, 0],
    [0, 1.35],
    [-1.1, 0],
  ],
  3: [
    [0, -1.35],
    [1.1, 1.05],
    [-1.1, 1.05],
  ],
}

/** What a head is drawn into: a path of a canvas. */
type Path = Pick<Path2D, 'moveTo' | 'lineTo' | 'closePath' | 'ellipse'>

/** Adds a head round a place to a path; `wide` and `high` are halves of its size in px. The first lane has note heads. */
export function addHead(path: Path, kin: Kin, x: number, y: number, wide: number, high: number): void {
  if (kin === 0) {
    path.moveTo(x + wide, y)
    return path.ellipse(x, y, wide, high, -0.35, 0, 2 * Math.PI)
  }
  CORNERS[kin].forEach(([across, up], i) => {
    path[i ? 'lineTo' : 'moveTo'](x + across * wide, y + up * high)
  })
  path.closePath()
}

/** The corners of a further lane's head, as an SVG polygon takes them. */
export const headCorners = (kin: 1 | 2 | 3, x: number, y: number, wide: number, high: number): string =>
  CORNERS[kin].map(([across, up]) => `${x + across * wide},${y + up * high}`).join(' ')
