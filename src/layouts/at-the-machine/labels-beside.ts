import type { PlacedStation, Point } from '../../islands/path/layout.ts'

/** What is to be said of a place on a drawing. */
export interface Said {
  at: Point
  hangs: PlacedStation['hangs']
  name: string
  says: string
  isOut: boolean
  isLate: boolean
}

/** Two lines of words in their place. */
export interface Label extends Omit<Said, 'at' | 'hangs'> {
  x: number
  /** Of the first line's foot. */
  y: number
  anchor: 'start' | 'middle' | 'end'
  /** From what it names to it, where it does not stand beside it. */
  leader?: string
}

/** A letter of the typeface is about so wide, of its size. */
const letter = 0.6
/** The drawing is as wide as a phone: its words are to be read there, so large of its width. */
const size = 0.037
const [below, drain] = [34, 30]
/** From the lane above the main line there is no room at a station's side: what it feeds stands there. */
const upperLane = 100

/** How wide the words of a label are, in units of the drawing. */
export const wordsWide = ({ name, says }: Pick<Label, 'name' | 'says'>, fontSize: number): number =>
  Math.max(name.length * 1.06, says.length) * letter * fontSize

/**
 * Places for the words of a path that is drawn small: those of the main line in rows below it, each on a leader and none
 * upon another; those of a branch above beside what they name.
 *
 * @param drawing - the drawing's own edges
 * @returns the labels, the size of their type, and the edges of it all
 */
export function labelsBeside(
  said: readonly Said[],
  { width, top }: { width: number; top: number },
): { labels: Label[]; fontSize: number; left: number; right: number; high: number; low: number } {
  const fontSize = width * size
  const [left, right] = [-8, width + 8]
  const rowHeight = fontSize * 2.7
  const bands = said.filter(({ hangs }) => hangs === 'band').sort((a, b) => a.at.x - b.at.x)
  const first = Math.max(...bands.map(({ at }) => at.y + (at.y > 200 ? drain : below + 48)), 0) + fontSize
  /** How far each row is written on, from the left. */
  const written: number[] = []
  const labels: Label[] = []
  // From the lowest branch up: what finds no room beside its place moves up.
  for (const one of said.filter(({ hangs }) => hangs === 'beside').sort((a, b) => b.at.y - a.at.y)) {
    const fits = one.at.x + 30 + wordsWide(one, fontSize) <= right
    const label: Label = { ...rest(one), x: one.at.x + (fits ? 30 : -30), y: one.at.y, anchor: fits ? 'start' : 'end' }
    if (one.at.y > upperLane)
      Object.assign(label, { x: label.x + (fits ? -44 : 44), y: one.at.y - 24 - fontSize * 1.2 })
    for (const other of labels)
      if (isBeside(label, other, fontSize)) label.y = Math.min(label.y, other.y - fontSize * 2.4)
    labels.push(label)
  }
  const high = Math.min(top, ...labels.map(({ y }) => y - fontSize * 1.1))
  for (const one of bands) {
    const wide = wordsWide(one, fontSize)
    const x = Math.min(Math.max(one.at.x, left + wide / 2), right - wide / 2)
    let row = written.findIndex((until) => until + fontSize * 0.6 <= x - wide / 2)
    if (row < 0) row = written.length
    written[row] = x + wide / 2
    const y = first + row * rowHeight
    const from = one.at.y + (one.at.y > 200 ? drain - 10 : below)
    labels.push({
      ...rest(one),
      x,
      y,
      anchor: 'middle',
      leader: `M${one.at.x.toFixed(1)} ${from}V${(y - fontSize * 0.95).toFixed(1)}`,
    })
  }
  const low = first + Math.max(1, written.length) * rowHeight - fontSize * 0.9
  // What hangs on no pipe stands in a row at the foot, its words beside it.
  let [foot, x] = [low, left + 8]
  for (const one of said.filter(({ hangs }) => hangs === 'rail')) {
    const wide = wordsWide(one, fontSize)
    if (x + 64 + wide > right) [foot, x] = [foot + rowHeight, left + 8]
    labels.push({ ...rest(one), x: x + 64, y: foot + fontSize * 1.3, anchor: 'start' })
    x += 64 + wide + fontSize
  }
  const rails = said.some(({ hangs }) => hangs === 'rail')
  return { labels, fontSize, left, right, high, low: rails ? foot + rowHeight : low }
}

/** Whether two labels stand above each other somewhere. */
function isBeside(one: Label, other: Label, fontSize: number): boolean {
  const edges = (label: Label) => {
    const wide = wordsWide(label, fontSize)
    return label.anchor === 'start' ? [label.x, label.x + wide] : [label.x - wide, label.x]
  }
  const [[a = 0, b = 0], [c = 0, d = 0]] = [edges(one), edges(other)]
  return a < d && c < b
}

const rest = ({ name, says, isOut, isLate }: Said) => ({ name, says, isOut, isLate })
