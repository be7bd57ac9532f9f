import { check, drinkingWater, steam } from '../../../procedures/step-parts.ts'
import { plumbed, pumped } from '../kinds-by-build.ts'
import { type Job, yearly } from './job.ts'

const pressureSteam = {
  hazard: 'pressure',
  say: 'A safety valve blows steam: stand clear of its outlet, never hold it.',
  how: 'It is sealed: never adjusted, never plugged. Local rules on pressure vessels come first.',
} as const

export const safety: Job = {
  id: 'safety-look',
  name: 'Safety valve, vacuum breaker, cut-outs looked at',
  about:
    'What guards the boiler: looked at running, from outside; a breaker that hangs, a valve that weeps is changed.',
  kinds: plumbed,
  writes: [{ entry: 'checked', task: 'safety-look', by: ['breaker', 'valve', 'cut-out'] }],
  way: 'looked-at-running',
  wayName: 'looked at and heard, running',
  reason:
    'A breaker that sticks shut lets milk be sucked up, one that sticks open steams away; a valve that weeps is not trusted again.',
  every: { words: 'every six to twelve months', days: 365, mark: 'T' },
  figures: [
    ['Vacuum breaker', 'shuts by itself as it heats, opens as it cools'],
    ['Safety valve', 'dry, sealed, in date; new after any weep'],
  ],
  tools: [{ name: 'Torch' }, { name: 'Mirror' }],
  materials: [{ name: 'Vacuum breaker, safety valve of its pressure', why: 'where one is changed' }],
  steps: [
    check(
      'breaker',
      'Vacuum breaker, heard and seen while it heats',
      'From cold to pressure',
      [
        ['shuts', 'Hisses, then shuts tight', 'pass'],
        ['blows', 'Blows on, or never opens when it cools', 'pass', { fits: ['vacuum-breaker'] }],
        ['later', 'Not right: no new one here', 'stop', 'It is not used with milk until the breaker is new.'],
      ],
      {
        at: ['breather'],
        handsS: 60,
        how: 'A new one is fitted cold, cut off and without pressure: its own job, on a strip-down sheet.',
        state: { power: 'on' },
        caution: steam,
      },
    ),
    check(
      'valve',
      'Safety valve, from outside',
      'Seal, outlet, date',
      [
        ['dry', 'Dry, sealed, outlet free', 'pass'],
        [
          'weeps',
          'It weeps, or the seal is broken',
          'stop',
          'It is changed for one of the same pressure, or the machine stands.',
        ],
      ],
      { at: ['breather'], handsS: 40, caution: pressureSteam },
    ),
    check(
      'cut-out',
      'Over-temperature cut-outs: has one been bridged?',
      'From outside, and what the record says',
      [
        ['no', 'None bridged, none tripped', 'pass'],
        ['tripped', 'One has tripped', 'stop', 'Why it tripped is found before it is reset.'],
        ['bridged', 'One is bridged', 'stop', 'Cut off at once: it is not used like this.'],
      ],
      {
        at: ['heater', 'board'],
        handsS: 30,
        caution: { hazard: 'mains', say: 'Looked at from outside; the case stays shut.' },
      },
    ),
  ],
}

