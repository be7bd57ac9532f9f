import { aboutDevice } from '../../device/about-device.ts'
import { tellDeviceChanged } from '../../device/device-changed.ts'
import { keptSites } from '../../device/kept-sites.ts'
import { packUp } from '../../device/pack-up.ts'
import { allUnsent } from '../../device/unsent.ts'
import { letGoOfPhotos } from '../../device/waiting-photos.ts'
import { sendWaiting } from '../outbox.ts'
import { keepAsItStands } from './as-it-stood.ts'

/** What is here is looked after no more often, ms. */
const packEvery = 10 * 60_000

/**
 * What a page does for the day without network, once it has come to rest: pages open without it from now on, what waits
 * is sent, what the day needs is packed.
 */
export async function atRest(): Promise<void> {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return
  const registration = await navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  if (!registration) return
  const send = () => {
    if (document.visibilityState === 'visible') void sendWaiting()
  }
  window.addEventListener('online', () => void sendWaiting(true))
  document.addEventListener('visibilitychange', send)
  window.addEventListener('focus', send)
  setInterval(send, 30_000)
  await sendWaiting()
  await keepAsItStands()
  await letGoOfPhotos(
    Date.now(),
    (await allUnsent()).flatMap(({ entries }) => entries),
  )
  const about = await aboutDevice()
  if (about?.packedAt && Date.now() - about.packedAt < packEvery) return
  await packUp({ now: Date.now(), keptSites: await keptSites() })
  await keepAsItStands()
  tellDeviceChanged()
}
