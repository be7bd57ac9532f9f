import type { Procedure, ProcedurePart, Way } from '../../procedures/procedure.ts'
import {
  brewing,
  check,
  coolingS,
  cools,
  cutOff,
  earthBack,
  electricalTest,
  figure,
  foodGrease,
  hands,
  hotWater,
  openAndLive,
  soak,
  steam,
} from '../../procedures/step-parts.ts'
import { descale } from './descaling.ts'
import { superAutomaticClean } from './super-automatic-clean.ts'

/** The one part of a way under another name, as a stretch of something longer; no brew unit of these has a group. */
const stretch = ({ parts: [part] }: Way, id: string, name: string): ProcedurePart => ({
  id,
  name,
  steps: part!.steps.map((step) => ({ ...step, ...(step.at && { at: step.at.filter((one) => one !== 'group') }) })),
})

const cleaning = superAutomaticClean.ways[0]!
const ledDescale = descale.ways.find(({ id }) => id === 'led-by-its-display')!

const scalds = { hazard: 'scald', say: 'Block, valves and hoses stay hot after it is off: cooled, or gloves.' } as const

const waterSide: ProcedurePart = {
  id: 'water',
  name: 'Water side',
  steps: [
    cutOff('unplug', 30, { at: ['board', 'pump'] }),
    cools('cool', coolingS.block, {
      at: ['thermoblock'],
      state: { pressure: 'none' },
      caution: scalds,
    }),
    hands('open', 'Case open', 210, {
      at: ['board', 'pump'],
      state: { cover: 'open' },
      puts: 'electrical',
      gate: true,
      caution: { hazard: 'mains', say: 'Prove it dead before a hand goes in.' },
      how: 'A strip-down sheet beside it: screws of two lengths, plugs with latches.',
    }),
    check(
      'pump',
      'Pump and its hose, with a torch',
      'What do you see?',
      [
        ['dry', 'Dry, hose supple, clamps tight', 'pass'],
        ['hose', 'Hose wet, cracked or hard: a new one is on', 'pass', { fits: ['pump-hose'] }],
        ['pump', 'Pump loud or weak: pump and hose are new', 'pass', { fits: ['pump', 'pump-hose'] }],
        ['later', 'Worn: no new ones here', 'pass'],
      ],
      {
        at: ['pump', 'flow-meter', 'tank'],
        handsS: 120,
        how: 'A broken hose hides the next leak: mend it before any water runs.',
      },
    ),
    hands('paper', 'Dry paper laid below, earth leads back, loose leads tied away', 60, {
      at: ['tray', 'pump'],
      gate: true,
      how: 'All before the plug goes in: afterwards no hand goes inside.',
      caution: { hazard: 'mains', say: 'A lost earth lead kills: looked at one by one.' },
    }),
    check(
      'may-run-open',
      'May it be run open here?',
      'Somebody qualified for open live machines, as local rules ask',
      [
        ['yes', 'Yes: qualified, residual-current device proved', 'pass'],
        ['no', 'No', 'stop', 'Then it is not run open: whoever may do it looks for the leak.'],
      ],
      { gate: true, at: ['board'] },
    ),
    hands('power', 'Plug in, start a rinse, hands out', 60, {
      at: ['pump', 'thermoblock'],
      state: { power: 'on', heat: 'hot', pressure: 'up' },
      qualified: true,
      gate: true,
      caution: openAndLive,
    }),
    check(
      'leak',
      'Look only: where is the paper wet?',
      'Torch and eyes, no hand inside',
      [
        ['nowhere', 'Nowhere', 'pass'],
        ['below', 'Below the brew unit', 'pass'],
        ['elsewhere', 'Somewhere else', 'repeat', 'unplug', 'Plug out again and mend it: water first, all else after.'],
      ],
      {
        at: ['brew-unit', 'nozzle', 'unit-valve', 'tray'],
        state: { power: 'on' },
        qualified: true,
        gate: true,
        how: 'Below the brew unit is for the next steps: gaskets fitted wrongly are the usual cause.',
        caution: openAndLive,
      },
    ),
  ],
}

