import { look, repair } from '../build.ts'
import { byEye, live, opened, type Sort } from './sort.ts'

/** What counts water. `silent`: no pulses; `few`: too few, cups too long; `many`: too many, cups too short. */
export const flowMeter: Sort = {
  modes: [
    {
      id: 'jammed',
      name: '{part} jammed by a flake',
      does: 'silent',
      share: 0.5,
      shows: { wheel: { jammed: 0.9 } },
      traits: ['flakes'],
      repair: repair('{part} out, wheel freed, rinsed', 20),
    },
    {
      id: 'sensor',
      name: '{part}: its sensor dead',
      does: 'silent',
      share: 0.4,
      shows: { pulses: { stands: 0.9 } },
      repair: repair('New sensor, else new meter', 20),
    },
    {
      id: 'plug',
      name: '{part}: plug or wire off, wet or green',
      does: 'silent',
      share: 0.4,
      shows: { plug: { off: 0.9 }, pulses: { stands: 0.6 } },
      traits: ['refit'],
      beside: true,
      repair: repair('Plug dried, cleaned, pushed home; wire made good', 12),
    },
    {
      id: 'few',
      name: '{part} counts too few',
      does: 'few',
      share: 0.6,
      shows: { wheel: { worn: 0.7 }, pulses: { few: 0.8 } },
      traits: ['chalk'],
      repair: repair('{part} cleaned or new, doses set anew', 20),
    },
    {
      id: 'many',
      name: '{part} counts too many: cups too short',
      does: 'many',
      share: 0.25,
      shows: { pulses: { many: 0.85 } },
      repair: repair('Air and beats of the pump looked for; else new, doses set anew', 25),
    },
  ],
  looks: [
    look(
      'plug',
      '{part}: its plug and wire',
      '',
      3,
      { fast: 'Dry, bright, home', off: 'Off, wet or green' },
      {},
      byEye,
    ),
    look(
      'wheel',
      '{part} open: its wheel',
      '',
      12,
      { turns: 'Turns at a breath, magnets in it', jammed: 'Jammed', worn: 'Turns heavily, chalked' },
      {},
      opened,
    ),
    look(
      'pulses',
      '{part}: pulses against a measured 100 ml, on its service page or a meter',
      '',
      6,
      { counts: 'As its print says', stands: 'None', few: 'Too few', many: 'Too many' },
      {},
      live,
    ),
  ],
}
