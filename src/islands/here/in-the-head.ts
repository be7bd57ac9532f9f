import type { AboutDevice } from '../../device/about-device.ts'
import type { PageHere } from './page-here.ts'

const say = (name: string, content: string) =>
  document.querySelector<HTMLMetaElement>(`meta[name="evenshot-${name}"]`)!.setAttribute('content', content)

/** What the server writes into the head of a page it draws: figures, clock and zone are read from there. */
export const inTheHead = {
  firm({ firm, aheadMs }: AboutDevice): void {
    say('preferences', JSON.stringify(firm.preferences))
    say('now', new Date(performance.timeOrigin + aheadMs).toISOString())
    say('zone', firm.timeZone)
  },
  page({ title, timeZone }: PageHere): void {
    say('zone', timeZone)
    document.title = `${title} · Even Shot`
  },
}
