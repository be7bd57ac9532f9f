import { orificeBar, orificeMlS, reliefMlS } from './laws.ts'

/** One thing water meets after the pump. */
export type PathElement =
  /** A hole it passes. */
  | { through: number }
  /** It needs so many bar to open. */
  | { opensBar: number }
  /** A hole it leaves by. */
  | { leak: number; to: string }
  /** A valve it leaves by: so many ml/s a bar above its point. */
  | { relief: number; mlSPerBar: number; to: string }

/** Where it ends: free, shut, or in something that resists, bar per ml/s. */
export type PathEnd = { free: true } | { shut: true } | { resists: number }

export interface PathFlow {
  /** At the pump, ml/s and bar. */
  pumpMlS: number
  pumpBar: number
  /** Past the last element. */
  endMlS: number
  endBar: number
  /** What leaves on the way, ml/s. */
  lost: Record<string, number>
}

const steps = 60

/**
 * Steady flow along a path, by the pump pressure at which what arrives is what its end takes. More pressure is less
 * flow out of the pump and more into the leaks, so that there is one such pressure: it is bracketed and halved.
 *
 * @param pumpMlS - what the pump gives at a pressure; falls with it, nothing at `mostBar`
 * @example pathFlow((bar) => 10 - bar, 10, [{ through: 0.6 }], { free: true }).endBar // ≈ 0
 */
export function pathFlow(
  pumpMlS: (bar: number) => number,
  mostBar: number,
  elements: PathElement[],
  end: PathEnd,
): PathFlow {
  let [low, high] = [0, mostBar]
  let at = march(pumpMlS, low, elements)
  for (let i = 0; i < steps; i += 1) {
    const middle = (low + high) / 2
    at = march(pumpMlS, middle, elements)
    const wants = 'free' in end ? 0 : 'shut' in end ? Infinity : end.resists * Math.max(0, at.endMlS)
    const over = 'shut' in end ? at.endMlS <= 0 : at.endBar >= wants
    if (over) high = middle
    else low = middle
  }
  return { ...at, endMlS: Math.max(0, at.endMlS), endBar: Math.max(0, at.endBar) }
}

function march(pumpMlS: (bar: number) => number, pumpBar: number, elements: PathElement[]): PathFlow {
  let bar = pumpBar
  let mlS = pumpMlS(pumpBar)
  const first = mlS
  const lost: Record<string, number> = {}
  const leave = (to: string, out: number) => {
    lost[to] = (lost[to] ?? 0) + out
    mlS -= out
  }
  for (const element of elements) {
    if ('through' in element) bar -= orificeBar(element.through, mlS)
    else if ('opensBar' in element) bar -= mlS > 0 ? element.opensBar : 0
    else if ('leak' in element) leave(element.to, orificeMlS(element.leak, bar))
    else leave(element.to, reliefMlS(element.relief, element.mlSPerBar, bar))
  }
  return { pumpMlS: first, pumpBar, endMlS: mlS, endBar: bar, lost }
}
