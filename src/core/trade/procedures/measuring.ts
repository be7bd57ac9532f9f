import type { Procedure } from '../../procedures/procedure.ts'
import { brewing, check, cutOff, drinkable, figure, hands, hotWater, soak } from '../../procedures/step-parts.ts'
import { boilers, plumbed, pumped } from './kinds-by-build.ts'
import { oneWay, read } from './one-way.ts'
import { cooledDown } from './opened.ts'

const drawn = { ...brewing, ...drinkable }

/** Pulses, doses, temperature: as it counts, as it pours. */
export const calibration: Procedure = {
  id: 'calibration',
  version: 2,
  family: 'service',
  name: 'Doses and flow meter measured',
  about: 'Pulses per litre at the flow of coffee, three doses a key, the brew temperature.',
  kinds: ['c2', 'pt', 'sr', 'st', 'sp'],
  once: true,
  writes: [],
  ways: [
    oneWay(
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
        read('water', 'Half a litre run: its weight', 'g', {
          at: ['flow-meter', 'pump'],
          caution: hotWater,
          state: drawn,
        }),
        read('pulses', 'Pulses counted meanwhile', 'pulses', { at: ['flow-meter', 'board'] }),
        read('dose-1', 'First dose of the key', 'ml', {
          at: ['group', 'brew-unit', 'spout'],
          caution: hotWater,
          state: drawn,
        }),
        read('dose-2', 'Second dose of the key', 'ml', {
          at: ['group', 'brew-unit', 'spout'],
          caution: hotWater,
          state: drawn,
        }),
        read('dose-3', 'Third dose of the key', 'ml', {
          at: ['group', 'brew-unit', 'spout'],
          caution: hotWater,
          state: drawn,
        }),
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
          state: drawn,
        }),
      ],
    ),
  ],
}

const gaugeHot = { hazard: 'pressure', say: 'Hot water under nine bar: gauge tight before water on.' } as const

/** A vibratory pump, and a valve that lets the blind basket's pressure out again. */
const reliefInside = ['lv', 'pt', 'dv', 'dg', 'bt']

/** Pressure switch, relief valve, bypass. */
export const pressureSetting: Procedure = {
  id: 'pressure-setting',
  version: 2,
  family: 'service',
  name: 'Pressures measured and set',
  about:
    'Mains, brewing, dead-head and steam read; bypass set while a group brews, an inside relief valve only off and dead.',
  kinds: [...boilers, 'dv', 'dg', 'bt'],
  once: true,
  writes: [],
  ways: [
    oneWay(
      {
        id: 'bypass-outside',
        name: 'bypass outside, nine bar while it brews',
        kinds: plumbed,
        reason:
          'At rest the gauge tells of heating, not of brewing: a rotary pump’s bypass is reached from outside and set while water flows. The safety valve is sealed and never touched.',
        figures: [
          figure('Brewing', '9 bar (8.5 to 9.5)'),
          figure('Set', 'while it brews, from outside'),
          figure('Safety valve', 'sealed, never adjusted'),
        ],
        tools: [{ name: 'Test gauge in a portafilter' }, { name: 'Screwdriver', why: 'for the bypass' }],
      },
      ['c2', 'sp'],
      [
        read('mains', 'Mains, pump running', 'bar', {
          from: 1.5,
          to: 6,
          at: ['mains', 'reducer'],
          measure: 'mains-dynamic',
          state: brewing,
        }),
        read('steam', 'Steam boiler', 'bar', {
          from: 0.9,
          to: 1.5,
          at: ['boiler', 'steam-boiler', 'gauge'],
          measure: 'steam-pressure',
        }),
        read('brewing', 'Pressure while it brews', 'bar', {
          from: 8.5,
          to: 9.5,
          at: ['pump', 'group'],
          measure: 'brew-pressure',
          state: brewing,
          takes: ['blind'],
          caution: gaugeHot,
          besides: [hotWater],
        }),
        check(
          'set',
          'Does it want setting?',
          'Brewing',
          [
            ['right', 'Right', 'pass'],
            [
              'set',
              'Bypass a quarter turn, from outside, while it brews',
              'repeat',
              'brewing',
              'Read it again while it brews.',
            ],
            [
              'inside',
              'Its valve sits inside the case',
              'stop',
              'Then off and dead first: the other way, valve inside.',
            ],
            ['cannot', 'It does not come up', 'stop', 'Bypass screwed in and still low: the pump is worn.'],
          ],
          { at: ['pump', 'relief', 'expansion'], caution: gaugeHot },
        ),
        read('rest', 'Line at rest, heating', 'bar', {
          from: 6,
          to: 12,
          at: ['expansion', 'relief'],
          measure: 'line-rest',
          gives: ['blind'],
        }),
      ],
    ),
    oneWay(
      {
        id: 'relief-inside',
        name: 'relief valve inside, turned off and dead',
        kinds: reliefInside,
        reason:
          'A vibratory pump’s relief valve sits inside the case: plug out, a quarter turn, case shut, and only then read while it runs. No screwdriver in a live machine.',
        figures: [
          figure('Relief, vibratory pump', '9 to 12 bar dead-head', 'M'),
          figure('Set', 'off and dead; read running, shut'),
          figure('Safety valve', 'sealed, never adjusted'),
        ],
        tools: [{ name: 'Test gauge in a portafilter' }, { name: 'Screwdriver' }, { name: 'Appliance tester in date' }],
      },
      reliefInside,
      [
        read('before', 'Dead-head, read with the case shut', 'bar', {
          from: 9,
          to: 12,
          at: ['pump', 'group'],
          state: brewing,
          takes: ['blind'],
          caution: gaugeHot,
        }),
        cutOff('off', 30, { at: ['board'] }),
        ...cooledDown(['board', 'relief']),
        hands('open', 'Case open', 180, {
          at: ['board', 'relief'],
          state: { cover: 'open', pressure: 'none' },
          puts: 'electrical',
          gate: true,
          caution: { hazard: 'mains', say: 'Prove it dead before a hand goes in.' },
        }),
        hands('turn', 'Relief valve a quarter turn', 20, {
          at: ['relief'],
          how: 'In raises it, out lowers it; count the turns.',
        }),
        hands('shut', 'Case shut, plug in, warm up', 240, {
          at: ['board'],
          state: { cover: 'shut', power: 'on', heat: 'hot', pressure: 'up' },
        }),
        read('after', 'Dead-head, read with the case shut', 'bar', {
          from: 9,
          to: 12,
          at: ['pump', 'group'],
          state: brewing,
          caution: gaugeHot,
        }),
        check(
          'right',
          'Is it right?',
          'Dead-head',
          [
            ['right', 'Right', 'pass'],
            ['again', 'Not yet', 'repeat', 'off', 'Off, plug out, another quarter turn.'],
            ['cannot', 'It does not come up', 'stop', 'The pump is worn, or the valve does not shut.'],
          ],
          { at: ['pump', 'relief'], gives: ['blind'] },
        ),
        check(
          'electrical',
          'Electrical test before it is used',
          'Earth, insulation, leakage, by a qualified person with a tester in date',
          [
            ['passed', 'Passed', 'pass'],
            ['later', 'Not now: nobody qualified, or no tester', 'pass', { keeps: true }],
            ['failed', 'Not passed', 'stop', 'It is not switched on again: found and mended first.'],
          ],
          {
            gate: true,
            clears: 'electrical',
            at: ['board'],
            caution: { hazard: 'mains', say: 'Testing belongs to those qualified for it; local rules come first.' },
          },
        ),
      ],
    ),
  ],
}

