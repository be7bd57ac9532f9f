import type { Procedure, School } from '../procedure.ts'
import type { Step } from '../step.ts'
import { check, figure, hands, hotWater, soak, unplugged, wait } from '../step-parts.ts'

const pumped = ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd']

const one = (
  given: Omit<School, 'parts' | 'usualFor' | 'materials'> & { materials?: School['materials'] },
  usualFor: string[],
  steps: Step[],
  each?: 'group',
): School => ({
  materials: [],
  ...given,
  usualFor,
  parts: [{ id: 'run', name: given.name, ...(each && { each }), steps }],
})
const read = (id: string, say: string, unit: string, more: Partial<Step> = {}): Step =>
  ({ id, say, act: 'measure', ask: say, unit, handsS: 30, ...more }) as Step

/** Pulses, doses, temperature: as it counts, as it pours. */
export const calibration: Procedure = {
  id: 'calibration',
  version: 1,
  family: 'service',
  name: 'Doses and flow meter measured',
  about: 'Pulses per litre at the flow of coffee, three doses a key, the brew temperature.',
  kinds: ['c2', 'pt', 'sr', 'st', 'sp'],
  writes: [],
  schools: [
    one(
      {
        id: 'measured-at-coffee-flow',
        name: 'measured at the flow of coffee',
        reason:
          'A small meter reads five to twelve per cent low at two millilitres a second: measured at full flow every dose comes out wrong.',
        figures: [
          figure('Flow meter', '500 ml by weight; again at 2 ml/s', 'M'),
          figure('Doses', '3 a key, within 5 % or 2 ml', 'M'),
          figure('Temperature', 'in the stream, machine warm'),
        ],
        tools: [{ name: 'Scale' }, { name: 'Jug, 1 L' }, { name: 'Thermocouple' }],
      },
      ['c2', 'pt', 'sr', 'st', 'sp'],
      [
        check('warm', 'Is it warm through?', 'Since when is it on?', [
          ['warm', 'Half an hour and more', 'pass'],
          ['cold', 'Less', 'stop', 'Cold it measures wrong: come back when it is warm.'],
        ]),
        read('water', 'Half a litre run: its weight', 'g', { at: ['flow-meter', 'pump'], caution: hotWater }),
        read('pulses', 'Pulses counted meanwhile', 'pulses', { at: ['flow-meter', 'board'] }),
        read('dose-1', 'First dose of the key', 'ml', { at: ['group', 'brew-unit', 'spout'], caution: hotWater }),
        read('dose-2', 'Second dose of the key', 'ml', { at: ['group', 'brew-unit', 'spout'], caution: hotWater }),
        read('dose-3', 'Third dose of the key', 'ml', { at: ['group', 'brew-unit', 'spout'], caution: hotWater }),
        check('agree', 'Do the three agree?', 'Within 5 % or 2 ml', [
          ['agree', 'They do, and it is what is wanted', 'pass'],
          ['set', 'Alike, but another dose is wanted', 'repeat', 'dose-1', 'Set the key, then three more.'],
          ['scatter', 'They scatter', 'stop', 'The meter or the grind, not the key.'],
        ]),
        read('temperature', 'Water in the stream', '°C', {
          from: 86,
          to: 95,
          at: ['group', 'spout'],
          caution: hotWater,
        }),
      ],
    ),
  ],
}

