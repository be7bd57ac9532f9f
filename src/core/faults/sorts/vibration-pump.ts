import { look, repair } from '../build.ts'
import { feedLook, plugLook, unfed } from './shared.ts'
import { byEye, metered, opened, type Sort } from './sort.ts'

/** A pump that a coil swings. `dead`: silent; `weak`: it runs and moves little; `loud`: it is heard. */
export const vibrationPump: Sort = {
  modes: [
    {
      id: 'coil-open',
      name: '{part}: coil open',
      does: 'dead',
      share: 0.6,
      shows: { coil: { open: 0.95 } },
      repair: repair('New pump; why it ran hot', 25),
    },
    {
      id: 'seized',
      name: '{part} seized with chalk: it hums',
      does: 'dead',
      share: 0.4,
      shows: { moved: { stuck: 0.9 } },
      traits: ['stuck', 'chalk'],
      repair: repair('Freed once, else new', 25),
    },
    unfed('dead', 0.35),
    {
      id: 'worn',
      name: '{part} worn: piston, spring or ring',
      does: 'weak',
      share: 0.7,
      shows: { moved: { dry: 0.5 } },
      repair: repair('New pump', 25),
    },
    {
      id: 'valves',
      name: '{part} runs, but its own valves stick',
      does: 'weak',
      share: 0.35,
      shows: { moved: { sticky: 0.85 } },
      traits: ['stuck', 'flakes'],
      repair: repair('Descaler drawn through, valves freed; else new', 20),
    },
    {
      id: 'mount',
      name: '{part} rattles: its rubbers or a touching pipe',
      does: 'loud',
      share: 0.5,
      shows: { mount: { loose: 0.9 } },
      traits: ['refit'],
      beside: true,
      repair: repair('Rubbers new, pipe bent clear', 15),
    },
  ],
  looks: [
    look(
      'coil',
      '{part}: its coil measured both ways, plug off',
      '',
      4,
      { right: 'As its print says', open: 'Open' },
      {},
      metered,
    ),
    plugLook,
    look(
      'moved',
      '{part}: hoses off, its piston pressed with a rod, blown through',
      '',
      8,
      {
        springs: 'Springs back, passes one way only',
        stuck: 'Does not move',
        sticky: 'Moves, passes both ways or not at all',
        dry: 'Moves, rough, play',
      },
      {},
      opened,
    ),
    look(
      'mount',
      '{part}: its rubbers and what touches it',
      '',
      3,
      { free: 'Whole, nothing touches', loose: 'Torn, or a pipe lies on it' },
      {},
      byEye,
    ),
    feedLook('{part}: voltage at its plug when it should run'),
  ],
}
