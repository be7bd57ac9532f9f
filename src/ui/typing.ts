/** Keys mean themselves where somebody types. */
export function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

/** Whether a key is not for the page: somebody types, holds a modifier, or a sheet is open. */
export const meansItself = (event: KeyboardEvent): boolean =>
  typing(event.target) ||
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  document.querySelector('[role=dialog]') !== null

/** Where j (next) and k (before) lead from a row. @example rowAfter('j', 2, 5) // 3 */
export const rowAfter = (key: string, at: number, rows: number): number =>
  Math.min(rows - 1, Math.max(0, at + (key === 'j' ? 1 : key === 'k' ? -1 : 0)))
