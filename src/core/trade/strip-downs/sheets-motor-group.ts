import { byHand, clips, dead, hexes, type KnownStripDown, nuts, thing } from '../../strip-down/known-strip-down.ts'

const moved = 'In manual movement; hands out while it moves, master switch off while they are in'
const cool = 'Group cooled, or gloves: it stands at 85 to 90 °C'

/** The motor-driven piston group, piece by piece. Common practice, no source, but where it says from memory. */
export const motorGroupSheets: KnownStripDown[] = [
  {
    id: 'upper-piston-gasket',
    name: 'Motor group: upper piston',
    about: 'Upper piston out, its shower cleaned, its gasket new, lined up by the chamber.',
    kinds: ['sp'],
    station: 'group',
    first: [moved, cool, 'Door open, tray out'],
    tools: [{ name: '4 mm hex' }, { name: '2.5 mm hex' }, { name: 'Flat screwdriver' }, { name: 'Upper gasket' }],
    things: [
      thing('Decaf chute', 'in front of the upper piston', 'chute', byHand, {
        trap: 'Left on the bench the door does not shut: it goes back last.',
      }),
      thing(
        'Upper piston',
        'top of the group',
        'piston',
        hexes('4', 1, 'not yet tight: first the chamber lines it up'),
        {
          back: 'Screw loose; hands out, chamber up: it lines the piston up; master switch off, now tighten.',
          trap: 'Tightened before it is lined up, it seizes.',
        },
      ),
      thing('Upper gasket', 'on the piston', 'gasket', [{ drive: 'slot', count: 0 }], {
        parts: ['upper-gasket'],
        back: 'Seat it all round with the flat of the driver, then look.',
      }),
      thing('Upper shower', 'face of the piston', 'screen', hexes('2.5', 1), { parts: ['showers'] }),
    ],
    turning: [
      'Shower brushed, held to the light: every hole free',
      'Piston wall looked at: no score',
      'No grease on the guides, ever',
    ],
    broken: ['A gasket with a flat or a nick: water beside the piston, coffee weak'],
    after: [
      'Chamber runs up and down without a mark on the gasket',
      'Decaf chute and tray in',
      'Out of manual movement by the master switch',
    ],
  },
  {
    id: 'lower-piston-gasket',
    name: 'Motor group: lower piston',
    about: 'Lower piston, spring and clips out by moves of the chamber, gasket new.',
    kinds: ['sp'],
    station: 'group',
    first: [moved, cool, 'Door open, tray out', 'Glasses on: springs'],
    tools: [
      { name: '21 mm wrench' },
      { name: '2.5 mm hex' },
      { name: 'Circlip pliers' },
      { name: 'PTFE tape' },
      { name: 'High-temperature food grease' },
      { name: 'Lower gasket' },
    ],
    things: [
      thing('Brewing tube', 'quick joint: press its metal ring, pull', 'tube', byHand, {
        parts: ['brewing-tube'],
        back: 'Push it in until the ring springs; it does not pull out.',
      }),
      thing('Lower C-clip', 'below the spring; chamber fully down first, hands out while it moves', 'clip', clips(), {
        parts: ['clips'],
        back: 'Chamber down, master switch off, then the clip: it snaps in all round.',
        trap: 'It flies: held by the pliers, face away.',
      }),
      thing('Spring assembly', 'chamber up, hands out; then out whole', 'spring', byHand, {
        way: 'order matters: photo',
        trap: 'Under tension. One piece in the wrong order and the piston hangs.',
      }),
      thing('Upper C-clip', 'above the spring', 'clip', clips(), {
        parts: ['clips'],
        trap: 'The two clips are not alike: each to its own place.',
      }),
      thing('Nut', 'under the piston', 'nut', nuts('21'), { back: 'PTFE tape on the thread.' }),
      thing('Lower piston', 'out of the chamber', 'piston'),
      thing('Lower gasket', 'on the piston', 'gasket', byHand, {
        parts: ['lower-gasket'],
        back: 'One drop of high-temperature food grease, no more.',
      }),
      thing('Lower shower', 'face of the piston', 'screen', hexes('2.5', 1), { parts: ['showers'] }),
    ],
    turning: ['Lower shower brushed, held to the light', 'Chamber wall looked at: no score', 'Spring whole, not set'],
    broken: [
      'A broken spring: the puck stays soft, water runs round it',
      'A clip that is bent open: it comes off under way',
    ],
    after: [
      'Piston moves freely up and down',
      'Tube does not pull out of its joint',
      'A coffee: no drip below the group',
    ],
  },
  {
    id: 'group-heater',
    name: 'Motor group: heating element',
    about: 'The group’s own heater, from below or whole, its plug pin by pin.',
    kinds: ['sp'],
    station: 'group-heater',
    opens: true,
    first: [dead, cool, 'Door open, tray out'],
    tools: [{ name: '2 mm hex' }, { name: 'Pin extractor' }, { name: 'Multimeter' }],
    things: [
      thing('Holding screw', 'front of the group', 'screws', hexes('2', 1, 'loosened, not out'), {}),
      thing('Heating element', 'pull with slight pressure from below', 'element', byHand, {
        parts: ['group-heater'],
        trap: 'Its leads are short: never by the leads.',
      }),
      thing('Rear screws', 'behind the group, for full release', 'screws', hexes('2', 2)),
      thing('Contacts of its plug', 'out of the connector by the extractor', 'plug', byHand, {
        way: 'which pin in which hole: photo',
        trap: 'A pin that does not click in pulls back when it is plugged.',
      }),
    ],
    turning: ['Measured dead: ohms as its plate, none to earth', 'Seat wiped dry: no coffee under the element'],
    broken: ['Open circuit: the group stays cold', 'Low to earth: the protective device trips when it warms up'],
    after: ['Earth lead on', 'Every pin clicked in', 'Tested for electrical safety before it is used'],
  },
  {
    id: 'endless-screw',
    name: 'Motor group: endless screw and nut',
    about: 'Motor off, screw out of the chamber, its nut looked at.',
    kinds: ['sp'],
    station: 'spindle',
    opens: true,
    first: [dead, cool, 'Chamber supported: it drops when the screw is out'],
    tools: [{ name: '2.5 mm hex' }, { name: 'Brush' }, { name: 'Torch' }],
    things: [
      thing('Motor', 'top of the group', 'grinder', hexes('2.5', 3), {
        parts: ['group-motor'],
        way: 'plug to the back',
        before: 'Plug off, lead tied away.',
      }),
      thing('Endless screw', 'unscrew it upwards', 'spindle', byHand, {
        parts: ['endless-screw'],
        trap: 'The chamber drops: a hand under it, none in it.',
      }),
      thing('Nut in the chamber', 'on the screw', 'nut', byHand, { parts: ['spindle-nut'] }),
    ],
    turning: [
      'Thread brushed dry, looked at: flanks whole',
      'Nut on the screw: play felt, brass dust looked for',
      'Grease only where its maker says, none on the guides',
    ],
    broken: ['Brass dust below the screw: the nut is going', 'A stripped nut: the motor runs, nothing moves'],
    after: [
      'Runs up and down by its keys, hands out',
      'Earth lead on',
      'Tested for electrical safety before it is used',
    ],
  },
  {
    id: 'guides-shield-bushing',
    name: 'Motor group: guides, shield, spiral bushing',
    about: 'Both guides out by hand, shield off the chamber, bushing out of the group.',
    kinds: ['sp'],
    station: 'spindle',
    opens: true,
    first: [dead, cool, 'Upper piston and endless screw out'],
    tools: [{ name: '3 mm hex' }, { name: '2.5 mm hex' }, { name: 'Dry cloth' }],
    things: [
      thing('Left guide', 'one screw at the top; down and out by hand', 'guide', hexes('3', 1), {
        parts: ['guides'],
        back: 'Dry. No lubricant of any sort.',
      }),
      thing('Right guide', 'one screw at the top; down and out by hand', 'guide', hexes('3', 1), {
        parts: ['guides'],
        back: 'Dry. No lubricant of any sort.',
      }),
      thing('Shield', 'on the brew chamber', 'panel', hexes('2.5', 2), { way: 'lip to the front' }),
      thing('Spiral bushing', 'inside the group', 'nut', hexes('2.5', 4), {
        parts: ['spindle-nut'],
        trap: 'Four screws crosswise: askew it eats the screw.',
      }),
    ],
    turning: [
      'Guides wiped dry, rolled on glass: straight',
      'Bores of the chamber brushed out dry',
      'Bushing on the screw: runs by its own weight',
    ],
    broken: ['A bent guide: the chamber stalls at the same place each time'],
    after: [
      'Chamber slides by hand without a catch',
      'Shield does not rub',
      'Earth lead on',
      'Tested for electrical safety before it is used',
    ],
  },
]
