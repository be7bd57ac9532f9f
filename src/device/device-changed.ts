const name = 'evenshot-device'

/** Tells every tab, this one too, that what is kept here, or waits, is another than before. */
export function tellDeviceChanged(): void {
  if (typeof BroadcastChannel === 'undefined') return
  const channel = new BroadcastChannel(name)
  channel.postMessage('changed')
  channel.close()
  globalThis.dispatchEvent?.(new Event(name))
}

/** Calls whenever it is told. @returns what ends it */
export function onDeviceChanged(look: () => void): () => void {
  if (typeof BroadcastChannel === 'undefined') return () => undefined
  const channel = new BroadcastChannel(name)
  channel.addEventListener('message', look)
  globalThis.addEventListener(name, look)
  return () => {
    channel.close()
    globalThis.removeEventListener(name, look)
  }
}
