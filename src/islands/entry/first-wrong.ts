/**
 * Shows the first field of the entry that is wrong: unfolds what it is folded into, brings it to the middle of the
 * screen, above a phone's keyboard, and puts the hand into it.
 *
 * @returns what it is called; null where no field on the screen is marked
 */
export function showFirstWrong(): string | null {
  const field = document.querySelector<HTMLInputElement>('#entry [aria-invalid="true"]')
  if (!field) return null
  for (let at = field.closest('details'); at; at = at.parentElement?.closest('details') ?? null) at.open = true
  field.focus({ preventScroll: true })
  field.scrollIntoView({ block: 'center' })
  // A label may hold its unit and what is wrong besides: its first words are what it is called.
  const label = field.labels?.[0]
  const words = label?.querySelector('span')?.firstChild?.textContent ?? label?.textContent
  return (field.getAttribute('aria-label') ?? words ?? '').replace(/\s+/g, ' ').trim() || null
}
