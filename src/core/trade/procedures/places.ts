import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  brewing,
  check,
  cutOff,
  drinkable,
  drinkingWater,
  figure,
  hands,
  hotWater,
  noPressure,
  steam,
  steaming,
  wait,
} from '../../procedures/step-parts.ts'
import { restartTask } from '../../standing/raised-tasks.ts'
import { boilers, plumbed, pumped } from './kinds-by-build.ts'
import { oneWay, read } from './one-way.ts'
import { cooledDown } from './opened.ts'

/** Kilograms and how many carry, by kind. From memory. */
const weights: Record<string, string> = {
  c2: '60 to 80 kg: four people, or a trolley and a lift',
  sp: '40 to 60 kg: three people, or a trolley',
  lv: '20 to 30 kg: two people',
  pt: '20 to 30 kg: two people',
}

const carried: Step = hands('carry', 'Strapped, carried: about 10 kg, one person', 300, {
  as: Object.fromEntries(
    Object.entries(weights).map(([kind, words]) => [kind, { say: `Strapped, carried: ${words}` }]),
  ),
  caution: {
    hazard: 'heavy',
    say: 'Straight backs, feet clear, nobody on the stairs below it.',
    how: 'Its plate or leaflet says what it weighs; the figure here is from memory.',
  },
  mark: 'M',
})

/** The others have a tank alone. */
const tankOnly = pumped.filter((kind) => !plumbed.includes(kind))

const commissioned: Step[] = [
  hands('level', 'Level it, room for hands behind', 120, {
    state: { power: 'dead', heat: 'cold', pressure: 'none' },
    gate: true,
    how: 'Not plugged in yet.',
    caution: { hazard: 'heavy', say: 'Lifted as its weight asks: see its plate.' },
  }),
  hands('supply', 'Supply, reducer, strainer, leak stop', 300, {
    at: ['mains', 'reducer', 'inlet-hose', 'leak-stop'],
    where: ['mains'],
    state: { supply: 'open' },
    how: 'New hose and seals, never the old ones; hand open, look, then full.',
    caution: drinkingWater,
  }),
  check(
    'backflow',
    'Backflow preventer before the machine?',
    'As local rules ask; its direction of flow, its drain free',
    [
      ['there', 'There, right way, drain free', 'pass'],
      [
        'missing',
        'Missing or wrong',
        'stop',
        'It is not connected to drinking water like this: those licensed for it fit one.',
      ],
    ],
    { at: ['backflow', 'mains'], where: ['mains'], gate: true, caution: drinkingWater },
  ),
  check(
    'drain',
    'Drain with an air gap?',
    'The hose ends above the funnel, it does not stand in it',
    [
      ['gap', 'It ends above: two pipe widths and more', 'pass'],
      [
        'none',
        'It stands in the drain',
        'repeat',
        'drain',
        'Shortened or held up: dirty water must not be sucked back.',
      ],
    ],
    { at: ['tray'], where: ['mains'], gate: true, caution: drinkingWater },
  ),
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
    {
      gate: true,
      at: ['board', 'button', 'fuse'],
      handsS: 120,
      caution: {
        hazard: 'mains',
        say: 'Testing and connecting belong to those qualified for it; local rules come first.',
      },
    },
  ),
  hands('fill', 'Plug in; fill it with the heater off', 180, {
    at: ['pump', 'fill-valve', 'boiler', 'steam-boiler', 'tank'],
    state: { power: 'on', tank: 'in', tray: 'in' },
    wrong: 'The pump growls: no water. Off at once.',
  }),
  wait('heat', 'Heater on', 'it is up to its temperature', 1200, {
    at: ['heater', 'boiler', 'thermoblock'],
    state: { power: 'on' },
    mark: 'M',
  }),
  hands('throw', 'First water of every outlet thrown away', 90, {
    state: { ...brewing, pressure: 'up' },
    caution: hotWater,
  }),
  hands('show', 'Show who works with it: purge, wipe, tray', 300, {
    as: {
      pk: { say: 'Show who works with it: bin, tray, water, its lamp' },
      pl: { say: 'Show who works with it: bin, jug, water, its lamps' },
      pd: { say: 'Show who works with it: jug, head, water' },
      sr: { say: 'Show who works with it: unit, grounds, milk, tray' },
      st: { say: 'Show who works with it: grounds, milk, tray' },
      sp: { say: 'Show who works with it: daily clean, milk, grounds' },
    },
  }),
]

