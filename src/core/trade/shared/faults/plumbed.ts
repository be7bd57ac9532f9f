import { fault, look, repair } from '../../../faults/build.ts'
import type { Fault, FaultBook, Test } from '../../../faults/fault.ts'
import type { BookPart } from '../../../faults/modes.ts'
import { onlyLoud } from './parts.ts'

/** A supply that does not give enough, where a machine that may stand on a tank is plumbed in. */
export const supplyFault: Fault = fault('supply-shut', 'Supply shut, hose kinked, softener or filter blocked', 'softener', 4, { 'no-water': 5, noise: 3, slow: 2, 'weak-steam': 1 }, repair('Open it, straighten it, bypass or change the filter', 10))

export const tapsLook: Test = look('taps', 'Look at the tap, hose and softener', 'softener', 1, { right: 'Open, straight, no salt crust', shut: 'Shut, kinked, or the filter long overdue' }, { 'supply-shut': { shut: 0.8 } })

/** What the tests a plumbed machine shares show of its supply. @param seesOf - what a test of the book it is built like sees */
export const supplyShows = (seesOf: (test: string) => Test['sees']): Record<string, Test['sees']> =>
  Object.fromEntries(
    Object.entries<Record<string, number>>({
      'pump-sound': { rattles: 0.75 },
      'open-flow': { none: 0.5, low: 0.45 },
      'blind-pressure': { low: 0.3, none: 0.1 },
      shot: { slow: 0.6 },
      grind: { slow: 0.6 },
    }).map(([test, shows]) => [test, { ...seesOf(test), 'supply-shut': shows }]),
  )

export const supplyAsked: FaultBook['phone'] = { taps: 'Is the tap behind the machine open and the hose straight?' }
export const supplySaid: FaultBook['customer'] = {
  'supply-shut': 'Press no key while it growls. Open the tap behind the machine, straighten the hose.',
}

/** What stands before a plumbed machine, and the pump it may have then. */
export const plumbedParts: BookPart[] = [
  {
    id: 'softener',
    sort: 'treatment',
    name: 'the softener',
    station: 'softener',
    does: { shut: 'supply-shut', salty: { like: 'cleaning-left', alone: true, complaints: { taste: 9 } } },
    is: { blocked: 'supply-shut' },
  },
  {
    id: 'rotary',
    sort: 'rotary-pump',
    name: 'the pump',
    station: 'pump',
    part: 'rotary-pump',
    does: { weak: 'pump-weak', dead: 'pump-dead', loud: onlyLoud('pump-weak'), leaks: 'joint-leaks' },
    is: { worn: 'pump-weak', seized: 'pump-dead' },
  },
]
