import { setAside } from './database.ts'
import { dropUnsent, type Unsent } from './unsent.ts'

/** Somebody gives up a save that was refused: it is not sent any more, and lies aside on this device with the reason. */
export async function giveUpUnsent({ order, entries, issues, madeAt }: Unsent, why: string): Promise<void> {
  await setAside({ shelf: 'unsent', of: String(order), version: 1, value: { entries, issues }, keptAt: madeAt }, why)
  await dropUnsent([order])
}
