/** On whose account a visit goes. */
export const visitTerms = ['contract', 'chargeable', 'warranty', 'goodwill'] as const
export type VisitTerms = (typeof visitTerms)[number]

export const visitTermsWords: Record<VisitTerms, string> = {
  contract: 'under contract',
  chargeable: 'chargeable',
  warranty: 'under warranty',
  goodwill: 'goodwill',
}