const unit: ProcedurePart = {
  id: 'unit',
  name: 'Brew unit',
  steps: [
    hands('home', 'Unit home, then off', 20, {
      at: ['brew-unit', 'position'],
      state: { power: 'off' },
      qualified: true,
      caution: openAndLive,
      besides: [{ hazard: 'pinch', say: 'The unit moves by itself: hands out until it is off.' }],
    }),
    cutOff('off', 20, { at: ['board'] }),
    cools('cool', coolingS.block, {
      at: ['thermoblock'],
      state: { pressure: 'none' },
      caution: scalds,
    }),
    hands('out', 'Unit out, washed, old grease off', 180, {
      at: ['brew-unit'],
      state: { unit: 'out' },
      caution: { hazard: 'pinch', say: 'Its works move when they are pressed: fingers clear.' },
    }),
    check(
      'valve-gaskets',
      'Unit valve apart: how do its gaskets lie?',
      'Each in its groove, lip the right way',
      [
        ['right', 'Right, whole and soft', 'pass'],
        ['turned', 'Turned: laid right, a film of grease', 'pass'],
        ['worn', 'Worn: new ones in, a film of grease', 'pass', { fits: ['valve-gaskets'] }],
      ],
      {
        at: ['unit-valve'],
        where: ['unit-valve'],
        handsS: 240,
        how: 'Photo before the first is lifted: which lip looks where.',
      },
    ),
    check(
      'nozzle-seals',
      'The two seals in the nozzle',
      'How are they?',
      [
        ['whole', 'Whole and soft', 'pass'],
        ['worn', 'Crumbs, flat or hard: new ones in, greased', 'pass', { fits: ['nozzle-seals'] }],
        ['later', 'Worn: no new ones here', 'pass'],
      ],
      { at: ['nozzle'], where: ['nozzle'], handsS: 90 },
    ),
    check(
      'ring',
      'Piston ring',
      'How is it?',
      [
        ['whole', 'Whole, no flat', 'pass'],
        ['worn', 'Torn or flat: a new one is on', 'pass', { fits: ['piston-ring'] }],
        ['later', 'Worn: no new one here', 'pass'],
      ],
      { at: ['brew-unit'], handsS: 60 },
    ),
    check(
      'screen',
      'Screen of the unit off, cleaned',
      'What goes back?',
      [
        ['same', 'The same screen, gasket whole', 'pass'],
        ['gasket', 'With a new gasket', 'pass', { fits: ['screen-gasket'] }],
        ['screen', 'A new screen', 'pass', { fits: ['upper-screen', 'screen-gasket'] }],
      ],
      { at: ['brew-unit'], handsS: 180 },
    ),
    {
      id: 'grease',
      say: 'Grease guides and coloured places',
      how: foodGrease,
      act: 'dose',
      dose: { of: 'grease', words: 'a thin film' },
      into: 'the guides and coloured places',
      handsS: 90,
      at: ['brew-unit', 'drive'],
    },
    hands('valves', 'Coffee and chalk off round the valves', 120, { at: ['drain-valve', 'steam-valve'] }),
    hands('in', 'Unit in until it clicks', 60, {
      at: ['brew-unit', 'door'],
      state: { unit: 'in' },
      wrong: 'It does not slide: it is out of its home position. Never force it.',
      caution: { hazard: 'pinch', say: 'Fingers off its edges as it clicks.' },
    }),
    earthBack('earth'),
    hands('shut', 'Case shut, nothing in the cup', 120, { at: ['board', 'door'], state: { cover: 'shut' } }),
    hands('on', 'Plug in, warm up', 60, {
      at: ['board'],
      state: { power: 'on', heat: 'hot', pressure: 'up' },
      caution: { hazard: 'pinch', say: 'The unit moves as it starts: door shut.' },
    }),
  ],
}

