import { type DeviceKey, newKey } from './cipher.ts'
import { deviceDatabase } from './database.ts'

/**
 * The key of this device. It outlives restarts and sessions that are over; only signing out, and the server's word that
 * this device is shut out, take it away, and what it enciphered with it.
 */
export const deviceKey = (): Promise<DeviceKey> => keyCalled('device')

/**
 * The key of what is half done: drafts, runs, sheets. They are nobody's without the machine they are of and stay where
 * somebody signs out; only the word that this device is shut out takes it away.
 */
export const draftsKey = (): Promise<DeviceKey> => keyCalled('drafts')

async function keyCalled(name: 'device' | 'drafts'): Promise<DeviceKey> {
  const db = await deviceDatabase()
  const there = await db.get('key', name)
  if (there) return there
  const made = await newKey()
  if (!made) return null
  try {
    await db.add('key', made, name)
    return made
  } catch {
    // Another tab was quicker.
    return (await db.get('key', name)) ?? null
  }
}