/** Dry paper under a hot machine. */
export const leakCheck: Procedure = {
  id: 'leak-check',
  version: 2,
  family: 'service',
  name: 'Leak check on dry paper',
  about: 'Ten minutes hot and under pressure, paper underneath: it shows what an eye does not.',
  kinds: pumped,
  once: true,
  writes: [],
  ways: [
    oneWay(
      {
        id: 'ten-minutes-hot',
        name: 'ten minutes, hot, paper underneath',
        reason: 'A weeping joint makes a drop a minute: paper keeps it.',
        figures: [figure('Time', '10 min hot at pressure; 5 for small ones')],
        tools: [{ name: 'Dry paper' }, { name: 'Torch' }],
      },
      pumped,
      [
        hands('paper', 'Dry all, dry paper underneath', 60, { state: { tray: 'in', tank: 'in', cover: 'shut' } }),
        hands('pressure', 'Hot, at pressure, three drinks drawn', 90, { caution: hotWater, state: drawn }),
        soak('wait', 'Leave it alone', 'Paper underneath', 600, {
          state: { power: 'on', heat: 'hot', tray: 'in', tank: 'in' },
        }),
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

/** What a board knows, written down before it goes. */
export const settingsSheet: Procedure = {
  id: 'settings-sheet',
  version: 2,
  family: 'place',
  name: 'Settings written down before a board swap',
  about: 'Counter, doses, temperatures, hardness: a new board knows none of them.',
  kinds: ['c2', 'pt', 'sr', 'st', 'sp', 'pk', 'pl', 'dg', 'bt'],
  once: true,
  writes: [],
  ways: [
    oneWay(
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
        read('counter', 'Counter', 'drinks', { at: ['board'], state: { power: 'on' } }),
        { id: 'menu', say: 'Each page of the menu', act: 'photo', of: 'the menu', handsS: 120, at: ['board'] },
        read('temperature', 'Brew temperature as set', '°C', { at: ['board'] }),
        read('hardness', 'Hardness as set', 'step', { at: ['board'] }),
        cutOff('cold', 30, { say: 'Off, plug out: then the board', at: ['board'] }),
      ],
    ),
  ],
}
