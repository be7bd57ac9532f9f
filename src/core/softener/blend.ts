/**
 * Share of raw water that brings a permeate up to a target: (target − permeate) / (raw − permeate).
 *
 * @returns null when the target lies outside what the two can make
 * @throws RangeError when both waters are alike, so that any share makes the same
 * @example rawShare(339, 10, 90) // ≈ 0.243
 */
export function rawShare(rawMgL: number, permeateMgL: number, targetMgL: number): number | null {
  if (targetMgL < Math.min(rawMgL, permeateMgL) || targetMgL > Math.max(rawMgL, permeateMgL)) return null
  if (rawMgL === permeateMgL) throw new RangeError(`rawShare: rawMgL must differ from permeateMgL, got ${rawMgL} twice`)
  return (targetMgL - permeateMgL) / (rawMgL - permeateMgL)
}
