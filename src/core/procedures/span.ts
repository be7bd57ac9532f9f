/** A figure of the trade: what is usual, and from where to where people go. */
export interface Span {
  usual: number
  from?: number
  to?: number
}

/** A span by its usual value, and its ends where there are any. @example span(3, 2, 5) */
export const span = (usual: number, from?: number, to?: number): Span => ({
  usual,
  ...(from !== undefined && { from }),
  ...(to !== undefined && { to }),
})

/** As it is said. @example spanWords(span(3, 2, 5)) // '2 to 5' */
export const spanWords = ({ usual, from, to }: Span): string =>
  from === undefined || to === undefined ? String(usual) : `${from} to ${to}`