export const electrical: Job = {
  id: 'electrical-test',
  name: 'Electrical safety test',
  about: 'Looked at, earth, insulation, leakage with the tester; by whoever is qualified, as local rules ask.',
  kinds: [...pumped, 'gr'],
  writes: [{ entry: 'checked', task: 'electrical-test', by: ['earth', 'insulation', 'leakage'] }],
  way: 'look-then-measure',
  wayName: 'looked at first, then measured',
  reason:
    'Most of what is dangerous is seen: plug, lead, strain relief, case. Then the tester, with its calibration in date.',
  every: yearly,
  figures: [
    ['Earth', '0.3 Ω at most, 0.1 Ω more for each long lead'],
    ['Insulation', '1 MΩ at least, heaters 0.3; only as its maker allows'],
    ['Leakage', 'protective conductor 3.5 mA at most, touch 0.5 mA'],
  ],
  tools: [{ name: 'Appliance tester in date' }],
  steps: [
    check(
      'qualified',
      'Qualified for it, tester in date?',
      'As local rules ask',
      [
        ['yes', 'Both', 'pass'],
        ['no', 'No', 'stop', 'Somebody else tests it; it stays as it is on record.'],
      ],
      { gate: true, at: ['board', 'fuse', 'switch'] },
    ),
    check(
      'look',
      'Plug, lead, strain relief, case',
      'What do you see?',
      [
        ['whole', 'Whole', 'pass'],
        ['damaged', 'Damaged', 'stop', 'Cut off: mended before it is measured.'],
      ],
      {
        at: ['board', 'fuse', 'switch'],
        handsS: 60,
        state: { power: 'dead', cover: 'shut' },
        gate: true,
        caution: { hazard: 'mains', say: 'Plug out to look; wired in: isolator off and locked.' },
      },
    ),
    {
      id: 'earth',
      say: 'Earth to the case',
      act: 'measure',
      ask: 'Earth',
      unit: 'Ω',
      from: 0,
      to: 0.3,
      handsS: 60,
      at: ['board', 'fuse', 'motor'],
    },
    {
      id: 'insulation',
      say: 'Insulation, if its maker allows it',
      act: 'measure',
      ask: 'Insulation',
      unit: 'MΩ',
      from: 0.3,
      to: 1000,
      handsS: 60,
      at: ['board', 'heater', 'motor'],
      how: 'Boards can die of 500 V: its leaflet first. Not allowed: skip it with that reason, leakage tells instead.',
    },
    {
      id: 'leakage',
      say: 'Leakage, running',
      act: 'measure',
      ask: 'Protective conductor',
      unit: 'mA',
      from: 0,
      to: 3.5,
      handsS: 90,
      at: ['board', 'heater', 'motor'],
      state: { power: 'on' },
      caution: { hazard: 'mains', say: 'Running on the tester: case shut, hands off the metal.' },
    },
    check(
      'passed',
      'Has it passed?',
      'All three beside their limits',
      [
        ['yes', 'Passed', 'pass'],
        ['no', 'Not passed', 'stop', 'It is not switched on again: found and mended first.'],
      ],
      { gate: true, at: ['board'] },
    ),
  ],
}

export const supplyGuards: Job = {
  id: 'supply-guards',
  name: 'Backflow preventer and leak stop tried',
  about: 'The preventer’s drain, the leak stop’s shut-off: tried, as local rules ask.',
  kinds: ['c2', 'sp'],
  needs: { stations: ['backflow', 'leak-stop'], why: 'Its supply has neither.' },
  writes: [
    { entry: 'checked', task: 'backflow-preventer-check', by: ['backflow'] },
    { entry: 'checked', task: 'leak-stop-check', by: ['leak-stop'] },
  ],
  way: 'tried-both',
  wayName: 'both tried',
  reason: 'Nobody notices that they fail until dirty water is sucked back, or a hose runs all night.',
  every: yearly,
  figures: [
    ['Preventer', 'its relief opens and shuts; its drain free'],
    ['Leak stop', 'shuts when it is tried'],
  ],
  tools: [{ name: 'Bucket' }, { name: 'Torch' }],
  steps: [
    check(
      'backflow',
      'Backflow preventer: supply shut, relief tried',
      'As its leaflet has it',
      [
        ['works', 'Drains, then is tight', 'pass'],
        ['fails', 'Does not drain, or drips on', 'stop', 'Changed by those licensed for it; the supply stays shut.'],
      ],
      { at: ['backflow'], where: ['backflow'], handsS: 120, caution: drinkingWater, state: { supply: 'shut' } },
    ),
    check(
      'leak-stop',
      'Leak stop: tried',
      'Shut-off by its test key, or more water drawn than it lets',
      [
        ['shuts', 'It shuts', 'pass'],
        ['open', 'It does not', 'stop', 'Changed: a hose that bursts at night is not stopped.'],
      ],
      { at: ['leak-stop'], where: ['leak-stop'], handsS: 90, state: { supply: 'open' } },
    ),
  ],
}
