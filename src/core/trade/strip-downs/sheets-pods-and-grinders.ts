import { byHand, crosses, dead, type KnownStripDown, thing } from '../../strip-down/known-strip-down.ts'

/** Heads of pod machines, burrs of grinders. Order from memory; each model differs. */
export const podAndGrinderSheets: KnownStripDown[] = [
  {
    id: 'pod-head-and-needle',
    name: 'Head and needle',
    about: 'Capsule cage, seal and piercing needle of a pod machine.',
    kinds: ['pk', 'pl'],
    station: 'head',
    first: [dead, 'Head cold: half an hour after the last coffee', 'Cut-proof glove on'],
    tools: [{ name: 'Soft brush' }, { name: 'Thin pick' }, { name: 'Cross-head driver' }],
    things: [
      thing('Cage', 'in the head', 'case', byHand, { parts: ['cage'], way: 'nose to the front' }),
      thing('Seal of the head', 'round the needle plate', 'gasket', byHand, {
        parts: ['head-gasket'],
        back: 'Pressed in all round.',
      }),
      thing('Needle plate', 'behind the seal', 'needle', crosses(2), {
        parts: ['needle'],
        before: 'Sharp: held by its rim.',
        trap: 'One way round only: hole to pin.',
      }),
    ],
    turning: [
      'Each hole of the needle picked free, from outside in',
      'Seat of the seal wiped',
      'Linkage moved by hand: no catch',
    ],
    broken: ['A blunt needle: capsules burst beside it', 'A torn seal: water runs back beside the capsule'],
    after: ['Closes without force', 'A cycle without capsule: an even stream, dry beside it'],
  },
  {
    id: 'grinder-burrs',
    name: 'Burrs of a grinder',
    about: 'Hopper, ring and upper burr out, both looked at, thread clean, zero found again.',
    kinds: ['gr'],
    station: 'burrs',
    first: [dead, 'Beans out', 'Mark across ring and body'],
    tools: [
      { name: 'Cross-head driver for the burr screws' },
      { name: 'Brush' },
      { name: 'Vacuum cleaner' },
      { name: 'Food-grade silicone grease' },
    ],
    things: [
      thing('Hopper', 'top of the grinder', 'hopper', byHand),
      thing('Setting ring', 'turned up out of its thread', 'plate', byHand, {
        parts: ['carrier'],
        mark: 'turns counted, start of the thread marked',
        trap: 'In another start of the thread the scale lies.',
      }),
      thing('Upper burr', 'in the ring', 'plate', crosses(3), {
        parts: ['burrs'],
        before: 'Sharp: held by its rim.',
        back: 'Seat clean: a grain under it and it runs askew.',
      }),
      thing('Lower burr', 'on the motor', 'plate', crosses(3), { parts: ['burrs'], back: 'Crosswise, seat clean.' }),
    ],
    turning: [
      'Vacuum first, then brush; every grain out of the thread',
      'Edges against the light: sharp, no chip',
      'A thin film of grease on the thread, none on the burrs',
      'Zero: by hand, plug out, until they just touch; a quarter turn back',
    ],
    broken: ['A chip in an edge: a stone went through', 'Rounded edges: flour and boulders at once'],
    after: ['Turns by hand without a scrape', 'Three doses alike'],
  },
]
