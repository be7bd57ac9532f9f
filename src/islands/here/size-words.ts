/** Bytes as a person says them. @example sizeWords(3_984_588) // '3.8 MB'; of a hundred and more whole ones */
export function sizeWords(bytes: number): string {
  if (bytes < 1024) return `${bytes} B`
  const kB = bytes / 1024
  if (kB < 1000) return `${Math.round(kB)} kB`
  const mB = kB / 1024
  return `${mB < 100 ? mB.toFixed(1) : Math.round(mB)} MB`
}
