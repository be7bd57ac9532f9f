/** A point of a drawing. */
export interface Spot {
  x: number
  y: number
}

export interface Box extends Spot {
  width: number
  height: number
}

/** Words beside a point, and how far from its middle they stand. */
export interface Label {
  at: Spot
  width: number
  height: number
  gap: number
}

/** Overlap with other words is worst, then a disc, then a line, then the edge. */
const weights = { label: 4, disc: 3, line: 2, edge: 6 }

/** Where words may stand around their point: right first, as it is read most easily. */
const around: readonly [dx: number, dy: number][] = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, -1],
  [-1, -1],
  [1, 1],
  [-1, 1],
]

/**
 * Places words beside their points so that they lie least on each other, on discs and on lines; the first come first.
 *
 * @returns for each label its box, `crowded` where even the best place lies on something
 */
export function placeLabels(
  labels: readonly Label[],
  { discs, lines, frame }: { discs: readonly (Spot & { r: number })[]; lines: readonly [Spot, Spot][]; frame: Box },
): (Box & { crowded: boolean })[] {
  const placed: Box[] = []
  return labels.map((label) => {
    let best: { box: Box; cost: number } | null = null
    for (const [i, [dx, dy]] of around.entries()) {
      const box = boxAt(label, dx, dy)
      const cost =
        i * 0.01 +
        weights.label * placed.filter((other) => overlap(box, other)).length +
        weights.disc * discs.filter((disc) => touches(box, disc)).length +
        weights.line * lines.filter((line) => crosses(box, line)).length +
        weights.edge * (inside(box, frame) ? 0 : 1)
      if (!best || cost < best.cost) best = { box, cost }
    }
    placed.push(best!.box)
    return { ...best!.box, crowded: best!.cost >= 1 }
  })
}

function boxAt({ at, width, height, gap }: Label, dx: number, dy: number): Box {
  const reach = dx !== 0 && dy !== 0 ? gap * 0.75 : gap
  return {
    x: dx === 0 ? at.x - width / 2 : dx > 0 ? at.x + reach : at.x - reach - width,
    y: dy === 0 ? at.y - height / 2 : dy > 0 ? at.y + reach : at.y - reach - height,
    width,
    height,
  }
}

const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

const inside = (a: Box, frame: Box): boolean =>
  a.x >= frame.x && a.y >= frame.y && a.x + a.width <= frame.x + frame.width && a.y + a.height <= frame.y + frame.height

function touches(box: Box, { x, y, r }: Spot & { r: number }): boolean {
  const dx = Math.max(box.x - x, 0, x - box.x - box.width)
  const dy = Math.max(box.y - y, 0, y - box.y - box.height)
  return dx * dx + dy * dy < r * r
}

/** Whether a line passes through a box (Liang and Barsky 1984). */
function crosses(box: Box, [a, b]: readonly [Spot, Spot]): boolean {
  let [from, to] = [0, 1]
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  for (const [p, q] of [
    [-dx, a.x - box.x],
    [dx, box.x + box.width - a.x],
    [-dy, a.y - box.y],
    [dy, box.y + box.height - a.y],
  ] as const) {
    if (p === 0) {
      if (q < 0) return false
      continue
    }
    const t = q / p
    if (p < 0) from = Math.max(from, t)
    else to = Math.min(to, t)
    if (from > to) return false
  }
  return true
}
