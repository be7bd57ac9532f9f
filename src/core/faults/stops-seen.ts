import type { StopId } from './stops.ts'

/*
 * What is seen in the middle of a search, and stops it: by the look and its answer, whatever part of the machine it is
 * at. Common practice, no source.
 */
const seenAt: Record<string, StopId> = {
  'breather safety': 'over-pressure',
  'boiler-gauge high': 'over-pressure',
  'contacts closed': 'heats-on',
  'terminals brown': 'burning',
  'lead bad': 'burning',
  'earth low': 'trips',
  'earth warm': 'trips',
  'dry wet': 'wet-electrics',
  'cold warm': 'milk',
}

/** From here a boiler is far past what it is set to, bar; below it a gauge may only be a little high. */
const farTooHighBar = 1.75

/**
 * Whether an answer stops everything: a look at any part by what it is a look for, or a test by its name.
 *
 * @param value - what was read, where it was a figure
 * @returns the stop, or none
 * @example stopOfAnswer({ test: 'contactor-terminals', outcome: 'brown' }) // 'burning'
 */
export function stopOfAnswer({
  test,
  outcome,
  value,
}: {
  test: string
  outcome: string
  value?: number
}): StopId | undefined {
  if (test === 'boiler-gauge' && value !== undefined && value < farTooHighBar) return undefined
  const look = test.split('-').at(-1)!
  return seenAt[`${test} ${outcome}`] ?? seenAt[`${look} ${outcome}`]
}
