import { check, foodGrease, hands, hotWater } from '../../../procedures/step-parts.ts'
import { caseOpen, closedAndTried, madeSafe, onAgain } from '../opened.ts'
import { type Job, seen } from './job.ts'

export const groupJet: Job = {
  id: 'group-jet',
  name: 'Group jet and its gauze cleaned',
  about: 'Jet out against the light, gauze rinsed, back, flow measured.',
  kinds: ['c2', 'lv'],
  needs: { stations: ['jet'], why: 'It has no jet in the group.' },
  writes: [
    {
      entry: 'cleaned',
      task: 'group-restrictor-clean',
      taskOf: { lv: 'group-jet-clean' },
      each: 'group',
      by: ['clean', 'back'],
    },
  ],
  way: 'against-the-light',
  wayName: 'out, against the light',
  reason:
    'A jet of half a millimetre shuts by one grain of chalk: the coffee starts late and the meter gives no pulses.',
  every: { words: 'every 12 to 24 months', days: 540, mark: 'M' },
  figures: [
    ['Cleared by', 'citric and air; never a wire, it widens'],
    ['Open flow', '65 to 110 ml in 10 s'],
  ],
  tools: [{ name: 'Jet key' }, { name: 'Lens' }],
  materials: [{ name: 'Copper or PTFE seal' }, { name: 'Citric acid' }],
  each: 'group',
  steps: [
    ...madeSafe(['group', 'jet']),
    hands('lever', 'Lift the lever: the exchanger lets its pressure out', 15, {
      at: ['lever', 'group'],
      only: ['lv'],
      gate: true,
      caution: { hazard: 'pressure', say: 'The group’s circuit keeps pressure when the boiler has none.' },
    }),
    hands('out', 'Jet and gauze out', 60, {
      at: ['jet', 'group'],
      state: { group: 'apart' },
      caution: { hazard: 'scald', say: 'Water stands behind it.' },
    }),
    hands('clean', 'Jet into citric, gauze rinsed, both to the light', 120, {
      at: ['jet'],
      how: 'Lukewarm, until it is round and free. No wire.',
      caution: { hazard: 'acid', say: 'Acid off eyes and stone; never with bleach.' },
    }),
    seen('round', 'The jet to the light', 'group-restrictor', ['jet']),
    hands('back', 'Rinsed, back, new seal', 60, { at: ['jet', 'group'], state: { group: 'water' } }),
    ...onAgain(['jet', 'group'], 'Ten seconds of water, nothing locked in'),
    {
      id: 'flow',
      say: 'Open flow, ten seconds',
      act: 'measure',
      measure: 'open-flow',
      ask: 'Water in 10 s',
      unit: 'ml',
      from: 65,
      to: 110,
      handsS: 30,
      at: ['group'],
      caution: hotWater,
      state: { power: 'on', heat: 'hot', tray: 'in' },
    },
  ],
}

