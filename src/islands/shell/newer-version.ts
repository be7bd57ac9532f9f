import { deviceDatabase } from '../../device/database.ts'

/** What somebody is in the middle of: a newer version does not come between. */
const underWay = new Set(['draft', 'run', 'strip-down', 'search', 'call'])

const isBusy = async (): Promise<boolean> => {
  const keys = await (await deviceDatabase()).getAllKeys('kept')
  return keys.some(([shelf]) => underWay.has(shelf))
}

/**
 * Says when a newer version of the application has been fetched and waits.
 * @returns what ends it
 */
export function newerVersion(say: (newer: 'ready' | 'after what is under way' | null) => void): () => void {
  let shown = true
  const look = async () => {
    const registration = await navigator.serviceWorker?.getRegistration()
    if (!shown || !registration?.waiting) return
    say((await isBusy().catch(() => true)) ? 'after what is under way' : 'ready')
  }
  void look()
  const timer = setInterval(() => void look(), 60_000)
  return () => {
    shown = false
    clearInterval(timer)
  }
}

/** Changes to it: the page is opened anew, in the newer version. */
export async function takeNewer(): Promise<void> {
  const registration = await navigator.serviceWorker.getRegistration()
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
  registration?.waiting?.postMessage('take over')
}
