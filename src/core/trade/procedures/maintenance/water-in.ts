import { check, drinkingWater, hands } from '../../../procedures/step-parts.ts'
import { boilers } from '../kinds-by-build.ts'
import { caseOpen, closedAndTried, madeSafe } from '../opened.ts'
import { halfYearly, type Job, seen } from './job.ts'

export const levelProbe: Job = {
  id: 'level-probe-clean',
  name: 'Level probe cleaned',
  about: 'Out cold and without pressure, chalk off its tip, back with a new seal, filling watched.',
  kinds: boilers,
  needs: { stations: ['level'], why: 'It has no level probe.' },
  writes: [{ entry: 'cleaned', task: 'level-probe-clean', by: ['clean', 'back'] }],
  way: 'out-and-wiped',
  wayName: 'out, wiped bare, watched while it fills',
  reason:
    'A chalked tip sees no water, and the boiler overfills: milky steam first. Bare metal and a dry head mend it.',
  every: halfYearly,
  figures: [
    ['Cleaned', 'fine wool or vinegar, rinsed'],
    ['Seal', 'new, or PTFE tape, as it was'],
  ],
  tools: [{ name: 'Spanner' }, { name: 'Fine abrasive wool' }],
  materials: [{ name: 'Seal or PTFE tape' }],
  steps: [
    ...madeSafe(['boiler', 'steam-boiler']),
    caseOpen(['board', 'level']),
    hands('out', 'Plug off the probe, probe out', 60, {
      at: ['level'],
      how: 'Its length is marked before: it goes back as deep.',
      caution: { hazard: 'pressure', say: 'Only at zero and open steam tap: it is screwed into the boiler.' },
    }),
    hands('clean', 'Tip wiped bare, insulator dry and clean', 60, { at: ['level'] }),
    hands('back', 'Back to its mark, seal new, plug on', 60, { at: ['level'] }),
    ...closedAndTried(['level', 'boiler', 'steam-boiler'], 'Does it fill, and stop?'),
  ],
}

export const strainer: Job = {
  id: 'inlet-strainer',
  name: 'Inlet strainer cleaned',
  about: 'Water shut, strainer out, rinsed, back, tried for drips.',
  kinds: ['c2', 'sp'],
  writes: [{ entry: 'cleaned', task: 'inlet-strainer-clean', by: ['clean', 'back'] }],
  way: 'rinsed-backwards',
  wayName: 'rinsed backwards',
  reason:
    'Sand and resin beads sit on its outside: rinsed from inside out they leave. Beads mean the softener lets go.',
  every: { words: 'every 12 months, or when the pump growls', days: 365, mark: 'M' },
  figures: [['Rinsed', 'from inside out']],
  tools: [{ name: 'Spanner' }, { name: 'Bucket' }, { name: 'Soft brush' }],
  materials: [{ name: 'Seal' }],
  steps: [
    ...madeSafe(['inlet']).slice(0, 1),
    hands('water-off', 'Water shut, pressure let out at the tap', 30, {
      at: ['mains', 'inlet'],
      state: { supply: 'shut' },
      gate: true,
      caution: { hazard: 'pressure', say: 'The inlet is opened only without pressure.' },
    }),
    hands('out', 'Strainer out over the bucket', 60, { at: ['inlet'] }),
    check(
      'found',
      'What sits on it?',
      'Held to the light',
      [
        ['little', 'A little sand', 'pass'],
        ['beads', 'Resin beads', 'pass'],
        ['torn', 'It is torn: a new one is in', 'pass', { fits: ['inlet-strainer'] }],
      ],
      { at: ['inlet'], how: 'Beads: the softener’s basket is broken, a remark for the next visit.' },
    ),
    hands('clean', 'Rinsed from inside out, brushed', 40, { at: ['inlet'] }),
    hands('back', 'Back, seal whole, hand tight and a quarter', 40, { at: ['inlet'], caution: drinkingWater }),
    hands('on', 'Water on, plug in, look for drips', 60, {
      at: ['inlet', 'mains'],
      state: { supply: 'open', power: 'on' },
    }),
  ],
}

export const expansion: Job = {
  id: 'expansion-valve',
  name: 'Expansion valve tried',
  about: 'The line’s pressure at rest while it heats, a drop now and then at its outlet, never a stream.',
  kinds: ['c2'],
  needs: { stations: ['expansion'], why: 'It has no expansion valve.' },
  writes: [{ entry: 'checked', task: 'expansion-valve-check', by: ['rest', 'drops'] }],
  way: 'read-at-rest',
  wayName: 'read at rest, while it heats',
  reason: 'Water that heats behind shut valves must go somewhere: above twelve bar the weakest seal is where.',
  every: halfYearly,
  figures: [
    ['At rest', '8 to 12 bar'],
    ['Outlet', 'drops while it heats, then dry'],
  ],
  tools: [{ name: 'Gauge' }],
  steps: [
    {
      id: 'rest',
      say: 'Line at rest, heating',
      act: 'measure',
      measure: 'line-rest',
      ask: 'At rest',
      unit: 'bar',
      from: 8,
      to: 12,
      handsS: 120,
      at: ['expansion', 'gauge'],
      state: { power: 'on', heat: 'hot' },
    },
    check(
      'drops',
      'Its outlet',
      'What comes?',
      [
        ['drops', 'A drop now and then, or dry', 'pass'],
        ['stream', 'A stream', 'stop', 'It does not shut: new seat or valve, off, cold, without pressure.'],
      ],
      { at: ['expansion', 'tray'], caution: { hazard: 'scald', say: 'What it lets out is hot and under pressure.' } },
    ),
  ],
}

export const flowMeter: Job = {
  id: 'flow-meter-clean',
  name: 'Flow meter opened and cleaned',
  about: 'Lid off, wheel free, chalk off, ring whole, back, pulses counted.',
  kinds: ['c2', 'sr', 'st', 'sp', 'pk', 'pl'],
  needs: { stations: ['flow-meter'], why: 'It has no flow meter.' },
  writes: [],
  way: 'wheel-freed',
  wayName: 'wheel freed',
  reason: 'A grain of chalk stops the wheel, and the machine says there is no water.',
  figures: [
    ['Wheel', 'turns at a breath'],
    ['Magnets', 'clean of rust'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Soft brush' }],
  materials: [{ name: 'Ring of its lid' }],
  steps: [
    ...madeSafe(['flow-meter']),
    caseOpen(['board', 'flow-meter']),
    hands('wheel', 'Lid off, wheel out', 60, { at: ['flow-meter'], how: 'Which side of the wheel looks up: photo.' }),
    hands('clean', 'Chalk and rust off, wheel turned at a breath', 60, { at: ['flow-meter'] }),
    seen('whole', 'Wheel, pin and ring', 'flow-meter', ['flow-meter']),
    hands('back', 'Wheel in, ring lies flat, lid crosswise', 60, { at: ['flow-meter'] }),
    ...closedAndTried(['flow-meter', 'pump'], 'Does it count, and is the dose right?'),
  ],
}
