import { type AboutDevice, deviceDatabase } from './database.ts'

export type { AboutDevice } from './database.ts'

/** Who works on this device; null before it was packed once, and where nothing can be kept. */
export async function aboutDevice(): Promise<AboutDevice | null> {
  try {
    return (await (await deviceDatabase()).get('about', 'device')) ?? null
  } catch {
    return null
  }
}

export async function keepAboutDevice(about: AboutDevice): Promise<void> {
  await (await deviceDatabase()).put('about', about, 'device')
}
