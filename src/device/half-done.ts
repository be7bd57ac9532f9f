import { decipher, encipher, isEnciphered } from './cipher.ts'
import type { KeptItem } from './database.ts'
import { draftsKey } from './device-key.ts'

/** Something half done as it lies in the store. */
export const closed = async (item: KeptItem): Promise<KeptItem> => ({
  ...item,
  value: await encipher(await draftsKey(), item.value),
})

/** The same as it was written. @throws where its key is gone */
export const opened = async (item: KeptItem): Promise<KeptItem> =>
  isEnciphered(item.value) ? { ...item, value: await decipher(await draftsKey(), item.value) } : item
