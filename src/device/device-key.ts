import { type DeviceKey, newKey } from './cipher.ts'
import { deviceDatabase } from './database.ts'

/**
 * The key of this device. It outlives restarts and sessions that are over; only signing out, and the server's word that
 * this device is shut out, take it away, and what it enciphered with it.
 */
export async function deviceKey(): Promise<DeviceKey> {
  const db = await deviceDatabase()
  const there = await db.get('key', 'device')
  if (there) return there
  const made = await newKey()
  if (!made) return null
  try {
    await db.add('key', made, 'device')
    return made
  } catch {
    // Another tab was quicker.
    return (await db.get('key', 'device')) ?? null
  }
}
