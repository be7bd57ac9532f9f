import { look, reading } from '../../../faults/build.ts'
import type { MachineState, Test } from '../../../faults/fault.ts'

const inside: { tools: string[]; needs: MachineState[]; hazard: 'mains' } = {
  tools: ['T10, cross-head'],
  needs: ['off', 'open'],
  hazard: 'mains',
}
const metered: typeof inside = { ...inside, tools: ['multimeter'] }
const ledOut: { tools: string[]; needs: MachineState[]; hazard: 'scald' } = {
  tools: ['jug', 'piece of hose'],
  needs: ['off', 'open', 'shut-again'],
  hazard: 'scald',
}
const ranShut = 'It runs shut; it is looked at dead.'
const live: { tools: string[]; needs: MachineState[]; hazard: 'live'; gate: 'live' } = {
  tools: ['multimeter'],
  needs: ['open'],
  hazard: 'live',
  gate: 'live',
}
const lifeless = (outcome: string) => ({ 'board-dead': { [outcome]: 0.85 } })
const noSteam = Object.fromEntries(['containers', 'door-switch', 'tank-out', 'airlock', 'pump-dead', 'valve-stuck', 'board-dead'].map((fault) => [fault, { spits: 0.75 }]))

/** What is looked at with parts out or the case open. */
export const srOpenedTests: Test[] = [
  look('hopper', 'Look into the hopper', 'hopper', 0.5, { fall: 'Beans fall', hang: 'Beans hang, oily walls' }, { 'beans-oily': { hang: 0.9 }, 'chute-clogged': { hang: 0.2 } }, { tools: ['torch'] }),
  look(
    'puck',
    'Look at the last pucks',
    'brew-unit',
    1,
    { firm: 'Firm, moist', wet: 'Wet, falling apart', none: 'None, or crumbs', small: 'Thin' },
    {
      'unit-ring': { wet: 0.65 },
      'valve-stuck': { wet: 0.6 },
      'unit-screen': { wet: 0.2 },
      'nozzle-seals': { wet: 0.15 },
      'grinder-jam': { none: 0.85 },
      'contacts-off': { none: 0.85 },
      'chute-clogged': { none: 0.4, small: 0.4 },
      'beans-oily': { small: 0.6, none: 0.2 },
      'drive-nut': { none: 0.4 },
    },
  ),
  look('nozzle', 'Unit out: look at the inlet nozzle’s two seals', 'nozzle', 2, { whole: 'Both whole', gone: 'Cracked, flat or missing' }, { 'nozzle-seals': { gone: 0.92 } }, { tools: ['torch'] }),
  look('ring', 'Unit out: look at the piston ring and its wall', 'brew-unit', 3, { whole: 'Whole, greased', worn: 'Worn or torn' }, { 'unit-ring': { worn: 0.9 }, 'unit-dry': { worn: 0.15 } }, { tools: ['torch'] }),
  look('screen', 'Unit out: water through its screen', 'brew-unit', 2, { runs: 'Runs through', stands: 'Stands' }, { 'unit-screen': { stands: 0.93 } }),
  look('unit-by-hand', 'Turn the unit’s works by hand', 'brew-unit', 2, { easy: 'Goes easily', stiff: 'Stiff, squeaks' }, { 'unit-dry': { stiff: 0.93 } }, { by: 'hand' }),
  look(
    'drive',
    'Start it without the unit, door switch held: does the drive turn and stop?',
    'drive',
    3,
    { right: 'Turns and stops home', slips: 'Turns unevenly, cracks', lost: 'Does not stop, or not at home', stands: 'Does not turn' },
    { 'drive-nut': { slips: 0.88 }, 'position-switch': { lost: 0.9 } },
    { hazard: 'moving', by: 'hand' },
  ),
  look('switch', 'Press the door and tray switches by hand', 'door', 2, { click: 'They click, it answers', dead: 'No click, or no answer' }, { 'door-switch': { dead: 0.92 } }, { hazard: 'moving', by: 'hand' }),
  look(
    'foam',
    'Froth cold milk',
    'frother',
    2,
    { fine: 'Fine and hot', coarse: 'Coarse or none', spits: 'Spits, draws no milk' },
    { 'air-jet': { coarse: 0.9 }, 'frother-rings': { spits: 0.7, coarse: 0.2 }, 'steam-valve': { spits: 0.7 }, 'heater-open': { spits: 0.6 }, 'block-chalked': { spits: 0.2 }, 'filter-blocked': { spits: 0.55 }, ...noSteam },
    { tools: ['milk'], needs: ['hot'], hazard: 'scald' },
  ),
  look('jet', 'Air inlet against the light', 'air-jet', 1, { clear: 'Clear', blocked: 'Blocked' }, { 'air-jet': { blocked: 0.93 } }, { tools: ['pin'] }),
  look('rings', 'Frother apart: look at its rings', 'frother', 3, { whole: 'Whole', worn: 'Worn or torn' }, { 'frother-rings': { worn: 0.92 } }),
  look('below', 'Look below with a torch', 'tray', 1, { dry: 'Dry', wet: 'Wet outside the tray' }, { 'hose-leaks': { wet: 0.85 } }, { tools: ['torch'] }),
  look('leaks-inside', 'Dry paper laid inside, case shut, one coffee; plug out, open: where is it wet?', 'thermoblock', 6, { dry: 'Dry', wet: 'A joint is wet' }, { 'hose-leaks': { wet: 0.94 } }, { tools: ['paper', 'torch'], needs: ['off', 'open', 'shut-again'], hazard: 'scald', how: ranShut }),
  look(
    'outlet-hose',
    'Test hose on after the thermoblock, led out; case shut, 10 s into a jug',
    'thermoblock',
    8,
    { stream: 'A good stream', little: 'A thread or drops' },
    { ...lifeless('little'), 'block-chalked': { little: 0.9 }, 'pump-weak': { little: 0.25 }, 'pump-dead': { little: 0.97 }, airlock: { little: 0.9 }, 'filter-blocked': { little: 0.8 }, 'tank-out': { little: 0.9 } },
    ledOut,
  ),
  look(
    'pump-hose',
    'Test hose on after the pump, led out; case shut, 10 s into a jug',
    'pump',
    6,
    { stream: 'A good stream', little: 'A thread or drops' },
    { ...lifeless('little'), 'pump-weak': { little: 0.85 }, 'pump-dead': { little: 0.97 }, airlock: { little: 0.9 }, 'filter-blocked': { little: 0.8 }, 'tank-out': { little: 0.9 } },
    ledOut,
  ),
  look('meter-pulses', 'Blow through the meter, watch its pulses', 'flow-meter', 5, { counts: 'It counts', stands: 'It stands', few: 'Counts now and then' }, { 'meter-stands': { stands: 0.93 }, 'meter-counts-wrong': { few: 0.85 } }, live),
  reading(
    'element',
    'Resistance of the heater through its fuse',
    'thermoblock',
    5,
    { unit: 'Ω', good: { from: 38, to: 45 } },
    [
      ['low', 'under 34', 0],
      ['right', '34 to 50', 34],
      ['open', 'over 50, or open', 50],
    ],
    { 'heater-open': { open: 0.96 } },
    metered,
  ),
  reading(
    'sensor',
    'Resistance of the sensor, cold',
    'thermoblock',
    4,
    { unit: 'kΩ', good: { from: 95, to: 130 } },
    [
      ['low', 'under 85', 0],
      ['right', '85 to 145', 85],
      ['high', 'over 145', 145],
    ],
    { 'sensor-low': { low: 0.9 } },
    metered,
  ),
  look('contacts', 'Spring contacts: do they touch their tabs?', 'contacts', 4, { touch: 'They touch', off: 'Off, bent or burnt' }, { 'contacts-off': { off: 0.94 } }, inside),
  look('chute', 'Brush through the chute: does it show at the far end?', 'burrs', 6, { through: 'Through', packed: 'Packed, or chute cracked' }, { 'chute-clogged': { packed: 0.95 } }, { ...inside, by: 'hand' }),
  look('burrs', 'Burrs out: edges, cracks, stones', 'burrs', 25, { sharp: 'Sharp, clear', blunt: 'Blunt', stone: 'A stone or bean' }, { 'burrs-worn': { blunt: 0.9 }, 'grinder-jam': { stone: 0.92 } }, inside),
  look('valve', 'Multi-way valve: hose to the tray led into a cup, case shut, one coffee', 'drain-valve', 6, { dry: 'Dry until the end', runs: 'Runs during the brew', never: 'Never moves' }, { 'valve-leaks': { runs: 0.93 }, 'valve-stuck': { never: 0.92 } }, ledOut),
  look('steam-valve', 'Steam valve: its hose led into a jug, case shut, then steam', 'steam-valve', 6, { opens: 'Opens and shuts', fails: 'Shut, or leaks' }, { 'steam-valve': { fails: 0.93 } }, ledOut),
  look('fuse-mains', 'Socket, lead, fuse', 'board', 3, { live: 'All live', off: 'Dead at the socket or lead' }, { 'board-dead': { off: 0.3 } }),
]