/** A machine set up at a place. */
export const commissioning: Procedure = {
  id: 'commissioning',
  version: 3,
  family: 'place',
  name: 'Commissioned at a place',
  about: 'Level, water, treatment, electrics, first heat, first drinks, and the person shown.',
  kinds: pumped,
  once: true,
  writes: [],
  ways: [
    {
      ...oneWay(
        {
          id: 'water-then-heat',
          name: 'water first, then heat',
          reason: 'No element heats before the vessel is full, and no pump runs dry: a minute of dry running ends it.',
          figures: [
            figure('Mains', '2 to 6 bar, reducer at 2.5 to 3'),
            figure('Drain', 'open, with an air gap'),
            figure('Earth', 'tested before use, as local rules ask'),
            figure('First water', 'thrown away'),
          ],
          tools: [
            { name: 'Spirit level' },
            { name: 'Pressure gauge' },
            { name: 'Hardness drops, pen' },
            { name: 'Appliance tester in date' },
          ],
        },
        plumbed,
        commissioned,
      ),
      kinds: plumbed,
    },
    {
      ...oneWay(
        {
          id: 'tank-then-heat',
          name: 'tank first, then heat',
          reason:
            'No element heats before its vessel is full, and no pump runs dry: water is drawn before it warms up.',
          figures: [
            figure('Tank', 'rinsed, filled fresh; its filter in and flushed, if it has one'),
            figure('Earth', 'tested before use, as local rules ask'),
            figure('First water', 'thrown away'),
          ],
          tools: [{ name: 'Hardness drops' }, { name: 'Appliance tester in date' }],
        },
        tankOnly,
        commissioned,
      ),
      kinds: tankOnly,
    },
  ],
}

/** Cooled, emptied, strapped. */
export const moving: Procedure = {
  id: 'moving',
  version: 2,
  family: 'place',
  name: 'Moved to another place',
  about: 'Cold, empty, its water off, its loose parts packed by name.',
  kinds: pumped,
  once: true,
  writes: [],
  ways: [
    oneWay(
      {
        id: 'cold-and-empty',
        name: 'cold and empty',
        reason: 'A full boiler is heavy and scalds; a tank or tray that is left in spills into the board.',
        figures: [
          figure('Before', 'cold, pressure 0, emptied'),
          figure('Carried', 'by as many as its weight asks: see its plate', 'M'),
        ],
        tools: [
          { name: 'Strap' },
          { name: 'Blanket' },
          { name: 'Bucket' },
          { name: 'Trolley', why: 'for a bar machine' },
        ],
      },
      pumped,
      [
        cutOff('off', 60, {
          at: ['board', 'button', 'fuse'],
          say: 'Off, cut off from the mains',
          how: 'Wired in: an electrician disconnects it; isolator off, locked, proved dead.',
        }),
        ...cooledDown(),
        noPressure('zero', ['breather', 'steam-valve'], { only: boilers }),
        hands('water-off', 'Water shut, hose off, drain off', 120, {
          at: ['mains', 'inlet-hose', 'tray'],
          where: ['mains'],
          state: { supply: 'shut' },
          caution: {
            hazard: 'pressure',
            say: 'Tap shut, pressure let out at the hot-water tap before the hose comes off.',
          },
        }),
        hands('empty', 'Boilers, tank and tray emptied', 300, {
          at: ['boiler', 'steam-boiler', 'tank', 'tray'],
          state: { boiler: 'empty', tank: 'out', tray: 'out' },
          caution: { hazard: 'scald', say: 'Only cold: what runs out of a warm boiler scalds.' },
        }),
        hands('loose', 'Portafilters, trays, hopper packed by name', 120),
        carried,
      ],
    ),
  ],
}

/** Put away for weeks, or for a winter. */
export const standstill: Procedure = {
  id: 'standstill',
  version: 2,
  family: 'place',
  name: 'Put away for weeks or a winter',
  about: 'Emptied against frost, cleaned against slime, left open to dry.',
  kinds: pumped,
  once: true,
  writes: [],
  ways: [
    oneWay(
      {
        id: 'drained-and-open',
        name: 'drained and left open',
        reason:
          'Water that stands grows slime and bursts what freezes; open lids keep mould away, and what is locked in presses its gasket flat.',
        figures: [
          figure('From', '3 weeks standing, or frost'),
          figure('Back again', 'two vessel volumes flushed, filter new'),
        ],
        tools: [{ name: 'Bucket' }, { name: 'Cloth' }],
      },
      pumped,
      [
        hands('clean', 'Cleaned as for a day’s end', 300, { state: { ...brewing } }),
        cutOff('off', 30, { at: ['board', 'button', 'fuse'] }),
        ...cooledDown(),
        noPressure('zero', ['breather', 'steam-valve'], { only: boilers }),
        hands('drain', 'Boilers, pump and hoses drained', 420, {
          at: ['boiler', 'steam-boiler', 'brew-boiler', 'pump', 'thermoblock', 'heater', 'softener'],
          state: { boiler: 'empty', supply: 'shut', tank: 'out' },
          caution: { hazard: 'scald', say: 'Only cold.' },
        }),
        hands('filter', 'Filter or cartridge out, thrown away', 30, { at: ['tank', 'softener'] }),
        hands('open', 'Tray, tank, hopper clean, dry and open; nothing locked in', 120, {
          at: ['tray', 'tank', 'hopper', 'group'],
          state: { tray: 'out' },
        }),
        hands('label', 'A label on it: empty, do not switch on', 20),
      ],
    ),
  ],
}

