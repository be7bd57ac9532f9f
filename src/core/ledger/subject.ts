/** What an entry can be about. */
export const subjectKinds = ['machine', 'softener', 'supply', 'site', 'customer', 'instrument', 'firm'] as const
export type SubjectKind = (typeof subjectKinds)[number]
