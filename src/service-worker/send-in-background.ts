import { aboutDevice } from '../device/about-device.ts'
import { tellDeviceChanged } from '../device/device-changed.ts'
import { sendUnsent } from '../device/send-unsent.ts'

/** Sends what waits. @throws where it still waits for a line: the browser calls again */
export async function sendInBackground(): Promise<void> {
  const about = await aboutDevice()
  if (!about) return
  const { sent, refused, stopped } = await sendUnsent({ by: about.technician.id, now: Date.now(), atOnce: true })
  if (sent.length > 0 || refused.length > 0) tellDeviceChanged()
  if (stopped === 'no network' || stopped === 'busy') throw new Error(`What waits still does: ${stopped}`)
}
