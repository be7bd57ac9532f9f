import { encipher } from './cipher.ts'
import { setRight } from './clock-of.ts'
import { deviceKey } from './device-key.ts'
import { changeUnsent, type Unsent } from './unsent.ts'

/** Whose clock went right when a save was made. */
export type ClockSaid = 'server' | 'device'

/**
 * Somebody says which time is right of a save whose times the server's clock contradicts: it waits again, with its times
 * set right where the server's clock was, and is not asked about a second time.
 */
export async function sayClock(item: Unsent, right: ClockSaid, timeZone: string): Promise<void> {
  const offMs = item.clockOffMs ?? 0
  const entries =
    right === 'server'
      ? await encipher(await deviceKey(), setRight(item.entries, item.saidAt, offMs, timeZone))
      : undefined
  await changeUnsent([item.order], () => ({
    state: 'waits',
    issues: [],
    clockOffMs: null,
    clockSaid: true,
    tries: 0,
    nextAt: 0,
    ...(entries && { entries, saidAt: item.saidAt - offMs }),
  }))
}
