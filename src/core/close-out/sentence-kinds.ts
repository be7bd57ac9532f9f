/** What somebody signs, apart from how it is put: every page that reads the ledger carries these. */
export const sentenceKinds = ['done', 'isolated', 'open', 'charged'] as const
export type SentenceKind = (typeof sentenceKinds)[number]
