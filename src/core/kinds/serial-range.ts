/** From and up to which serial number, both ends in; an end that is absent is open. */
export interface SerialRange {
  serialFrom?: string | undefined
  serialTo?: string | undefined
}

/**
 * Whether a serial number lies in a range, number by number and letter by letter as plates are counted. Serial numbers
 * of another make-up than the ends cannot be compared: nobody knows what a maker means by them. Common practice, no
 * source.
 *
 * @returns null where it cannot be told
 * @example inSerialRange('B-1042', { serialFrom: 'B1000', serialTo: 'B1999' }) // true
 * @example inSerialRange('20417', { serialFrom: 'B1000' }) // null
 */
export function inSerialRange(serial: string, { serialFrom, serialTo }: SerialRange): boolean | null {
  if (!serialFrom && !serialTo) return true
  const own = pieces(serial)
  if (own.length === 0) return null
  for (const [end, isBefore] of [
    [serialFrom, true],
    [serialTo, false],
  ] as const) {
    if (!end) continue
    const order = compared(own, pieces(end))
    if (order === null) return null
    if (isBefore ? order < 0 : order > 0) return false
  }
  return true
}

/** Runs of digits and of letters; what stands between them says nothing. */
const pieces = (serial: string): string[] => serial.toUpperCase().match(/\d+|\p{L}+/gu) ?? []

const isNumber = (piece: string) => /^\d/.test(piece)

function compared(a: string[], b: string[]): number | null {
  if (a.length !== b.length || a.some((piece, i) => isNumber(piece) !== isNumber(b[i]!))) return null
  for (const [i, piece] of a.entries()) {
    const other = b[i]!
    if (isNumber(piece)) {
      const [one, two] = [BigInt(piece), BigInt(other)]
      if (one !== two) return one < two ? -1 : 1
    } else if (piece !== other) {
      // Another letter in front is another series, unless it counts on from one letter to the next.
      if (piece.length !== other.length) return null
      return piece < other ? -1 : 1
    }
  }
  return 0
}
