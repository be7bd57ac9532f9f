import { timingSafeEqual } from 'node:crypto'
import { rememberPhone } from '../../records/customer-addresses.ts'
import type { Db } from '../../records/database.ts'
import { type Answer, refusal } from '../answer.ts'
import { digest, newToken } from '../signing-in/tokens.ts'
import { forgiveWord, mayTryWord } from './pace.ts'
import type { There } from './there.ts'

/** Shows that somebody knows the word of the place. @returns what their phone holds from now on */
export async function sayWord(db: Db, there: There, said: string, now: Date): Promise<Answer<{ key: string }>> {
  const { word, siteId, actor } = there
  if (!word) return refusal(422, 'word', 'none', 'There is no word for this place yet: ask us for one.')
  if (!(await mayTryWord(db, there))) return refusal(429, 'word', 'slow', 'Too many tries. Tomorrow again, or ring us.')
  if (!timingSafeEqual(digest(said.replaceAll(/\D/g, '')), digest(word.is)))
    return refusal(422, 'word', 'wrong', 'That is not the word of this place.')
  await forgiveWord(db, there)
  const key = newToken()
  await rememberPhone(db, digest(key), { firmId: actor.firmId, siteId, wordId: word.id }, now)
  return { ok: true, key }
}
