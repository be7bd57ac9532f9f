import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { photoFile } from '../photos.ts'
import type { Letterhead } from './letterhead.ts'

/** The letterhead as the firm said it; null where nobody did. */
export const letterheadSaid = (db: Db, firmId: string): Promise<Setting<'letterhead'> | null> =>
  lookIn(
    db,
    firmId,
    async (trx) =>
      nearestSetting(effective({ firm: await entriesOfKinds(trx, [firmId], ['setting', 'withdrawn']) }), 'letterhead')
        ?.body ?? null,
  )

/** What stands at the head of a firm's papers besides its name, its logo with it; null where nobody said. */
export async function letterheadOf(db: Db, firmId: string): Promise<Letterhead> {
  const said = await letterheadSaid(db, firmId)
  if (!said) return null
  const picture = await logoPicture(db, firmId, said.logo)
  return { ...said, ...(picture && { picture }) }
}

/** A logo as an address that holds it whole; undefined where there is none, or its file is gone. */
export async function logoPicture(db: Db, firmId: string, name: string | undefined): Promise<string | undefined> {
  const file = name ? await photoFile(db, firmId, name) : null
  return file ? `data:image/jpeg;base64,${file.toString('base64')}` : undefined
}
