import { shutOutHeader } from '../views/shut-out.ts'
import { destroyDevice } from './forget-device.ts'
import { countUnsent } from './unsent.ts'

/** Who opens where this device knocks, and what time it is there. */
export type Door =
  | {
      nowMs: number
      technicianId: string /** They left the firm: what they wrote is taken, then all is forgotten. */
      isLeaving: boolean
    }
  | 'no network'
  | 'busy'
  | 'signed out'

/**
 * Asks the server who is signed in on this device and what time it is, before anything is sent. A device that was shut
 * out from elsewhere is told so here, and forgets all that it keeps.
 */
export async function knock(patience: number, ask: typeof fetch = fetch): Promise<Door> {
  let response: Response
  try {
    response = await ask('/api/clock', { cache: 'no-store', signal: AbortSignal.timeout(patience) })
  } catch {
    return 'no network'
  }
  if (await obeyShutOut(response)) return 'signed out'
  if (response.status === 401 || response.status === 403) return 'signed out'
  if (response.status >= 500 || response.status === 429) return 'busy'
  const told = (await response.json().catch(() => null)) as {
    now?: string
    technicianId?: string
    isLeaving?: boolean
  } | null
  const nowMs = Date.parse(told?.now ?? '')
  // Something between us and the server answered in its place.
  return Number.isNaN(nowMs) || !told?.technicianId
    ? 'no network'
    : { nowMs, technicianId: told.technicianId, isLeaving: told.isLeaving === true }
}

/** Its holder left the firm: what they wrote may be handed in, and nothing is shown. */
const hasLeft = (response: Response) => response.status === 401 && response.headers.get(shutOutHeader) === 'left'

/**
 * Forgets everything where the server says that this device was shut out. Where its holder left and something waits, it is
 * handed in first.
 * @returns whether it forgot
 */
export async function obeyShutOut(response: Response): Promise<boolean> {
  if (response.status !== 401 || response.headers.get(shutOutHeader) === null) return false
  if (hasLeft(response) && (await countUnsent()).entries > 0) return false
  await destroyDevice()
  return true
}
