import { fault, look, reading, repair, symptom } from '../../../faults/build.ts'
import type { BookChange } from '../../../faults/derive.ts'
import type { Test } from '../../../faults/fault.ts'

interface Where {
  boiler: string
  fill: string
  gauge: string
  /** What its gauge should show, bar. */
  good: { from: number; to: number }
  /** What leaves it cold, beside what only it has. */
  cold: string[]
  /** What leaves it too cool. */
  cool: string[]
  /** Where coffee has a boiler of its own. */
  apart?: true
}

const metered: Pick<Test, 'tools' | 'needs' | 'hazard'> = { tools: ['multimeter'], needs: ['off', 'open'], hazard: 'mains' }
const each = (faults: string[], outcome: Record<string, number>) => Object.fromEntries(faults.map((fault) => [fault, outcome]))

/** What a steam boiler with a level probe and its own filling brings to a machine. Shares of calls from memory. */
export function steamBoiler({ boiler, fill, gauge, good, cold, cool, apart }: Where): Required<Pick<BookChange, 'symptoms' | 'faults' | 'tests' | 'phone' | 'customer'>> {
  return {
    symptoms: [symptom('wet-steam', 'Water comes with the steam', 'wet steam, spits, overfull', boiler), symptom('hisses', 'It hisses on top', 'hisses, steams on top, drips on top', 'breather')],
    faults: [
      fault('relay', apart ? 'Relay of the steam boiler does not close' : 'Relay or controller does not switch the element', 'relay', 3, { 'weak-steam': 3, ...(!apart ? { cold: 3 } : { 'wet-steam': 0.2 }) }, repair('New relay', 25), { part: 'relay' }),
      fault('probe-chalked', 'Level probe chalked: boiler overfills', 'level', 4, { 'wet-steam': 9, 'weak-steam': 1 }, repair('Probe out, cleaned; conductivity looked at', 20), { traits: ['chalk', 'probe'], part: 'level-probe' }),
      fault('fill-shut', 'Filling stays shut: boiler low', fill, 2, { 'weak-steam': 9 }, repair('Valve cleaned or new', 25), { traits: ['stuck'] }),
      fault('fill-leaks', 'Filling does not close', fill, 2, { 'wet-steam': 8, hisses: 1 }, repair('Seat cleaned or valve new', 25), { traits: ['flakes'] }),
      fault('vacuum-open', 'Vacuum breaker does not close', 'breather', 4, { hisses: 7, 'weak-steam': 3 }, repair('Cleaned or new', 15), { traits: ['chalk'], part: 'vacuum-breaker' }),
      fault('safety-weeps', 'Safety valve weeps', 'breather', 1.5, { hisses: 8, 'weak-steam': 1 }, repair('Pressure first: too high, its cause; else a new safety valve, sealed, never set', 20), { part: 'safety-valve' }),
    ],
    tests: [
      reading(
        'boiler-gauge',
        'Read the steam pressure when it has settled',
        gauge,
        0.5,
        { unit: 'bar', measure: 'steam-pressure', good },
        [
          ['none', 'nothing, or below 0.25', 0],
          ['low', `0.25 to ${(good.from - 0.1).toFixed(1)}`, 0.25],
          ['right', `over ${good.from - 0.1}`, good.from - 0.1],
        ],
        { 'no-mains': { none: 0.96 }, relay: { none: 0.94 }, ...each(cold, { none: 0.94 }), ...each(cool, { low: 0.8, none: 0.12 }), 'vacuum-open': { low: 0.85 }, 'fill-shut': { low: 0.8 }, 'safety-weeps': { low: 0.3 } },
      ),
      reading(
        'steam-time',
        '200 ml of water from 20 to 65 °C by steam',
        'wand',
        2,
        { unit: 's', measure: 'steam-time', good: { from: 25, to: 50 } },
        [
          ['right', 'under 52', 0],
          ['slow', '52 to 150', 52],
          ['never', 'over 150, or never', 150],
        ],
        {
          'no-mains': { never: 0.96 },
          relay: { never: 0.95 },
          ...each(cold, { never: 0.95 }),
          ...each(cool, { slow: 0.6, never: 0.1 }),
          'wand-blocked': { slow: 0.55, never: 0.4 },
          'probe-chalked': { slow: 0.8 },
          'fill-leaks': { slow: 0.8 },
          'fill-shut': { slow: 0.5 },
          'vacuum-open': { slow: 0.35 },
        },
        { tools: ['jug', 'thermometer'], needs: ['hot'], hazard: 'scald' },
      ),
      look(
        'level',
        'Hot-water tap a moment: water, spitting, or only steam?',
        'hot-water',
        1,
        { right: 'Water, then steam', over: 'Water for long, steam spits', under: 'Only steam' },
        { 'probe-chalked': { over: 0.85 }, 'fill-leaks': { over: 0.85 }, 'fill-shut': { under: 0.85 } },
        { needs: ['hot'], hazard: 'scald' },
      ),
      look(
        'breather',
        'Case shut, hot: look and listen where vacuum breaker and safety valve blow out',
        'breather',
        2,
        { quiet: 'Dry and quiet', vacuum: 'Vacuum breaker blows', safety: 'Safety valve weeps' },
        { 'vacuum-open': { vacuum: 0.92 }, 'safety-weeps': { safety: 0.92 } },
        { needs: ['hot'], hazard: 'scald' },
      ),
      look('fill-off', 'Off, cold, tank or tap open: does water still run in?', fill, 3, { stops: 'No', 'goes-on': 'It runs in' }, { 'fill-leaks': { 'goes-on': 0.9 } }, { needs: ['off'] }),
      look('probe', 'Level probe out: its tip', 'level', 8, { clean: 'Bright', chalked: 'Chalked' }, { 'probe-chalked': { chalked: 0.94 } }, { tools: ['spanners'], needs: ['off', 'open', 'cold', 'no-pressure'], hazard: 'pressure' }),
      look('fill-valve', 'Filling: its coil and hose', fill, 6, { right: 'Coil sound, water comes', shut: 'No water past it' }, { 'fill-shut': { shut: 0.92 } }, metered),
      look('relay', 'Relay out, fed from a battery: does it close?', 'relay', 4, { closes: 'It closes', not: 'It does not' }, { relay: { not: 0.93 } }, metered),
    ],
    phone: {
      'boiler-gauge': 'What does its pressure show when it has been on for half an hour?',
      level: 'Open the hot-water tap a moment: water, or only steam?',
    },
    customer: {
      'probe-chalked': 'Steam only with the tip in the tray; ask for us before it is used for milk.',
      'safety-weeps': 'Off at the wall, hands away, and leave it off.',
      'relay-welded': 'Off at the wall, hands away, and leave it off.',
      'vacuum-open': 'It may hiss while it heats up. If it hisses on: off, and leave it off.',
    },
  }
}
