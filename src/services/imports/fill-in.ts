/**
 * What a list knows of a record that has the field empty. What is there stays, also where the list says otherwise.
 *
 * @returns the fields as they are and as they become; null where nothing is missing
 * @example fillIn({ phone: '', email: 'a@b' }, { phone: '0555 1', email: 'c@d' }) // { before: { phone: '' }, after: { phone: '0555 1' } }
 */
export function fillIn(record: object, given: object): { before: object; after: object } | null {
  const there = record as Record<string, unknown>
  const missing = Object.entries(given).filter(([field, value]) => value && !there[field])
  if (missing.length === 0) return null
  return {
    before: Object.fromEntries(missing.map(([field]) => [field, there[field] ?? ''])),
    after: Object.fromEntries(missing),
  }
}
