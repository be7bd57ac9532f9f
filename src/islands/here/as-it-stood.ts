import { dayAt, timeAt } from '../../core/quantity/site-time.ts'
import { aboutDevice } from '../../device/about-device.ts'
import { drawnOn, isDrawnAhead, keepDrawn } from '../../device/drawn.ts'

/** Where a page is shown as it stood. */
const place = 'as-it-stood'
/** A style in an attribute is none of ours to the browser: it is carried here, and set by script. */
const carried = 'data-style'

/** A page that was opened longer ago may show what somebody has changed since, ms. */
const freshFor = 60_000

/** Keeps how this page stands just after it was opened, on a device that has packed. Where there is no room it is not kept. */
export async function keepAsItStands(): Promise<void> {
  const main = document.getElementById('main')
  if (!main || !isDrawnAhead(location) || performance.now() > freshFor) return
  try {
    const about = await aboutDevice()
    if (!about?.packedAt) return
    const on = dayAt(about.firm.timeZone, new Date(Date.now() + about.aheadMs))
    await keepDrawn(location.pathname, { html: drawnHtml(main), on, at: Date.now() })
  } catch (error) {
    console.info('How this page stands is not kept', error)
  }
}

/** What is drawn, without what draws it. */
function drawnHtml(main: HTMLElement): string {
  const copy = main.cloneNode(true) as HTMLElement
  for (const one of copy.querySelectorAll('script, template, dialog, [role="dialog"]')) one.remove()
  for (const one of copy.querySelectorAll('astro-island, astro-slot')) one.replaceWith(...one.childNodes)
  for (const one of copy.querySelectorAll('[style]')) {
    one.setAttribute(carried, one.getAttribute('style')!)
    one.removeAttribute('style')
  }
  return copy.innerHTML
}

/**
 * Shows this page as it stood today, until it is drawn anew: a cheap phone needs seconds for that.
 * @returns whether it was drawn here today, and nothing was written since
 */
export async function showAsItStood(): Promise<boolean> {
  const shown = document.getElementById(place)
  if (!shown || !isDrawnAhead(location)) return false
  const about = await aboutDevice()
  if (!about) return false
  const drawn = await drawnOn(location.pathname, dayAt(about.firm.timeZone, new Date(Date.now() + about.aheadMs)))
  if (!drawn) return false
  const [head, body] = shown.querySelectorAll<HTMLElement>('[data-part]')
  head!.textContent = `As it stood at ${timeAt(about.firm.timeZone, drawn.at + about.aheadMs)}. It is being opened …`
  body!.innerHTML = drawn.html
  for (const one of body!.querySelectorAll<HTMLElement>(`[${carried}]`)) one.style.cssText = one.getAttribute(carried)!
  shown.hidden = false
  return true
}

/** It stands anew. */
export const takeAwayAsItStood = (): void => document.getElementById(place)?.remove()