/** Set going again after weeks, or a frost. */
export const returned: Procedure = {
  id: 'return-from-standstill',
  version: 1,
  family: 'place',
  name: 'Set going after standing, or after frost',
  about: 'Looked at for burst and mould, filled cold, flushed, its seals and safety tried before anybody drinks.',
  kinds: pumped,
  writes: [{ entry: 'cleaned', task: restartTask, by: ['stood', 'flush', 'tight'] }],
  ways: [
    oneWay(
      {
        id: 'filled-cold-then-flushed',
        name: 'filled cold, then flushed',
        reason:
          'Frost bursts pipes that show it only under water: filled cold and watched first; what stood in it is flushed out before heat sets it.',
        figures: [
          figure('Flush', 'two vessel volumes, each outlet'),
          figure('New', 'tank filter or cartridge'),
          figure('Watched', '10 min cold, then 10 min hot'),
        ],
        tools: [{ name: 'Torch' }, { name: 'Dry paper' }, { name: 'Bucket' }],
        materials: [{ name: 'Tank filter or cartridge' }],
      },
      pumped,
      [
        hands('look', 'Look it through: cracks, mould, mice, hoses', 120, {
          state: { power: 'dead', heat: 'cold', pressure: 'none', boiler: 'empty' },
          gate: true,
          how: 'Plug out. A hose that cracks when it is bent is changed.',
        }),
        check(
          'frost',
          'Did it stand in the frost with water in it?',
          'Where it stood, and whether it was drained',
          [
            ['no', 'No: drained, or no frost', 'pass'],
            ['yes', 'Yes, or nobody knows: filled cold and watched', 'pass'],
            ['burst', 'Something is burst', 'stop', 'It is not filled: mended first, on the bench.'],
          ],
          { gate: true, at: ['boiler', 'thermoblock', 'heater', 'pump'] },
        ),
        hands('filter', 'New filter or cartridge, tank washed', 90, {
          at: ['tank', 'softener'],
          state: { tank: 'in', tray: 'in' },
        }),
        hands('fill', 'Paper below; plug in, fill it, heater off', 180, {
          at: ['pump', 'fill-valve', 'boiler', 'steam-boiler'],
          state: { power: 'on', boiler: 'full', supply: 'open' },
          wrong: 'Water below, or the pump growls: off at once.',
        }),
        wait('watch', 'Cold, under water: watch it', 'ten minutes are over and the paper is dry', 600, {
          at: ['boiler', 'pump'],
          state: { power: 'on' },
        }),
        hands('flush', 'Two vessel volumes through each outlet', 180, {
          at: ['group', 'wand', 'hot-water', 'spout', 'head'],
          state: { power: 'on', tray: 'in', tank: 'in' },
          how: 'What stood in it goes away before heat sets it.',
        }),
        check(
          'stood',
          'Did it stand for more than four weeks?',
          'Water that stood so long is not only flushed',
          [
            ['no', 'No: the flush is enough', 'pass'],
            ['yes', 'Yes: tank and lines sanitised by its label, two fillings through, no smell', 'pass'],
            ['later', 'Yes, and it is not sanitised', 'stop', 'Nobody drinks from it: washed and sanitised first.'],
          ],
          {
            at: ['tank', 'boiler', 'pump'],
            gate: true,
            handsS: 30,
            caution: { hazard: 'acid', say: 'Sanitiser never together with descaler or vinegar: poisonous gas.' },
          },
        ),
        wait('heat', 'Heater on', 'it is up to its temperature', 1200, {
          at: ['heater', 'boiler', 'thermoblock'],
          state: { power: 'on' },
          mark: 'M',
        }),
        check(
          'tight',
          'Hot: dry paper, each outlet, safety looked at',
          'How is it?',
          [
            ['good', 'Dry, each outlet runs', 'pass'],
            ['weeps', 'A seal weeps: it dried out', 'stop', 'The seal is changed before it is used.'],
          ],
          { at: ['group', 'wand', 'breather'], state: { ...steaming, pressure: 'up' }, gate: true, caution: steam },
        ),
        hands('taste', 'First drinks thrown away', 90, { state: { ...brewing, ...drinkable }, caution: hotWater }),
      ],
    ),
  ],
}
