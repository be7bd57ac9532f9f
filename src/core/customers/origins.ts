/** Where an entry came from that somebody wrote at the machine, on its own page. */
export const customerOrigin = 'the customer, on the machine’s page'
/** The same of whoever did not know the word of the place. */
export const unknownOrigin = 'somebody unknown, on the machine’s page'

/** Whether an entry was sent from a machine's page. @example isFromPage({ origin: customerOrigin }) // true */
export const isFromPage = ({ origin }: { origin?: string | undefined }): boolean =>
  origin === customerOrigin || origin === unknownOrigin