/** Pressure switch, relief valve, bypass. */
export const pressureSetting: Procedure = {
  id: 'pressure-setting',
  version: 1,
  family: 'service',
  name: 'Pressures measured and set',
  about: 'Mains, brewing, dead-head and steam read; bypass or relief set while one group brews.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  writes: [],
  schools: [
    one(
      {
        id: 'nine-while-brewing',
        name: 'nine bar while it brews',
        reason:
          'At rest the gauge tells of heating, not of brewing: it is set while water flows. The safety valve is sealed and never touched.',
        figures: [
          figure('Brewing', '9 bar (8.5 to 9.5)'),
          figure('Relief, vibratory pump', '9 to 12 bar dead-head', 'M'),
          figure('Safety valve', 'sealed, never adjusted'),
        ],
        tools: [{ name: 'Test gauge in a portafilter' }, { name: 'Screwdriver', why: 'for bypass or relief' }],
      },
      ['c2', 'lv', 'pt', 'sp'],
      [
        read('mains', 'Mains, pump running', 'bar', { from: 1.5, to: 6, at: ['mains', 'reducer'] }),
        read('steam', 'Steam boiler', 'bar', { from: 0.9, to: 1.5, at: ['boiler', 'steam-boiler', 'gauge'] }),
        read('brewing', 'Pressure while it brews', 'bar', {
          from: 8,
          to: 10,
          at: ['pump', 'group'],
          caution: hotWater,
        }),
        check(
          'set',
          'Does it want setting?',
          'Brewing',
          [
            ['right', 'Right', 'pass'],
            ['set', 'Set bypass or relief a quarter turn', 'repeat', 'brewing', 'Read it again while it brews.'],
            ['cannot', 'It does not come up', 'stop', 'Bypass screwed in and still low: the pump is worn.'],
          ],
          {
            at: ['pump', 'relief', 'expansion'],
            caution: { hazard: 'pressure', say: 'Hot water under nine bar: gauge tight before water on.' },
          },
        ),
        read('rest', 'Line at rest, heating', 'bar', { from: 6, to: 12, at: ['expansion', 'relief'] }),
      ],
    ),
  ],
}

/** Dry paper under a hot machine. */
export const leakCheck: Procedure = {
  id: 'leak-check',
  version: 1,
  family: 'service',
  name: 'Leak check on dry paper',
  about: 'Ten minutes hot and under pressure, paper underneath: it shows what an eye does not.',
  kinds: pumped,
  writes: [],
  schools: [
    one(
      {
        id: 'ten-minutes-hot',
        name: 'ten minutes, hot, paper underneath',
        reason: 'A weeping joint makes a drop a minute: paper keeps it.',
        figures: [figure('Time', '10 min hot at pressure; 5 for small ones')],
        tools: [{ name: 'Dry paper' }, { name: 'Torch' }],
      },
      pumped,
      [
        hands('paper', 'Dry all, dry paper underneath', 60),
        hands('pressure', 'Hot, at pressure, three drinks drawn', 90, { caution: hotWater }),
        soak('wait', 'Leave it alone', 'Paper underneath', 600),
        check(
          'paper-dry',
          'Look at the paper',
          'What shows?',
          [
            ['dry', 'Dry', 'pass'],
            ['spot', 'A spot: found and cured', 'repeat', 'paper', 'Dry paper, and once more.'],
            ['leak', 'A spot whose source is not found', 'stop', 'It leaks: not closed like this.'],
          ],
          { gate: true },
        ),
      ],
    ),
  ],
}

