import { look, reading, repair } from '../build.ts'
import { byEye, live, metered, opened, type Sort } from './sort.ts'

/** What heats. `cold`: it stays cold; `weak`: it heats slowly; `trips`: a protective device acts. */
export const heater: Sort = {
  modes: [
    {
      id: 'open',
      name: '{part} open',
      does: 'cold',
      share: 0.6,
      shows: { legs: { open: 0.94 } },
      traits: ['chalk'],
      repair: repair('New element and gasket', 60),
    },
    {
      id: 'leg',
      name: '{part}: one leg or one phase lost',
      does: 'weak',
      share: 0.35,
      shows: { legs: { one: 0.92 } },
      repair: repair('Feed of the leg made good; leg open: new element', 60),
    },
    {
      id: 'terminal',
      name: '{part}: terminal loose or burnt',
      does: 'cold',
      share: 0.35,
      shows: { terminals: { brown: 0.93 } },
      complaints: { burning: 4, sometimes: 2 },
      repair: repair('Terminal and lead new, tightened; heat at it looked for', 30),
    },
    {
      id: 'earth',
      name: '{part} leaks to earth',
      does: 'trips',
      share: 0.9,
      shows: { earth: { low: 0.75, warm: 0.2 } },
      complaints: { trips: 9 },
      traits: ['chalk'],
      repair: repair('New element and gasket; earth, insulation and leakage passed after it', 60),
    },
    {
      id: 'crusted',
      name: '{part} crusted: it heats slowly',
      does: 'weak',
      share: 0.4,
      shows: { crust: { thick: 0.92 } },
      traits: ['chalk'],
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
      'terminals',
      '{part}: its terminals and leads',
      '',
      3,
      { bright: 'Bright and tight', brown: 'Brown, loose or burnt' },
      {},
      byEye,
    ),
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

/** What feels temperature. `cool`: it keeps it too cool; `hot`: too hot; `fault`: the control refuses. */
export const sensor: Sort = {
  modes: [
    {
      id: 'reads-high',
      name: '{part} reads too high: it stays cool',
      does: 'cool',
      share: 0.6,
      shows: { ohm: { off: 0.85 } },
      repair: repair('New sensor, seated with paste', 25),
    },
    {
      id: 'reads-low',
      name: '{part} reads too low: it gets too hot',
      does: 'hot',
      share: 0.4,
      shows: { ohm: { off: 0.85 } },
      complaints: { 'too-hot': 6 },
      repair: repair('New sensor, seated with paste; cut-out looked at', 25),
    },
    {
      id: 'open',
      name: '{part} open or shorted',
      does: 'fault',
      share: 0.5,
      shows: { ohm: { open: 0.94 } },
      complaints: { error: 6, 'not-ready': 4 },
      repair: repair('New sensor; its lead looked at', 25),
    },
    {
      id: 'loose',
      name: '{part} loose on its seat',
      does: 'hot',
      share: 0.25,
      shows: { seat: { loose: 0.92 } },
      complaints: { 'too-hot': 4 },
      repair: repair('Seated with paste, clamped', 12),
    },
    {
      id: 'plug',
      name: '{part}: plug wet or green',
      does: 'fault',
      share: 0.25,
      shows: { plug: { off: 0.92 } },
      complaints: { error: 5 },
      repair: repair('Dried, cleaned; what wetted it', 15),
    },
  ],
  looks: [
    look(
      'ohm',
      '{part}: its resistance against the table for the temperature it has now',
      '',
      5,
      { right: 'As the table says', off: 'Off the table by more than a tenth', open: 'Open, or nearly nothing' },
      {},
      { ...metered, tools: ['multimeter', 'thermometer'] },
    ),
    look('seat', '{part}: how it sits', '', 3, { fast: 'Fast, pasted', loose: 'Loose or dry' }, {}, byEye),
    look('plug', '{part}: its plug and lead', '', 3, { fast: 'Dry, bright', off: 'Off, wet or green' }, {}, byEye),
  ],
}

/** What protects from heat. `cold`: it has opened. */
export const cutOut: Sort = {
  modes: [
    {
      id: 'tripped',
      name: '{part} has opened: it got too hot',
      does: 'cold',
      share: 0.6,
      shows: { through: { open: 0.94 } },
      repair: repair('Find why; then reset or new, never bridged', 30),
    },
    {
      id: 'early',
      name: '{part} opens too soon',
      does: 'cold',
      share: 0.25,
      shows: { again: { early: 0.9 } },
      complaints: { sometimes: 3 },
      repair: repair('New one of the same figure, seated; never bridged', 30),
    },
  ],
  looks: [
    look('through', 'Through {part}, leads off', '', 3, { closed: 'Closed', open: 'Open, or bridged' }, {}, metered),
    look(
      'again',
      '{part} when it has just gone off: how hot is it where it sits?',
      '',
      6,
      { hot: 'As hot as its print says', early: 'Far below its print' },
      {},
      { ...metered, tools: ['thermometer', 'multimeter'] },
    ),
  ],
}

/** What switches by steam pressure. `low`: pressure stays low; `high`: it heats on. */
export const pressureSwitch: Sort = {
  modes: [
    {
      id: 'low',
      name: '{part} set or drifted low',
      does: 'low',
      share: 0.6,
      shows: {},
      repair: repair('{part} set against a gauge, or new', 25),
    },
    {
      id: 'high',
      name: '{part} drifted high',
      does: 'high',
      share: 0.5,
      shows: {},
      complaints: { over: 4, hisses: 3, 'too-hot': 2 },
      repair: repair('Off at once; set against a gauge, or new', 25),
    },
    {
      id: 'welded',
      name: '{part}: contacts welded, it heats on',
      does: 'high',
      share: 0.5,
      shows: { contacts: { closed: 0.93 } },
      complaints: { over: 6, hisses: 4, 'too-hot': 3 },
      repair: repair('New switch; the safety valve looked at', 30),
    },
    {
      id: 'burnt',
      name: '{part}: contacts burnt',
      does: 'cold',
      share: 0.4,
      shows: { contacts: { burnt: 0.92 } },
      complaints: { burning: 1 },
      repair: repair('New switch', 25),
    },
    {
      id: 'tube',
      name: '{part}: its tube chalked shut',
      does: 'high',
      share: 0.2,
      shows: { tube: { shut: 0.92 } },
      traits: ['chalk'],
      complaints: { over: 5, hisses: 4 },
      repair: repair('Tube cleared, cold and without pressure', 30),
    },
  ],
  looks: [
    look(
      'contacts',
      '{part}: through its contacts, cold at 0 bar, and pressed open by hand',
      '',
      5,
      { right: 'Closed, opens when pressed', closed: 'Stays closed', burnt: 'Never closes, or only now and then' },
      {},
      metered,
    ),
    look('tube', '{part}: its tube off, blown through', '', 15, { free: 'Free', shut: 'Chalked shut' }, {}, opened),
  ],
}

/** What switches the heat. `cold`: it does not close; `on`: it does not open. */
export const relay: Sort = {
  modes: [
    {
      id: 'dead',
      name: '{part} does not close',
      does: 'cold',
      share: 0.6,
      shows: { contacts: { open: 0.92 } },
      repair: repair('New one', 20),
    },
    {
      id: 'terminal',
      name: '{part}: terminal loose or burnt',
      does: 'cold',
      share: 0.35,
      shows: { terminals: { brown: 0.93 } },
      complaints: { burning: 4, sometimes: 2 },
      repair: repair('Terminal and lead new; relay too where it is brown', 25),
    },
    {
      id: 'unfed',
      name: '{part} is not told to close: wire or output',
      does: 'cold',
      share: 0.3,
      shows: { feed: { none: 0.92 } },
      repair: repair('Wire made good; else the board’s output', 30),
    },
    {
      id: 'welded',
      name: '{part} welded: it heats on',
      does: 'on',
      share: 0.5,
      shows: { contacts: { closed: 0.94 } },
      complaints: { 'too-hot': 5, over: 5, hisses: 4 },
      repair: repair('New one; what it burnt on, and the cut-out looked at', 30),
    },
  ],
  looks: [
    look(
      'contacts',
      '{part}: through its contacts, unfed, then pressed or fed from a battery',
      '',
      5,
      { right: 'Open, closes when it is told', open: 'Never closes', closed: 'Closed without being told: welded' },
      {},
      metered,
    ),
    look(
      'terminals',
      '{part}: its terminals and leads',
      '',
      3,
      { bright: 'Bright and tight', brown: 'Brown, loose or burnt' },
      {},
      byEye,
    ),
    look(
      'feed',
      '{part}: voltage at its coil when it should heat',
      '',
      4,
      { there: 'Full voltage', none: 'None' },
      {},
      live,
    ),
  ],
}

/** Where brew water takes its heat. `cold`: it comes cool; `narrow`: little passes; `fills`: it lets water into the boiler. */
export const exchanger: Sort = {
  modes: [
    {
      id: 'chalked',
      name: '{part} chalked',
      does: 'narrow',
      share: 0.5,
      shows: {},
      traits: ['chalk'],
      repair: repair('On the bench: taken out and descaled', 360),
    },
    {
      id: 'perforated',
      name: '{part} eaten through: the boiler fills by it',
      does: 'fills',
      share: 0.35,
      shows: { rise: { rises: 0.92 } },
      repair: repair('On the bench: new exchanger or boiler', 360),
    },
    {
      id: 'stalled',
      name: '{part}: circulation to the group stalled by air or chalk',
      does: 'cold',
      share: 0.5,
      shows: { pipes: { apart: 0.9 } },
      traits: ['airlock'],
      repair: repair('Vented, its restrictor cleared', 40),
    },
  ],
  looks: [
    look(
      'rise',
      'Fill valve shut by its tap or plug, a group run for a minute: does the boiler’s level rise?',
      '',
      4,
      { stays: 'It stays', rises: 'It rises' },
      {},
      { tools: ['torch'], needs: ['hot'], hazard: 'scald' },
    ),
    reading(
      'pipes',
      'Stick-on probes on both pipes of the group, at rest: how far apart?',
      '',
      6,
      { unit: 'K', good: { from: 3, to: 15 } },
      [
        ['alike', 'under 3', 0],
        ['right', '3 to 20', 3],
        ['apart', 'over 20', 20],
      ],
      {},
      { tools: ['two stick-on probes'], needs: ['off', 'open', 'shut-again'], hazard: 'scald' },
    ),
  ],
}