const drinks: ProcedurePart = {
  id: 'drinks',
  name: 'Test drinks',
  steps: [
    check(
      'milk-dry',
      'A cappuccino with no milk in the system',
      'What comes, and in what order?',
      [
        ['right', 'Steam at the frother, then a steady flow of coffee', 'pass'],
        ['none', 'No steam', 'stop', 'Steam valve, frother or air jet: find it before it goes back.'],
        ['uneven', 'Coffee from one spout, or in gulps', 'stop', 'Spout or unit: find it before it goes back.'],
      ],
      {
        at: ['frother', 'spout', 'steam-valve'],
        where: ['frother'],
        handsS: 90,
        state: { ...brewing, path: 'water', milk: 'whole' },
        caution: steam,
      },
    ),
    {
      id: 'hot-water',
      say: 'Hot water, ten seconds into a beaker',
      act: 'measure',
      measure: 'hot-water-flow',
      ask: 'Hot water in 10 s',
      unit: 'ml',
      from: 60,
      to: 90,
      handsS: 40,
      at: ['wand', 'steam-valve'],
      state: { ...brewing, path: 'water' },
      caution: hotWater,
      mark: 'M',
    },
    {
      id: 'espresso',
      say: 'Espresso of 40 g on the scale',
      act: 'measure',
      measure: 'shot-time',
      ask: 'From first drop to 40 g',
      unit: 's',
      from: 18,
      to: 28,
      handsS: 60,
      at: ['brew-unit', 'spout'],
      state: { ...brewing, path: 'water' },
      caution: hotWater,
    },
    soak('stands', 'Dry paper under it: leave it alone', 'Paper under the machine', 600, {
      at: ['tray', 'brew-unit'],
      state: { ...brewing },
    }),
    check(
      'dry',
      'Look at the paper',
      'What does it say?',
      [
        ['dry', 'Dry, both spouts clean', 'pass'],
        ['wet', 'Wet', 'stop', 'It leaks still: it does not go back like this.'],
      ],
      { at: ['tray', 'brew-unit'], handsS: 30 },
    ),
    electricalTest('electrical'),
  ],
}

/** A super-automatic once through on the bench. */
export const shopService: Procedure = {
  id: 'shop-service',
  version: 2,
  family: 'service',
  name: 'Shop service',
  about:
    'Water tight first, then the brew unit stripped and greased, its cleaning, its descale, the test drinks, the electrical test.',
  kinds: ['sr', 'st'],
  writes: [
    { entry: 'serviced', task: 'full-service', by: ['dry', 'electrical'] },
    { entry: 'greased', task: 'brew-unit-grease', by: ['grease', 'in'] },
    { entry: 'cleaned', task: 'oil-removal', by: ['tablet', 'runs'] },
    { entry: 'descaled', task: 'descale', by: ['charge', 'rinsed'] },
  ],
  mustFinish: {
    why: 'Detergent and acid go through it: broken off, it is not for use until both are rinsed.',
    first: [
      'Two hours on the bench, and who may open it does',
      'Gaskets, hose and clamps for this model here',
      ...(superAutomaticClean.mustFinish?.first ?? []),
    ],
  },
  ways: [
    {
      id: 'tight-first-then-clean',
      name: 'tight first, then clean',
      reason:
        'A leak mended uncovers the next one, so water runs before anything is cleaned; cleaning comes before the descale, so that the acid meets chalk and not grease.',
      usualFor: ['sr', 'st'],
      every: { words: 'once a year', days: 365, mark: 'M' },
      figures: [
        figure('Order', 'leaks, unit, cleaning, descale, drinks, electrical test'),
        figure('Grease', 'guides and coloured places, thin'),
        figure('Cleaning', '1 tablet'),
        figure('Drinks', 'milk drink dry, hot water, espresso'),
      ],
      tools: [
        { name: 'Torch' },
        { name: 'T10 and cross-head drivers' },
        { name: 'Scale, 0.1 g' },
        { name: 'Dry paper' },
        { name: 'Appliance tester in date', why: 'or the machine stays held' },
        ...cleaning.tools,
        ...ledDescale.tools,
      ],
      materials: [
        { name: 'Food-grade silicone grease' },
        { name: 'Gaskets of unit valve or nozzle', why: 'an old one tears when it is lifted' },
        { name: 'Screen gasket' },
        { name: 'Hose and clamps', why: 'the one at the pump breaks when it is bent' },
        ...cleaning.materials,
        ...ledDescale.materials,
      ],
      parts: [
        waterSide,
        unit,
        stretch(cleaning, 'cleaning', 'Cleaning'),
        stretch(ledDescale, 'descale', 'Descale'),
        drinks,
      ],
    },
  ],
}
