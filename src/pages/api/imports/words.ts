import { endpoint, json } from '../../../server/api.ts'
import { knownWords } from '../../../services/imports/imports.ts'

/** What words of lists mean for this firm, as it said before. */
export const GET = endpoint(async ({ locals }, { firm }) => json({ words: await knownWords(locals.db, firm.id) }))
