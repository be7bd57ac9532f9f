import { type Preferences, usualPreferences } from '../core/firm/preferences.ts'

/**
 * How the firm that looks reads its figures. In the browser the page says so in its head; on the server
 * whoever answers the request does. Words and figures are made in a hundred places: they ask here.
 */
let source: () => Preferences = fromPage

export const preferences = (): Preferences => source()

/** The server names the firm whose page it draws. */
export function readPreferencesFrom(given: () => Preferences): void {
  source = given
}

let read: Preferences | null = null

function fromPage(): Preferences {
  if (typeof document === 'undefined') return usualPreferences
  read ??= {
    ...usualPreferences,
    ...JSON.parse(document.querySelector<HTMLMetaElement>('meta[name="evenshot-preferences"]')?.content ?? '{}'),
  }
  return read as Preferences
}
