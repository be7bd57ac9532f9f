import { useEffect } from 'react'

/** Keeps the screen lit as long as it is asked for, where the device can; taken up again when the page comes back. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let over = false
    const take = async () => {
      if (document.visibilityState !== 'visible') return
      try {
        lock = await navigator.wakeLock.request('screen')
        if (over) void lock.release()
      } catch (error) {
        // A battery that saves itself may refuse: the run goes on, the screen as the device likes.
        console.info('The screen may go dark', error)
      }
    }
    void take()
    document.addEventListener('visibilitychange', take)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', take)
      void lock?.release()
    }
  }, [wanted])
}
