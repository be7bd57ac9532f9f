import { check, hands, hotWater } from '../../../procedures/step-parts.ts'
import { type Job, seen } from './job.ts'

export const spouts: Job = {
  id: 'spouts-and-container',
  name: 'Spouts and grounds container washed',
  about: 'Spouts off and brushed, container and tray washed, dried, back.',
  kinds: ['sr', 'st', 'sp'],
  writes: [],
  way: 'brushed-and-dried',
  wayName: 'brushed and dried',
  reason: 'Mould begins where grounds stay warm and wet: brushed, dried, every day the container, weekly the spouts.',
  every: { words: 'container daily, spouts weekly', days: 7, mark: 'M' },
  figures: [
    ['Washing-up liquid', 'yes, rinsed'],
    ['Dishwasher', 'only what its leaflet lists'],
  ],
  tools: [{ name: 'Thin brush' }, { name: 'Cloth' }],
  steps: [
    hands('out', 'Container and tray out, with the machine on', 20, {
      at: ['tray'],
      state: { power: 'on', tray: 'out' },
      how: 'Off it does not count them as emptied.',
      caution: { hazard: 'scald', say: 'The tray may be full of hot water: level, both hands.' },
    }),
    hands('wash', 'Washed, corners brushed, dried', 90, { at: ['tray'] }),
    hands('spouts', 'Spouts off, brushed through, rinsed, back', 90, {
      at: ['spout'],
      caution: { hazard: 'scald', say: 'Spouts drip hot: nobody draws a drink meanwhile.' },
    }),
    hands('back', 'Container and tray back', 20, { at: ['tray'], state: { tray: 'in' } }),
    check(
      'runs',
      'A rinse',
      'How does it run?',
      [
        ['even', 'Even, from both', 'pass'],
        ['one', 'From one only', 'repeat', 'spouts', 'One is shut: brush once more.'],
      ],
      { at: ['spout'], state: { power: 'on', heat: 'hot', tray: 'in' }, caution: hotWater },
    ),
  ],
}

export const powder: Job = {
  id: 'powder-mixer',
  name: 'Powder mixer washed',
  about: 'Container off, mixing bowl and whisk out, washed, dried wholly, back, shaft seal looked at.',
  kinds: ['sp'],
  needs: { stations: ['powder'], why: 'It has no powder.' },
  writes: [],
  way: 'washed-and-dried',
  wayName: 'washed, dried wholly',
  reason: 'A damp bowl cakes the powder within the hour, and sugar under the whisk ends its seal.',
  every: { words: 'daily rinsed, weekly apart', days: 7, mark: 'M' },
  figures: [
    ['Dry', 'wholly, before any powder'],
    ['Shaft seal', 'whole, no powder behind it'],
  ],
  tools: [{ name: 'Brush' }, { name: 'Cloth' }],
  materials: [{ name: 'Shaft seal' }],
  steps: [
    hands('off', 'Switched off, container off and shut', 30, {
      at: ['powder'],
      state: { power: 'off' },
      gate: true,
      caution: { hazard: 'pinch', say: 'Whisk and screw turn by themselves: off first.' },
    }),
    hands('apart', 'Bowl and whisk out', 30, { at: ['powder'] }),
    seen('seal', 'Shaft seal', 'powder-mixer', ['powder']),
    hands('wash', 'Washed, rinsed, dried wholly', 120, { at: ['powder'] }),
    hands('back', 'Whisk, bowl, container back', 45, { at: ['powder'] }),
    hands('drink', 'On, a powder drink away', 45, {
      at: ['powder', 'spout'],
      state: { power: 'on', heat: 'hot', tray: 'in' },
      caution: hotWater,
    }),
  ],
}
