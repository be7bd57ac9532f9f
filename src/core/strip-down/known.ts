import type { Thing } from './thing.ts'

/** A strip-down whose order and traps are known. */
export interface KnownStripDown {
  id: string
  name: string
  about: string
  kinds: string[]
  /** Before the first screw. */
  first: string[]
  tools: { name: string; why?: string }[]
  things: Thing[]
  /** Checked once all is back. */
  after: string[]
}

const t10 = (count: number, kind: string) => ({
  drive: 'torx' as const,
  size: 'T10',
  count,
  kind,
  tight: 'snug, not tight: they bite in plastic',
})
const cross = (count: number, kind?: string) => ({ drive: 'cross-head' as const, count, ...(kind && { kind }) })
const hex = (size: string, count: number, tight?: string) => ({
  drive: 'hex' as const,
  size: `${size} mm`,
  count,
  ...(tight && { tight }),
})
const hand = [{ drive: 'by hand' as const, count: 0 }]
const unplug = 'Switched off, unplugged, cooled: prove it dead before a hand goes in'

export const knownStripDowns: KnownStripDown[] = [
  {
    id: 'grinder-service',
    name: 'Grinder service',
    about: 'The built-in grinder opened, cleaned, its chute looked at, and set to its mark again.',
    kinds: ['sr', 'st'],
    first: [unplug, 'Beans out of the hopper', 'A cup for the screws, a marker at hand'],
    tools: [
      { name: 'Cross-head driver' },
      { name: 'T10 driver' },
      { name: 'Angled brush' },
      { name: 'Vacuum cleaner' },
      { name: 'Compressed air', why: 'only after the vacuum' },
      { name: 'Marker', why: 'where no line is on the plate' },
    ],
    things: [
      {
        name: 'Finger guard',
        where: 'over the burr mouth',
        way: 'thick side to the back',
        symbol: 'guard',
        fasteners: [{ ...cross(1), tight: 'snug, not cranked' }],
        trap: 'A safety part: it always goes back, or the machine does not.',
      },
      {
        name: 'Hopper, gasket',
        where: 'top of the grinder',
        mark: 'ring at 3 of 6',
        symbol: 'hopper',
        fasteners: [t10(3, 'silver')],
        trap: 'A twisted gasket sits high: beans fall beside the burrs.',
        before: 'The gasket comes with it: see how it lies.',
        back: 'Untwist the gasket first, run a finger all round; shake the hopper until it sits, then it does not move.',
      },
      {
        name: 'Top of the case',
        where: 'lift at the back, slide off',
        way: 'snaps in its grooves',
        symbol: 'case',
        fasteners: [{ ...t10(2, 'black'), tight: 'not overtight' }],
        trap: 'The rubber piece must be in before the top: else all of it is opened again.',
        back: 'Is the rubber piece in? Parts slide into grooves; spread the case a little, then snap.',
      },
      {
        name: 'Upper burr plate',
        where: 'push well down, twist to the stop, pull out',
        mark: 'line to line',
        symbol: 'plate',
        fasteners: hand,
        before: 'No white line on it? Mark your own across plate and body before it turns.',
        back: 'It fits one way only, hole to tab. Press and turn until the line meets its mark.',
      },
      {
        name: 'Rubber piece',
        where: 'under the burrs',
        way: 'nipple up',
        symbol: 'rubber',
        fasteners: hand,
        trap: 'Easily left on the bench: it goes in before the top.',
      },
      {
        name: 'Grinder, 2 plugs',
        where: 'straight up off its tabs',
        way: 'plug clips face out',
        symbol: 'grinder',
        fasteners: hand,
        before: 'Press the latch of each plug; wires may run on either side by year: photo.',
        back: 'Lower it on the spring, pieces on their posts, wires in their grooves; clips out for the next person.',
      },
      {
        name: 'Spring',
        where: 'under the grinder',
        symbol: 'spring',
        fasteners: hand,
        trap: 'Out before the vacuum cleaner comes near: it is sucked in.',
      },
      {
        name: 'Chute piece',
        where: 'mouth of the chute',
        way: 'flap stands at a slant',
        symbol: 'chute',
        fasteners: hand,
        before: 'Move the chute: a crack shows. A good one comes off only by a hard pull: leave it.',
        trap: 'The metal flap is bent when it is pulled.',
      },
    ],
    after: ['Line and mark meet', 'Hopper does not move', 'Nothing in the cup', 'A test dose is ground and weighed'],
  },
  {
    id: 'brew-unit-and-nozzle',
    name: 'Brew unit and nozzle seals',
    about: 'The unit washed and greased, and the two seals it is fed through looked at.',
    kinds: ['sr'],
    first: ['Unit in its home position', 'Switched off: hot drips'],
    tools: [{ name: 'Torch' }, { name: 'Food-safe grease' }, { name: 'Spare nozzle seals', why: 'they may tear' }],
    things: [
      { name: 'Water tank', where: 'side or back', symbol: 'tray', fasteners: hand },
      { name: 'Side door', where: 'over the brew unit', symbol: 'panel', fasteners: hand },
      {
        name: 'Brew unit',
        where: 'push the bar, slide it out',
        mark: 'home marks in line',
        symbol: 'unit',
        fasteners: hand,
        trap: 'Out of its home position it does not go back, and nothing forces it.',
        back: 'Grease only the coloured places; marks in line, then it slides by itself.',
      },
      {
        name: 'Nozzle seal 1',
        where: 'on the spout inside the body',
        symbol: 'gasket',
        fasteners: hand,
        before: 'Perished, flat or cracked? Then the water goes to the tray.',
        back: 'A film of food-safe grease, pushed home by the fingers.',
      },
      {
        name: 'Nozzle seal 2',
        where: 'behind the first',
        symbol: 'gasket',
        fasteners: hand,
        back: 'A film of food-safe grease.',
      },
    ],
    after: ['Rinse: the water comes into the cup, not into the tray', 'A drink of normal size'],
  },
  {
    id: 'screen-and-seal',
    name: 'Screen and seal',
    about: 'Shower screen and group seal levered out, cleaned, seated again.',
    kinds: ['lv', 'pt'],
    first: [
      'A spare seal is here: the old one may tear',
      'Brush round the screen first',
      'Tray in place: they fall into it',
    ],
    tools: [
      { name: 'Lever with a blunt end' },
      { name: 'Group brush' },
      { name: 'Cloth' },
      { name: 'Spare seal', why: 'it may tear' },
    ],
    things: [
      { name: 'Portafilter', where: 'in the group', symbol: 'part', fasteners: hand },
      {
        name: 'Screen with seal',
        where: 'lever one side, then the other, until both drop',
        way: 'holes down, seal clipped onto the screen',
        symbol: 'screen',
        fasteners: [{ drive: 'lever', count: 0 }],
        before: 'Hot: nothing with bare hands.',
        trap: 'A seal that is not seated leaks at the first shot.',
        back: 'Press the seal into the screen. Put both into a portafilter without basket and lock it in tight until they are seated.',
      },
    ],
    after: ['Tight with the empty portafilter', 'Tight with the basket in it'],
  },
  {
    id: 'screen-by-screw',
    name: 'Screen off',
    about: 'A screen held by a screw, and the block behind it.',
    kinds: ['c2', 'dv', 'dn', 'dg', 'bt'],
    first: [
      'Tray in place and its drain covered: the screw is lost there',
      'Spare gasket here where the gasket holds the screen',
    ],
    tools: [{ name: 'Stubby screwdriver' }, { name: 'Group brush' }, { name: 'Cloth' }],
    things: [
      {
        name: 'Screen screw',
        where: 'middle of the screen',
        symbol: 'nut',
        fasteners: [{ drive: 'slot', count: 1, tight: 'snug' }],
        trap: 'It runs down the drain: hold a cup under it.',
      },
      {
        name: 'Shower screen',
        where: 'under the block',
        way: 'mesh down',
        symbol: 'screen',
        fasteners: hand,
        before: 'Hot: cloth.',
      },
      {
        name: 'Dispersion block',
        where: 'behind the screen',
        way: 'channels up',
        symbol: 'plate',
        fasteners: hand,
        before: 'Only where it comes by hand; its face is dirtier than the screen’s.',
      },
    ],
    after: ['Water falls evenly', 'Nothing drips beside the screen'],
  },
  {
    id: 'steam-tip',
    name: 'Steam tip off',
    about: 'Tip and, where there is one, the inner tube behind it.',
    kinds: ['c2', 'lv', 'pt', 'dv', 'dn'],
    first: ['Steam shut, wand vented', 'Cool, or a cloth'],
    tools: [
      { name: 'Cloth' },
      { name: 'Awl or hex key, 0.5 to 1 mm', why: 'never a clip in its plastic sleeve' },
      { name: 'Cup for soaking' },
    ],
    things: [
      {
        name: 'Steam tip',
        where: 'end of the wand',
        symbol: 'tip',
        fasteners: [{ drive: 'by hand', count: 0, tight: 'hand tight only' }],
        before: 'Count its holes. Turn it seen from below; an inner tube may be felt behind it.',
        back: 'The tube sticks out of the wand: thread the tip over it, thread meets thread.',
        trap: 'Cross-threaded it leaks: start it backwards until it drops in.',
      },
    ],
    after: ['Steam from every hole', 'Nothing hisses at the thread'],
  },
  {
    id: 'upper-piston-gasket',
    name: 'Motor group: upper gasket',
    about: 'Upper piston out, its shower cleaned, its gasket new.',
    kinds: ['sp'],
    first: [
      'In manual movement: the motor does not feel a finger',
      'Door open, tray out',
      'Guides cleaned dry: no lubricant of any kind',
    ],
    tools: [{ name: '4 mm hex' }, { name: '2.5 mm hex' }, { name: 'Flat screwdriver' }, { name: 'Upper gasket' }],
    things: [
      { name: 'Decaf chute', where: 'in front of the upper piston', symbol: 'chute', fasteners: hand },
      {
        name: 'Upper piston',
        where: 'top of the group',
        symbol: 'piston',
        fasteners: [hex('4', 1, 'not yet tight: first the chamber lines it up')],
        back: 'Screw loose; move the chamber up: it lines the piston up; now tighten fully.',
        trap: 'Tightened before it is lined up, it seizes.',
      },
      {
        name: 'Upper gasket',
        where: 'on the piston',
        symbol: 'gasket',
        fasteners: [{ drive: 'slot', count: 0 }],
        back: 'Seat it all round with the flat of the driver, then look.',
      },
      { name: 'Small shower', where: 'face of the piston', symbol: 'screen', fasteners: [hex('2.5', 1)] },
    ],
    after: ['Chamber runs up and down without a mark on the gasket', 'Out of manual movement by the master switch'],
  },
  {
    id: 'lower-piston-gasket',
    name: 'Motor group: lower gasket',
    about: 'Lower piston, spring and clips out, gasket new.',
    kinds: ['sp'],
    first: ['In manual movement, hands out while it moves', 'Door open, tray out'],
    tools: [
      { name: '21 mm wrench' },
      { name: '2.5 mm hex' },
      { name: 'PTFE tape' },
      { name: 'High-temperature food grease' },
      { name: 'Lower gasket' },
    ],
    things: [
      {
        name: 'Brewing tube',
        where: 'quick joint: press the metal ring with two fingers, pull',
        symbol: 'tube',
        fasteners: hand,
        back: 'Push it in until the ring springs.',
      },
      {
        name: 'Lower C-clip',
        where: 'below the spring; chamber fully down',
        symbol: 'part',
        fasteners: [{ drive: 'clip', count: 1 }],
        back: 'Chamber down, then the clip.',
      },
      {
        name: 'Spring assembly, upper clip',
        where: 'chamber up: out whole',
        way: 'order matters: photo',
        symbol: 'spring',
        fasteners: [{ drive: 'clip', count: 1 }],
        trap: 'The order of spring and clips: one wrong and the piston hangs.',
      },
      {
        name: 'Nut',
        where: 'under the piston',
        symbol: 'nut',
        fasteners: [{ drive: 'wrench', size: '21 mm', count: 1 }],
        back: 'PTFE tape on the thread.',
      },
      {
        name: 'Lower gasket',
        where: 'on the piston',
        symbol: 'gasket',
        fasteners: hand,
        back: 'One drop of high-temperature food grease, no more.',
      },
      { name: 'Lower piston', where: 'out of the chamber', symbol: 'piston', fasteners: hand },
      { name: 'Shower', where: 'face of the piston', symbol: 'screen', fasteners: [hex('2.5', 1)] },
    ],
    after: ['Piston moves freely up and down', 'Tube in its joint'],
  },
  {
    id: 'latte-machine-opened',
    name: 'Case opened, boiler out',
    about: 'Covers, tubes and boiler of a pump latte machine.',
    kinds: ['pd'],
    first: [unplug, 'Tank out', 'The label says no parts inside are for the user: only who may open it does'],
    tools: [
      { name: 'Y driver' },
      { name: 'Cross-head driver' },
      { name: 'Hex key' },
      { name: 'Camera', why: 'for the cable ties' },
    ],
    things: [
      {
        name: 'Back panel',
        where: 'back',
        symbol: 'panel',
        fasteners: [{ drive: 'Y', count: 2 }],
        trap: 'Security screws: careful with a flat driver.',
      },
      { name: 'Side without tank', where: 'push it forward', symbol: 'panel', fasteners: [cross(3)] },
      { name: 'Side of the tank', where: 'push it forward', symbol: 'panel', fasteners: [cross(3)] },
      { name: 'Front', where: 'front', symbol: 'panel', fasteners: [cross(8)] },
      {
        name: 'Top',
        where: 'up and to the front: clips let go',
        symbol: 'case',
        fasteners: hand,
        back: 'Bottom tabs first, then snap top and sides.',
      },
      {
        name: 'Tube, 2 O-rings',
        where: 'exit valve: bend the clip’s legs, draw it, pull',
        symbol: 'tube',
        fasteners: [{ drive: 'clip', count: 1 }],
        trap: 'Two O-rings pop out and roll away: count them.',
        back: 'Both O-rings on, clip locked.',
      },
      {
        name: 'Boiler',
        where: 'frame',
        symbol: 'boiler',
        fasteners: [cross(8, 'crossbar and frame'), { drive: 'hex', count: 4, kind: 'base' }],
        before: 'Plugs off; photo of every wire.',
        back: 'Refit with the tube to the head still off, and test the stream before closing.',
      },
    ],
    after: [
      'Good stream with the head tube off, then at the head',
      'Cable ties as in the photos',
      'Tested for electrical safety before it goes back',
    ],
  },
]

export const knownFor = (kind: string): KnownStripDown[] => knownStripDowns.filter(({ kinds }) => kinds.includes(kind))
