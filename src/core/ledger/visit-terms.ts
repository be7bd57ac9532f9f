/** On whose account a visit goes. */
export const visitTerms = ['contract', 'chargeable', 'warranty', 'goodwill'] as const
export type VisitTerms = (typeof visitTerms)[number]
