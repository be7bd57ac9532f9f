import type { Procedure, ProcedurePart, School } from '../procedure.ts'
import { check, figure, hands, hotWater, steam, unplugged } from '../step-parts.ts'
import { descale } from './descaling.ts'
import { superAutomaticClean } from './programmes.ts'

/** The one part of a school under another name, as a stretch of something longer; no brew unit of these has a group. */
const stretch = ({ parts: [part] }: School, id: string, name: string): ProcedurePart => ({
  id,
  name,
  steps: part!.steps.map((step) => ({ ...step, ...(step.at && { at: step.at.filter((one) => one !== 'group') }) })),
})

const cleaning = superAutomaticClean.schools[0]!
const ledDescale = descale.schools.find(({ id }) => id === 'led-by-its-display')!

const waterSide: ProcedurePart = {
  id: 'water',
  name: 'Water side',
  steps: [
    hands('unplug', 'Plug out, cool, case open', 240, {
      gate: true,
      at: ['board', 'pump'],
      caution: unplugged,
      how: 'A strip-down sheet beside it: screws of two lengths, plugs with latches.',
    }),
    check(
      'pump',
      'Pump and its hose, with a torch',
      'What do you see?',
      [
        ['dry', 'Dry, hose supple, clamps tight', 'pass'],
        ['wet', 'Wet, cracked or hard: new hose on, pump too where it was loud or weak', 'pass'],
      ],
      {
        at: ['pump', 'flow-meter', 'tank'],
        handsS: 120,
        how: 'A broken hose hides the next leak: mend it before any water runs.',
      },
    ),
    hands('power', 'Case loose on, plug in, a rinse started', 90, {
      at: ['pump', 'thermoblock'],
      caution: {
        hazard: 'mains',
        say: 'It is open and live: one hand, nothing metal near the board.',
        how: 'Where local rules ask a licensed person for work on an open live machine, that person does this step.',
      },
    }),
    check(
      'leak',
      'Watch it with a torch and dry paper',
      'Where is it wet?',
      [
        ['nowhere', 'Nowhere', 'pass'],
        ['below', 'Below the brew unit', 'pass'],
        ['elsewhere', 'Somewhere else', 'repeat', 'unplug', 'Plug out again and mend it: water first, all else after.'],
      ],
      {
        at: ['brew-unit', 'nozzle', 'unit-valve', 'tray'],
        how: 'Below the brew unit is for the next steps: gaskets fitted wrongly are the usual cause.',
      },
    ),
  ],
}

const unit: ProcedurePart = {
  id: 'unit',
  name: 'Brew unit',
  steps: [
    hands('off', 'Unit home, off, plug out', 30, { gate: true, at: ['brew-unit', 'position'], caution: unplugged }),
    hands('out', 'Unit out, washed, old grease off', 180, { at: ['brew-unit'] }),
    check(
      'valve-gaskets',
      'Unit valve apart: how do its gaskets lie?',
      'Each in its groove, lip the right way',
      [
        ['right', 'Right, whole and soft', 'pass'],
        ['wrong', 'Turned or worn: laid right, or new ones in, a film of grease', 'pass'],
      ],
      {
        at: ['unit-valve'],
        without: ['nozzle'],
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
        ['worn', 'Crumbs, flat or hard: new ones in, greased', 'pass'],
      ],
      { at: ['nozzle'], without: ['unit-valve'], handsS: 90 },
    ),
    hands('screen', 'Screen of the unit off, cleaned, new gasket', 180, { at: ['brew-unit'] }),
    {
      id: 'grease',
      say: 'Grease guides and coloured places',
      act: 'dose',
      dose: { of: 'grease', words: 'a thin film' },
      into: 'the guides and coloured places',
      handsS: 90,
      at: ['brew-unit', 'drive'],
    },
    hands('valves', 'Coffee and chalk off round the valves', 120, { at: ['drain-valve', 'steam-valve'] }),
    hands('in', 'Unit in until it clicks, case shut, earth back on', 180, {
      at: ['brew-unit', 'door', 'board'],
      wrong: 'It does not slide: it is out of its home position. Never force it.',
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
      { at: ['frother', 'spout', 'steam-valve'], handsS: 90, caution: steam },
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
    },
    check(
      'dry',
      'Dry paper under it, ten minutes',
      'What does the paper say?',
      [
        ['dry', 'Dry, both spouts clean', 'pass'],
        ['wet', 'Wet', 'stop', 'It leaks still: it does not go back like this.'],
      ],
      { at: ['tray', 'brew-unit'], handsS: 30 },
    ),
  ],
}

/** A super-automatic once through on the bench. */
export const shopService: Procedure = {
  id: 'shop-service',
  version: 1,
  family: 'service',
  name: 'Shop service',
  about: 'Water tight first, then the brew unit stripped and greased, its cleaning, its descale, and the test drinks.',
  kinds: ['sr', 'st'],
  writes: [
    { entry: 'serviced', task: 'full-service' },
    { entry: 'greased', task: 'brew-unit-grease' },
    { entry: 'cleaned', task: 'oil-removal' },
    { entry: 'descaled', task: 'descale' },
  ],
  mustFinish: {
    why: 'Detergent and acid go through it: broken off, it is not for use until both are rinsed.',
    first: [
      'Two hours on the bench, and who may open it does',
      'Gaskets, hose and clamps for this model here',
      ...(superAutomaticClean.mustFinish?.first ?? []),
    ],
  },
  schools: [
    {
      id: 'tight-first-then-clean',
      name: 'tight first, then clean',
      reason:
        'A leak mended uncovers the next one, so water runs before anything is cleaned; cleaning comes before the descale, so that the acid meets chalk and not grease.',
      usualFor: ['sr', 'st'],
      figures: [
        figure('Order', 'leaks, unit, cleaning, descale, drinks'),
        figure('Grease', 'guides and coloured places, thin'),
        figure('Cleaning', '1 tablet'),
        figure('Drinks', 'milk drink dry, hot water, espresso'),
      ],
      tools: [
        { name: 'Torch' },
        { name: 'T10 and cross-head drivers' },
        { name: 'Scale, 0.1 g' },
        { name: 'Dry paper' },
        ...cleaning.tools,
        ...ledDescale.tools,
      ],
      materials: [
        { name: 'Food-safe grease' },
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