export const dispersion: Job = {
  id: 'dispersion-block',
  name: 'Dispersion block out and cleaned',
  about: 'Screen and block off, channels brushed and soaked, groove clean, back with its seal.',
  kinds: ['c2'],
  writes: [{ entry: 'cleaned', task: 'dispersion-block-clean', each: 'group', by: ['off', 'back'] }],
  way: 'off-and-soaked',
  wayName: 'off and soaked',
  reason: 'Behind the screen the oil is older than on it: backflushing passes it by.',
  every: { words: 'every six months', days: 182, mark: 'M' },
  figures: [['Soak', '20 min in detergent']],
  tools: [{ name: 'Short driver, hex keys' }, { name: 'Brush' }, { name: 'Bowl, steel or glass' }],
  materials: [{ name: 'Backflush detergent' }],
  parts: [
    {
      id: 'off',
      name: 'Block off',
      each: 'group',
      steps: [
        hands('off', 'Screen off, block off, screws into the cup', 120, {
          at: ['screen', 'group'],
          state: { screen: 'off' },
          takes: ['cup'],
          caution: { hazard: 'scald', say: 'Block and screws are hot: gloves, a tool.' },
        }),
      ],
    },
    {
      id: 'soak',
      name: 'Soak',
      steps: [
        {
          id: 'bath',
          say: 'Hot water, powder stirred in',
          act: 'dose',
          dose: { of: 'detergent', gramsPerL: 10 },
          into: 'the bowl',
          handsS: 40,
          bath: 'made',
          takes: ['bowl'],
          caution: { hazard: 'detergent', say: 'Strong alkali: off skin and eyes, never with acid.' },
        },
        hands('in', 'Blocks and screens in', 10, { bath: 'in', caution: { hazard: 'detergent', say: 'Gloves.' } }),
        { id: 'soak', say: 'Leave them to soak', act: 'soak', what: 'Blocks soaking', seconds: 1200, handsS: 0 },
        hands('clean', 'Out, channels brushed, rinsed until nothing is slippery', 90, {
          bath: 'out',
          caution: { hazard: 'detergent', say: 'Still alkaline: gloves.' },
        }),
        hands('pour', 'Bath poured away', 15, {
          bath: 'poured',
          gives: ['bowl'],
          caution: { hazard: 'detergent', say: 'Never into a drain where acid stands.' },
        }),
      ],
    },
    {
      id: 'back',
      name: 'Block back',
      each: 'group',
      steps: [
        hands('back', 'Block and screen back, screws snug', 90, {
          at: ['group', 'screen'],
          state: { screen: 'on' },
          gives: ['cup'],
          caution: { hazard: 'scald', say: 'The group is hot: gloves.' },
        }),
        check(
          'runs',
          'Water through it',
          'How does it fall?',
          [
            ['even', 'Even, all round', 'pass'],
            ['odd', 'To one side', 'repeat', 'back', 'It does not sit: once more.'],
          ],
          { at: ['group', 'screen'], state: { power: 'on', heat: 'hot', tray: 'in' }, caution: hotWater },
        ),
      ],
    },
  ],
}

export const threeWay: Job = {
  id: 'three-way-strip',
  name: '3-way valve taken apart',
  about: 'Coil off, plunger out, seat and spring cleaned, back, venting tried.',
  kinds: ['c2', 'pt', 'dv', 'dg', 'bt'],
  needs: { stations: ['three-way'], why: 'It has no 3-way valve.' },
  writes: [],
  way: 'plunger-and-seat',
  wayName: 'plunger and seat cleaned',
  reason: 'Oil gums the plunger, a grain under the seat keeps it open: brushed clean, most are good again.',
  figures: [
    ['Plunger', 'free, both seals whole'],
    ['Order', 'photographed: spring’s narrow end'],
  ],
  tools: [{ name: 'Spanner for the stem' }, { name: 'Soft brush' }, { name: 'Camera' }, { name: 'Blind basket' }],
  materials: [{ name: 'Plunger with seals' }],
  each: 'group',
  steps: [
    ...madeSafe(['three-way', 'group']),
    caseOpen(['board', 'three-way']),
    hands('coil', 'Nut off, coil off its stem', 40, {
      at: ['three-way', 'coils'],
      caution: { hazard: 'mains', say: 'Prove it dead: the coil hangs on its leads.' },
    }),
    hands('stem', 'Stem out, plunger and spring into the cup', 60, {
      at: ['three-way'],
      takes: ['cup'],
      state: { group: 'apart' },
      caution: { hazard: 'spring', say: 'A spring sits under the plunger: hold it as the thread ends.' },
    }),
    hands('clean', 'Plunger, stem and seat brushed clean', 120, {
      at: ['three-way'],
      caution: { hazard: 'detergent', say: 'Detergent: gloves, rinse all of it.' },
    }),
    check(
      'look',
      'Plunger seals and seat',
      'How are they?',
      [
        ['whole', 'Whole, seat smooth', 'pass'],
        ['new', 'Dented: a new plunger or valve is in', 'pass', { fits: ['three-way-valve'] }],
        ['later', 'Dented: no new one here', 'pass'],
      ],
      { at: ['three-way'] },
    ),
    hands('back', 'Spring, plunger, stem, coil back', 90, {
      at: ['three-way', 'coils'],
      gives: ['cup'],
      state: { group: 'water' },
    }),
    ...closedAndTried(['three-way', 'group', 'tray'], 'A shot against the blind basket, stopped: does it vent?'),
  ],
}

