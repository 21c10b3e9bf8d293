import { addPoint, begun, isFar, setFromHere, setNear, type Points } from '@rudlo/core/envelope'
import type { LinePorts, Spread } from './line-ports'

/** What a line is with one more point, set by hand: how far it reaches depends on what lies beside it. */
export function pointSetter(
  ports: Pick<LinePorts, 'points' | 'control' | 'setting' | 'songLength' | 'spread'>,
) {
  /** A new line starts level at the control's setting, so that its first point does not bend the whole song. */
  function started(tick: number): Points {
    const points = ports.points()
    return points.length || tick <= 0 ? points : addPoint(points, ports.control().scale, 0, ports.setting())
  }

  /** How a value spreads that is set at a place; null near other points, and where it bends the line to those beside it. */
  function spreadAt(tick: number): Spread | null {
    const spread = ports.spread?.(tick)
    return spread && spread.how !== 'beside' && isFar(ports.points(), tick, spread.reach) ? spread : null
  }

  /** A line with a value set from one place to another, which spreads as was decided. */
  function spreadOver(
    points: Points,
    { how, step }: Spread,
    from: number,
    to: number,
    value: number,
  ): Points {
    const { scale } = ports.control()
    const setting = { from, to, value, step, end: ports.songLength() }
    return (how === 'near' ? setNear : setFromHere)(begun(points, scale, ports.setting()), scale, setting)
  }

  /** The line with a point set by hand. */
  function withPoint(tick: number, value: number): Points {
    const spread = spreadAt(tick)
    return spread
      ? spreadOver(ports.points(), spread, tick, tick, value)
      : addPoint(started(tick), ports.control().scale, tick, value)
  }

  return { started, spreadAt, spreadOver, withPoint }
}
