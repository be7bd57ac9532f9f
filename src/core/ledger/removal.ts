/** Why a part came out. `fitting`: it was put in wrongly, and says nothing of how long such parts last. */
export const removalReasons = ['worn', 'failed', 'planned', 'fitting'] as const
export type RemovalReason = (typeof removalReasons)[number]

export const removalWords: Record<RemovalReason, string> = {
  worn: 'worn',
  failed: 'failed',
  planned: 'changed while it was good',
  fitting: 'had been fitted wrongly',
}
