import { byHand, crosses, dead, type KnownStripDown, thing } from '../../strip-down/known-strip-down.ts'

const t10 = (count: number, kind?: string) => [
  { drive: 'torx' as const, size: 'T10', count, ...(kind && { kind }), tight: 'snug, not tight: they bite in plastic' },
]

/** Units, pumps and milk sides of super-automatics. Order from memory; each model differs. */
export const superAutomaticSheets: KnownStripDown[] = [
  {
    id: 'unit-and-valve',
    name: 'Unit with its valve',
    about: 'The unit of a machine whose case must be opened, its valve apart, gaskets laid right.',
    kinds: ['st'],
    station: 'unit-valve',
    opens: true,
    first: [dead, 'Unit driven home before it is switched off', 'Gaskets of this valve here'],
    tools: [
      { name: 'T10 and cross-head drivers' },
      { name: 'Pliers', why: 'for the hose clips' },
      { name: 'Pick' },
      { name: 'Food-grade silicone grease' },
      { name: 'Camera' },
    ],
    things: [
      thing('Back panel', 'back', 'panel', t10(4)),
      thing('Unit', 'off its drive', 'unit', t10(2), {
        parts: ['brew-unit'],
        mark: 'home marks in line',
        trap: 'Out of home it does not go back: never forced.',
      }),
      thing('Hose to the unit', 'clip and ring', 'tube', [{ drive: 'clip', count: 1 }], {
        trap: 'Its ring stays in the joint: looked for.',
      }),
      thing('Screen of the unit', 'top of the chamber', 'screen', crosses(1), { parts: ['upper-screen'] }),
      thing('Screen gasket', 'under the screen', 'gasket', byHand, { parts: ['screen-gasket'] }),
      thing('Valve body', 'bottom of the unit', 'valve', t10(3)),
      thing('Valve gaskets', 'in the valve', 'gasket', byHand, {
        parts: ['valve-gaskets'],
        way: 'which lip looks where: photo before the first is lifted',
        back: 'Lip as in the photo, a thin film of grease.',
        trap: 'Laid wrongly it leaks below the unit: the usual cause.',
      }),
      thing('Piston ring', 'on the piston', 'gasket', byHand, { parts: ['piston-ring'] }),
    ],
    turning: [
      'Washed with water, old grease off',
      'Valve seats wiped, no score',
      'Grease on guides and coloured places, nowhere else',
    ],
    broken: ['A lip folded over: water below the unit from the first coffee'],
    after: [
      'Slides and clicks without force',
      'A rinse: dry below the unit',
      'Tested for electrical safety before it is used',
    ],
  },
  {
    id: 'pump-and-hose',
    name: 'Pump and its hose',
    about: 'Pump out of its mounts, the hose at it new where it is hard.',
    kinds: ['sr', 'st'],
    station: 'pump',
    opens: true,
    first: [dead, 'Tank out'],
    tools: [{ name: 'T10 and cross-head drivers' }, { name: 'Pliers for clamps' }],
    things: [
      thing('Back panel', 'back', 'panel', t10(4)),
      thing('Leads of the pump', 'two plugs', 'plug', byHand, { way: 'photo' }),
      thing('Pressure hose', 'clamp at the outlet', 'tube', [{ drive: 'clip', count: 1 }], {
        parts: ['pump-hose'],
        trap: 'Bent once it breaks: new where it is hard.',
      }),
      thing('Suction hose', 'from the flow meter', 'tube', [{ drive: 'clip', count: 1 }]),
      thing('Pump', 'out of its rubber', 'pump', byHand, { parts: ['pump'], way: 'arrow with the flow' }),
    ],
    turning: ['Hose bent and looked at: no crack', 'Rubber mounts whole: a loud pump is a loose one'],
    broken: ['A split at the clamp: water at the back, little in the cup'],
    after: ['Primed, even sound', 'Dry at every clamp', 'Tested for electrical safety before it is used'],
  },
  {
    id: 'milk-unit',
    name: 'Milk unit',
    about: 'Frother, air jet, hose and pinch valve apart, ring by ring.',
    kinds: ['sr', 'st', 'sp'],
    station: 'frother',
    first: ['Milk out, cleaner run and rinsed', 'Switched off: it drips hot'],
    tools: [{ name: 'Thin brush' }, { name: 'Pin' }, { name: 'Food-grade silicone grease' }],
    things: [
      thing('Milk hose', 'cooler to valve', 'tube', byHand, {
        parts: ['milk-hose'],
        before: 'Clouded or hard: a new one.',
      }),
      thing('Pinch tube', 'through the valve', 'tube', byHand, { parts: ['pinch-tube'] }),
      thing('Frother', 'off its seat', 'tip'),
      thing('Frother rings', 'on the frother', 'gasket', byHand, {
        parts: ['frother-rings'],
        way: 'each to its own groove',
        back: 'A thin film of food-grade silicone grease.',
      }),
      thing('Air jet', 'side of the frother', 'needle', byHand, {
        parts: ['air-jet'],
        trap: 'Tiny: over the bowl, not over the drain.',
      }),
    ],
    turning: [
      'Each piece brushed and held to the light',
      'Jet pricked free, no wider',
      'Milk stone off with cleaner, not with a blade',
    ],
    broken: ['A nicked ring: coarse foam, milk beside the frother'],
    after: ['Fine foam, hot', 'Rinsed with clear water again'],
  },
]
