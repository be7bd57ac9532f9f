import { placeOf } from './place-of.ts'

/** From where and with what somebody asks, as far as the log keeps it. */
export interface Caller {
  /** Whole: what guesses are counted by. It is kept nowhere. */
  address: string
  /** As a person would say it. @example 'Firefox on Linux' */
  device: string
  /** What a device that signed in before holds; absent where it did not. */
  knownToken?: string
}

/** Who asks where nobody did: a test, a script of the house. */
export const nobody: Caller = { address: 'unknown', device: 'the server itself' }

/**
 * What is kept of an address: the network it belongs to, which says from where without saying who.
 * @example networkOf('203.0.113.9') // '203.0.113.0/24'
 */
export function networkOf(address: string): string {
  const plain = address.replace(/^::ffff:/i, '')
  const octets = /^(\d+\.\d+\.\d+)\.\d+$/.exec(plain)
  if (octets) return `${octets[1]}.0/24`
  return plain.includes(':') ? `${placeOf(plain).split(':').slice(0, 3).join(':')}::/48` : plain
}
