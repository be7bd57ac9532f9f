/** What is heard and felt in a run. */
export type Signal = 'on' | 'off' | 'soon' | 'bell' | 'next'

const tones: Record<Signal, { hz: number; s: number; times: number }> = {
  on: { hz: 880, s: 0.35, times: 1 },
  off: { hz: 440, s: 0.35, times: 1 },
  soon: { hz: 660, s: 0.06, times: 1 },
  bell: { hz: 990, s: 0.18, times: 3 },
  next: { hz: 550, s: 0.12, times: 2 },
}
const pulses: Record<Signal, number[]> = {
  on: [250],
  off: [80, 60, 80],
  soon: [],
  bell: [200, 100, 200, 100, 200],
  next: [60],
}

let context: AudioContext | null = null

/** Sounds are allowed from the first press on: a browser keeps quiet before. */
export function wakeSound(): void {
  context ??= new AudioContext()
  if (context.state === 'suspended') void context.resume()
}

/** Told by ear and by hand, as far as this device can. */
export function signal(what: Signal, muted: boolean): void {
  // A browser lets nothing shake before it was touched: after a reload it is silent until the first tap.
  const touched = navigator.userActivation?.hasBeenActive ?? true
  if (pulses[what].length > 0 && touched && 'vibrate' in navigator) navigator.vibrate(pulses[what])
  if (muted || !context || context.state !== 'running') return
  const { hz, s, times } = tones[what]
  for (let i = 0; i < times; i += 1) {
    const at = context.currentTime + i * (s + 0.08)
    const tone = context.createOscillator()
    const volume = context.createGain()
    tone.frequency.value = hz
    volume.gain.setValueAtTime(0.0001, at)
    volume.gain.exponentialRampToValueAtTime(0.4, at + 0.01)
    volume.gain.exponentialRampToValueAtTime(0.0001, at + s)
    tone.connect(volume).connect(context.destination)
    tone.start(at)
    tone.stop(at + s + 0.02)
  }
}
