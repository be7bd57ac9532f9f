/** The cookie that holds a session. */
export const sessionCookie = 'evenshot_session'

/** What answers without a session. */
const open = new Set([
  '/sign-in',
  '/api/sign-in',
  '/first-run',
  '/api/first-run',
  '/api/first-run-data',
  '/404',
  '/500',
  '/503',
])
export const isOpen = (path: string) => open.has(path) || /^\/(api\/)?join\/[^/]+$/.test(path)
