/** Ends the session on this device, and takes what was packed for it away; what waits to be sent is asked about first. */
export async function signOut(): Promise<void> {
  const { leaveDevice } = await import('../here/LeaveSheet.tsx')
  if (!(await leaveDevice())) return
  const isEnded = await fetch('/api/sign-out', { method: 'POST' }).then(
    () => true,
    () => false,
  )
  // Without network the session ends when it is over; nothing of the firm is on this device any more, and the page says so.
  location.assign(isEnded ? '/sign-in' : '/round')
}
