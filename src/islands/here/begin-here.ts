import { showAsItStood } from './as-it-stood.ts'

// Shown first, drawn after: what draws a page keeps a cheap phone busy for seconds.
const isShown = await showAsItStood().catch((error) => {
  console.info('How this page stood cannot be shown', error)
  return false
})
if (isShown) await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
const { drawHere } = await import('./HerePage.tsx')
drawHere()