export const leverValves: Job = {
  id: 'lever-group-valves',
  name: 'Valves of the lever group cleaned',
  about: 'Inlet and discharge valve out, seats and springs cleaned, seals new, discharge tried.',
  kinds: ['lv'],
  writes: [],
  way: 'both-valves',
  wayName: 'both valves out',
  reason: 'A discharge that weeps costs pressure at every shot; chalk sits in the gauze and on both seats.',
  figures: [
    ['Seals', 'new where they are flat'],
    ['Springs', 'each its own length: photographed'],
  ],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }, { name: 'Camera' }],
  materials: [{ name: 'Lever group seals' }, { name: 'Food-grade silicone grease' }],
  steps: [
    ...madeSafe(['lever', 'group']),
    hands('lever', 'Lift the lever: the exchanger lets its pressure out', 15, {
      at: ['lever'],
      gate: true,
      caution: { hazard: 'pressure', say: 'The group’s circuit keeps pressure when the boiler has none.' },
    }),
    hands('out', 'Upper and lower valve out, springs to their own caps', 120, {
      at: ['lever'],
      state: { group: 'apart' },
      takes: ['cup'],
      caution: { hazard: 'spring', say: 'Springs press on the caps: held as the thread ends.' },
    }),
    hands('clean', 'Seats, pins and gauze cleaned', 120, { at: ['lever', 'jet'] }),
    check(
      'seals',
      'Seals',
      'What is new?',
      [
        ['new', 'New seals are in', 'pass', { fits: ['lever-seals'] }],
        ['same', 'The same: whole and soft', 'pass'],
      ],
      { at: ['lever'] },
    ),
    hands('back', 'Greased, back, caps snug', 120, {
      at: ['lever'],
      state: { group: 'water' },
      gives: ['cup'],
      how: foodGrease,
    }),
    ...onAgain(['lever', 'group', 'tray'], 'Three lifts: does it discharge, and hold?'),
  ],
}

export const spindleAndHeater: Job = {
  id: 'spindle-and-heater',
  name: 'Spindle, guides and group heater looked at',
  about: 'Group out of its guides: screw and nut cleaned and looked at, heater measured, shield and bushing back.',
  kinds: ['sp'],
  writes: [],
  way: 'with-the-group-out',
  wayName: 'with the group out',
  reason: 'Only with the chamber off is the nut seen whole: a worn one strips in mid-coffee.',
  figures: [
    ['Spindle', 'three 2.5 mm at the top'],
    ['Guides', 'two 3 mm; dry'],
    ['Shield, bushing', 'two and four 2.5 mm'],
    ['Heater', 'one 2 mm loosened; two 2 mm behind'],
  ],
  tools: [{ name: 'Hex 2, 2.5, 3, 4 mm' }, { name: 'Pin extractor' }, { name: 'Multimeter' }],
  steps: [
    ...madeSafe(['group', 'group-heater']),
    caseOpen(['board', 'group']),
    hands('spindle', 'Motor off, endless screw out', 180, {
      at: ['spindle', 'group'],
      state: { group: 'apart' },
      how: 'Strip-down sheets: spindle and nut; guides, shield and bushing; group heater.',
      caution: { hazard: 'pinch', say: 'The chamber drops when the screw is out: supported.' },
    }),
    check(
      'nut',
      'Screw and spiral bushing',
      'How are they?',
      [
        ['good', 'Threads whole, little play', 'pass'],
        ['nut', 'Play, or brass dust: a new bushing is in', 'pass', { fits: ['spindle-nut'] }],
        ['both', 'Both new', 'pass', { fits: ['spindle-nut', 'endless-screw'] }],
        ['later', 'Worn: no new one here', 'pass'],
      ],
      { at: ['spindle'], handsS: 120 },
    ),
    check(
      'heater',
      'Group heater, measured dead',
      'Ohms as its plate says, none to earth',
      [
        ['good', 'As its plate', 'pass'],
        ['new', 'Open or to earth: a new one is in', 'pass', { fits: ['group-heater'] }],
        ['later', 'Bad: no new one here', 'stop', 'It stays off until it is changed.'],
      ],
      { at: ['group-heater'], handsS: 90 },
    ),
    hands('back', 'Bushing, shield, guides dry, screw, motor back', 300, {
      at: ['spindle', 'group'],
      state: { group: 'water' },
    }),
    ...closedAndTried(['group', 'spindle'], 'Two coffees: does it move freely?'),
  ],
}
