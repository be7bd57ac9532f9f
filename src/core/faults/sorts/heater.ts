import { look, repair } from '../build.ts'
import { burntTerminal, terminalsLook } from './shared.ts'
import { live, metered, opened, type Sort } from './sort.ts'

/** What heats. `cold`: it stays cold; `weak`: it heats slowly; `trips`: a protective device acts. */
export const heater: Sort = {
  modes: [
    {
      id: 'open',
      name: '{part} open',
      does: 'cold',
      share: 0.6,
      shows: { legs: { open: 0.94 }, clamp: { none: 0.93 } },
      traits: ['chalk'],
      comes: ['sudden'],
      repair: repair('New element and gasket', 60),
    },
    {
      id: 'leg',
      name: '{part}: one leg or one phase lost',
      does: 'weak',
      share: 0.35,
      shows: { legs: { one: 0.92 }, clamp: { one: 0.93 } },
      comes: ['sudden'],
      repair: repair('Feed of the leg made good; leg open: new element', 60),
    },
    burntTerminal('Terminal and lead new, tightened; heat at it looked for', 30),
    {
      id: 'earth',
      name: '{part} leaks to earth',
      does: 'trips',
      share: 0.9,
      shows: { earth: { low: 0.75, warm: 0.2 } },
      complaints: { trips: 9 },
      traits: ['chalk'],
      comes: ['sudden'],
      repair: repair('New element and gasket; earth, insulation and leakage passed after it', 60),
    },
    {
      id: 'crusted',
      name: '{part} crusted: it heats slowly',
      does: 'weak',
      share: 0.4,
      shows: { crust: { thick: 0.92 } },
      traits: ['chalk'],
      comes: ['slowly'],
      repair: repair('On the bench: opened and descaled', 240),
    },
  ],
  looks: [
    look(
      'legs',
      '{part}: each leg measured, leads off, against volts squared by watts',
      '',
      6,
      { right: 'Each within 10 %', one: 'One leg open, the others right', open: 'Open' },
      {},
      metered,
    ),
    look(
      'clamp',
      '{part}: clamp meter round each lead while it heats, against watts by volts',
      '',
      4,
      { right: 'The same on each, as reckoned', one: 'One carries none', none: 'None on any' },
      {},
      { ...live, tools: ['clamp meter'] },
    ),
    terminalsLook,
    look(
      'earth',
      '{part}: insulation to earth at 500 V, leads off, cold and again warm',
      '',
      8,
      { right: 'Above 1 MΩ both times', low: 'Below 1 MΩ cold', warm: 'Good cold, below 1 MΩ warm' },
      {},
      { tools: ['insulation tester'], needs: ['off', 'open'], hazard: 'mains' },
    ),
    look(
      'crust',
      '{part}: a look into the boiler through its smallest opening',
      '',
      20,
      { thin: 'Thin or none', thick: 'Thick crust' },
      {},
      opened,
    ),
  ],
}