/** A machine set up at a place. */
export const commissioning: Procedure = {
  id: 'commissioning',
  version: 1,
  family: 'place',
  name: 'Commissioned at a place',
  about: 'Level, water, treatment, electrics, first heat, first drinks, and the person shown.',
  kinds: pumped,
  writes: [],
  schools: [
    one(
      {
        id: 'water-then-heat',
        name: 'water first, then heat',
        reason: 'No element heats before the vessel is full, and no pump runs dry: a minute of dry running ends it.',
        figures: [
          figure('Mains', '2 to 6 bar, reducer at 2.5 to 3'),
          figure('Earth', 'tested before use, as local rules ask'),
          figure('First water', 'thrown away'),
        ],
        tools: [
          { name: 'Spirit level' },
          { name: 'Pressure gauge' },
          { name: 'Hardness drops, pen' },
          { name: 'Appliance tester' },
        ],
      },
      pumped,
      [
        hands('level', 'Level it, room for hands behind', 120),
        hands('supply', 'Supply, reducer, backflow preventer, leak stop as local rules ask', 300, {
          at: ['mains', 'reducer', 'backflow', 'inlet-hose', 'leak-stop'],
          caution: { hazard: 'mains', say: 'Mains and drinking water: those licensed for them.' },
        }),
        read('hardness', 'Hardness at the tap', '°dH', { at: ['mains', 'tank'] }),
        hands('treatment', 'Treatment set for it, flushed', 180, { at: ['softener', 'tank'] }),
        check(
          'earth',
          'Earth and insulation',
          'The tester says',
          [
            ['pass', 'Passed', 'pass'],
            ['fail', 'Not passed', 'stop', 'It is not switched on.'],
          ],
          { gate: true, at: ['board'], caution: unplugged },
        ),
        hands('fill', 'Fill it with the heater off', 180, {
          at: ['pump', 'fill-valve', 'boiler', 'steam-boiler', 'tank'],
          wrong: 'The pump growls: no water. Off at once.',
        }),
        wait('heat', 'Heater on', 'it is up to its pressure', 1200, {
          at: ['heater', 'boiler', 'thermoblock'],
          mark: 'M',
        }),
        hands('throw', 'First water of every outlet thrown away', 90, { caution: hotWater }),
        hands('show', 'Show who works with it: purge, wipe, tray', 300),
      ],
    ),
  ],
}

/** Cooled, emptied, strapped. */
export const moving: Procedure = {
  id: 'moving',
  version: 1,
  family: 'place',
  name: 'Moved to another place',
  about: 'Cold, empty, its water off, its loose parts packed by name.',
  kinds: pumped,
  writes: [],
  schools: [
    one(
      {
        id: 'cold-and-empty',
        name: 'cold and empty',
        reason: 'A full boiler is heavy and scalds; a tank or tray that is left in spills into the board.',
        figures: [figure('Before', 'cold, pressure 0, emptied')],
        tools: [{ name: 'Strap' }, { name: 'Blanket' }, { name: 'Bucket' }],
      },
      pumped,
      [
        hands('cold', 'Off, unplugged, cold, pressure 0', 60, { gate: true, caution: unplugged }),
        hands('water-off', 'Water shut, hose off, drain off', 120, { at: ['mains', 'inlet-hose', 'tray'] }),
        hands('empty', 'Boilers, tank and tray emptied', 300, { at: ['boiler', 'steam-boiler', 'tank', 'tray'] }),
        hands('loose', 'Portafilters, trays, hopper packed by name', 120),
        hands('carry', 'Strapped, carried by two', 300, {
          caution: { hazard: 'parts', say: 'Heavy: two people, straight backs, feet clear.' },
        }),
      ],
    ),
  ],
}

/** Put away for weeks, or for a winter. */
export const standstill: Procedure = {
  id: 'standstill',
  version: 1,
  family: 'place',
  name: 'Put away for weeks or a winter',
  about: 'Emptied against frost, cleaned against slime, left open to dry.',
  kinds: pumped,
  writes: [],
  schools: [
    one(
      {
        id: 'drained-and-open',
        name: 'drained and left open',
        reason:
          'Water that stands grows slime and bursts what freezes; seals dry less when lids are off and nothing is locked in.',
        figures: [
          figure('From', '3 weeks standing, or frost'),
          figure('Back again', 'two vessel volumes flushed, filter new'),
        ],
        tools: [{ name: 'Bucket' }, { name: 'Cloth' }],
      },
      pumped,
      [
        hands('clean', 'Cleaned as for a day’s end', 300),
        hands('cold', 'Off, unplugged, cold', 30, { gate: true, caution: unplugged }),
        hands('drain', 'Boilers, pump and hoses drained', 420, {
          at: ['boiler', 'steam-boiler', 'brew-boiler', 'pump', 'thermoblock', 'heater', 'softener'],
        }),
        hands('filter', 'Filter or cartridge out, thrown away', 30, { at: ['tank', 'softener'] }),
        hands('open', 'Tray, tank, hopper clean, dry and open; nothing locked in', 120, {
          at: ['tray', 'tank', 'hopper', 'group'],
        }),
        hands('label', 'A label on it: empty, do not switch on', 20),
      ],
    ),
  ],
}

