/** Ends the session on this device. */
export async function signOut(): Promise<void> {
  await fetch('/api/sign-out', { method: 'POST' })
  location.assign('/sign-in')
}
