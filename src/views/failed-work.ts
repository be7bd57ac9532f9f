/** Background work that failed as often as it may. */
export interface FailedWork {
  failed: { id: string; what: 'reckon' | 'tidy' | 'bring-in'; failedAt: string; why: string }[]
}
