import { deviceDatabase } from './database.ts'

/** Takes away everything, whoever wrote it, with the key: the server says that this device was shut out. */
export async function destroyDevice(): Promise<void> {
  const db = await deviceDatabase().catch(() => null)
  if (!db) return
  const stores = ['kept', 'aside', 'packed', 'unsent', 'photo', 'about', 'key'] as const
  const transaction = db.transaction(stores, 'readwrite')
  await Promise.all([...stores.map((store) => transaction.objectStore(store).clear()), transaction.done])
}

/**
 * Takes away all that was packed here and what waits of whoever leaves, with the key: whoever comes next finds nothing.
 * What somebody else wrote here and has not sent yet stays until they sign in, and with it the key it is enciphered with.
 */
export async function forgetDevice(by: string | null): Promise<void> {
  const db = await deviceDatabase().catch(() => null)
  if (!db) return
  const transaction = db.transaction(['packed', 'unsent', 'photo', 'about', 'key'], 'readwrite')
  const unsent = transaction.objectStore('unsent')
  const waiting = await unsent.getAll()
  const others = waiting.some((item) => item.by !== by)
  const gone = waiting.filter((item) => item.by === by)
  await Promise.all([
    ...gone.map((item) => unsent.delete(item.order!)),
    transaction.objectStore('packed').clear(),
    transaction.objectStore('about').clear(),
    ...(others ? [] : [transaction.objectStore('photo').clear(), transaction.objectStore('key').delete('device')]),
    transaction.done,
  ])
}
