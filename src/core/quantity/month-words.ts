/** Months by their short names, January first. */
export const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** How busy the months are, those as usual left out. @example busyMonths([1, 1, …, 1.5]) // 'Dec ×1.5' */
export function busyMonths(months: number[]): string {
  const others = months.flatMap((share, i) => (share === 1 ? [] : [`${monthNames[i]} ×${Number(share.toFixed(2))}`]))
  return others.join(', ') || 'all alike'
}