/** What a board knows, written down before it goes. */
export const settingsSheet: Procedure = {
  id: 'settings-sheet',
  version: 1,
  family: 'place',
  name: 'Settings written down before a board swap',
  about: 'Counter, doses, temperatures, hardness: a new board knows none of them.',
  kinds: ['c2', 'pt', 'sr', 'st', 'sp', 'pk', 'pl', 'dg', 'bt'],
  writes: [],
  schools: [
    one(
      {
        id: 'photographed-and-read',
        name: 'read and photographed',
        reason:
          'The counter is lost with the board: read before, it goes on by reckoning; each page of the menu is a photo.',
        figures: [figure('Read', 'counter, doses, temperatures, hardness, times')],
        tools: [{ name: 'Camera' }],
      },
      ['c2', 'pt', 'sr', 'st', 'sp', 'pk', 'pl', 'dg', 'bt'],
      [
        read('counter', 'Counter', 'drinks', { at: ['board'] }),
        { id: 'menu', say: 'Each page of the menu', act: 'photo', of: 'the menu', handsS: 120, at: ['board'] },
        read('temperature', 'Brew temperature as set', '°C', { at: ['board'] }),
        read('hardness', 'Hardness as set', 'step', { at: ['board'] }),
        hands('cold', 'Off, unplugged: then the board', 30, { gate: true, caution: unplugged, at: ['board'] }),
      ],
    ),
  ],
}

/** Every use: the wand, as it is taught. */
export const wandEveryUse: Procedure = {
  id: 'wand-every-use',
  version: 1,
  family: 'steam',
  name: 'Wand after every use',
  about: 'Purged and wiped at once, each time: to be shown, and to be shown again.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt'],
  writes: [],
  schools: [
    one(
      {
        id: 'purge-then-wipe',
        name: 'purged first, then wiped',
        reason:
          'Closing the tap draws milk up: two seconds of steam blow it out before it dries, and the cloth is warm from it.',
        figures: [figure('Purge', '2 s at least'), figure('Wipe', 'all round, the back too')],
        tools: [{ name: 'Damp cloth, only for the wand' }],
      },
      ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt'],
      [
        hands('close', 'Milk done: close the tap', 3, { at: ['steam-valve', 'steam-knob'] }),
        hands('purge', 'Purge at once, two seconds', 3, {
          at: ['wand'],
          caution: { hazard: 'scald', say: 'Tip into cloth or tray: steam burns before it is seen.' },
        }),
        hands('wipe', 'Wipe it, the back too', 5, { at: ['wand'] }),
        check(
          'bare',
          'Bare metal all round?',
          'The wand',
          [
            ['bare', 'Bare', 'pass'],
            ['skin', 'A skin', 'repeat', 'purge', 'Plain water steamed until warm softens it: purge and wipe again.'],
          ],
          { at: ['wand'] },
        ),
      ],
    ),
    one(
      {
        id: 'purge-before-and-after',
        name: 'purged before as well',
        reason: 'In a busy bar the wand is purged before the milk too: what condensed in it does not thin the milk.',
        figures: [figure('Purge', 'before, and 2 s after'), figure('Wipe', 'all round, the back too')],
        tools: [{ name: 'Damp cloth, only for the wand' }],
      },
      [],
      [
        hands('before', 'Purge before the milk', 3, {
          at: ['wand'],
          caution: { hazard: 'scald', say: 'Tip into cloth or tray: steam burns before it is seen.' },
        }),
        hands('close', 'Milk done: close the tap', 3, { at: ['steam-valve', 'steam-knob'] }),
        hands('wipe', 'Wipe it, the back too', 5, { at: ['wand'] }),
        hands('purge', 'Purge, two seconds', 3, {
          at: ['wand'],
          caution: { hazard: 'scald', say: 'Tip into cloth or tray.' },
        }),
      ],
    ),
  ],
}
