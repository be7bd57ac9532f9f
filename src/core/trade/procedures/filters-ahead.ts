import type { Procedure } from '../../procedures/procedure.ts'
import { check, drinkingWater, figure, hands, wait } from '../../procedures/step-parts.ts'
import { plumbed } from './kinds-by-build.ts'

/** A cartridge changed and flushed. */
export const changeCartridge: Procedure = {
  id: 'change-cartridge',
  version: 2,
  family: 'water',
  name: 'Cartridge changed',
  about: 'Old one out, bypass set, new one flushed until it is clear.',
  kinds: plumbed,
  behind: 'cartridge',
  writes: [{ entry: 'cartridge-changed', task: 'cartridge', of: 'softener', by: ['in', 'flush'] }],
  ways: [
    {
      id: 'flushed-five-litres',
      name: 'flushed five litres',
      reason:
        'Dust and air of a new cartridge go into the drain, not into the boiler; the bypass is set before, by the raw water’s carbonate hardness.',
      usualFor: plumbed,
      figures: [
        figure('Flush', '5 L (2 to 10)'),
        figure('Bypass', '50, 40, 30, 20 % by carbonate hardness', 'M'),
        figure('Whatever the litres', '12 months'),
      ],
      tools: [{ name: 'Bucket, 10 L' }, { name: 'Carbonate hardness drops' }],
      materials: [{ name: 'Cartridge' }],
      parts: [
        {
          id: 'cartridge',
          name: 'Cartridge',
          steps: [
            hands('machine-off', 'Machine off, tap shut, pressure let off', 30, {
              at: ['mains', 'softener'],
              gate: true,
              state: { power: 'off', supply: 'shut' },
              caution: { hazard: 'pressure', say: 'The head opens only at pressure 0: let it out at the tap behind.' },
            }),
            hands('out', 'Old cartridge out', 40, {
              at: ['softener'],
              how: 'Its seal stays with it: look that none is left in the head.',
            }),
            {
              id: 'raw',
              say: 'Carbonate hardness of the raw water',
              act: 'measure',
              ask: 'Raw, carbonate',
              unit: '°dH',
              handsS: 60,
              at: ['mains'],
            },
            hands('bypass', 'Set the bypass by it', 20, { at: ['softener'] }),
            hands('in', 'New one in, its date written on it', 40, { at: ['softener'] }),
            hands('flush', 'Five litres through it into the bucket', 180, { at: ['softener'] }),
            check(
              'clear',
              'Look at the bucket',
              'How is the water?',
              [
                ['clear', 'Clear, no bubbles', 'pass'],
                ['dusty', 'Dust or bubbles', 'repeat', 'flush', 'Flush on.'],
              ],
              { at: ['softener'] },
            ),
            hands('leaks', 'Tap open, machine on, look for drips', 60, {
              at: ['softener', 'mains'],
              state: { supply: 'open', power: 'on' },
            }),
          ],
        },
      ],
    },
  ],
}

/** Carbon or sediment ahead of it. */
export const changePrefilter: Procedure = {
  id: 'change-prefilter',
  version: 1,
  family: 'water',
  name: 'Prefilter changed',
  about: 'Carbon or sediment filter out, housing washed, the new one flushed until it is clear.',
  kinds: plumbed,
  behind: 'any',
  writes: [{ entry: 'prefilter-changed', task: 'prefilter', of: 'softener', by: ['in', 'flush'] }],
  ways: [
    {
      id: 'flushed-until-clear',
      name: 'flushed until it is clear',
      reason: 'Carbon gives off dust at first: it goes down the drain, not into the resin or the machine behind it.',
      usualFor: plumbed,
      every: { words: 'every 6 to 12 months, or when the flow falls', days: 365, mark: 'M' },
      figures: [figure('Flush', '10 L and until it is clear', 'M'), figure('Whatever the litres', '12 months', 'M')],
      tools: [{ name: 'Housing spanner' }, { name: 'Bucket, 10 L' }],
      materials: [{ name: 'Filter' }, { name: 'O-ring of the housing', why: 'the old one may be flat' }],
      parts: [
        {
          id: 'filter',
          name: 'Filter',
          steps: [
            hands('off', 'Machine off, tap shut, pressure let off', 30, {
              at: ['mains', 'softener'],
              gate: true,
              state: { power: 'off', supply: 'shut' },
              caution: { hazard: 'pressure', say: 'The housing opens only at pressure 0.' },
            }),
            hands('out', 'Housing off over the bucket, old filter out', 60, { at: ['softener'] }),
            hands('wash', 'Housing washed, O-ring looked at, greased', 60, {
              at: ['softener'],
              how: 'Food-grade silicone grease; never petroleum jelly.',
              caution: drinkingWater,
            }),
            hands('in', 'New filter in, date on it, housing hand tight', 40, { at: ['softener'] }),
            hands('flush', 'Tap half open, flush into the bucket', 120, {
              at: ['softener'],
              state: { supply: 'open' },
            }),
            check(
              'clear',
              'Look at the bucket',
              'How is the water?',
              [
                ['clear', 'Clear', 'pass'],
                ['dusty', 'Dust', 'repeat', 'flush', 'Flush on.'],
              ],
              { at: ['softener'] },
            ),
            hands('leaks', 'Tap full open, machine on, look for drips', 40, {
              at: ['softener', 'mains'],
              state: { power: 'on' },
            }),
          ],
        },
      ],
    },
  ],
}

/** The membrane of a reverse osmosis. */
export const changeMembrane: Procedure = {
  id: 'change-membrane',
  version: 1,
  family: 'water',
  name: 'Membrane changed',
  about: 'Permeate measured before, membrane out, the new one flushed, blend set again, measured after.',
  kinds: plumbed,
  behind: 'membrane',
  writes: [{ entry: 'membrane-changed', task: 'membrane', of: 'softener', by: ['in', 'flush'] }],
  ways: [
    {
      id: 'by-conductivity',
      name: 'judged by conductivity',
      reason: 'A membrane is spent when it lets a tenth of the feed’s conductivity through: measured, not dated.',
      usualFor: plumbed,
      every: { words: 'when it lets a tenth of the feed through; two to three years', days: 900, mark: 'M' },
      figures: [
        figure('Spent', 'permeate above a tenth of the feed', 'M'),
        figure('First permeate', 'an hour or 20 L away', 'M'),
      ],
      tools: [{ name: 'Conductivity pen' }, { name: 'Housing spanner' }, { name: 'Bucket' }],
      materials: [{ name: 'Membrane' }, { name: 'Prefilters', why: 'changed with it' }],
      parts: [
        {
          id: 'membrane',
          name: 'Membrane',
          steps: [
            {
              id: 'feed',
              say: 'Conductivity of the feed',
              act: 'measure',
              ask: 'Feed',
              unit: 'µS/cm',
              handsS: 30,
              at: ['mains'],
            },
            {
              id: 'permeate',
              say: 'Conductivity of the permeate, blend shut',
              act: 'measure',
              ask: 'Permeate',
              unit: 'µS/cm',
              handsS: 60,
              at: ['softener'],
            },
            hands('off', 'Machine off, tap shut, pressure let off', 40, {
              at: ['mains', 'softener'],
              gate: true,
              state: { power: 'off', supply: 'shut' },
              caution: { hazard: 'pressure', say: 'Housing and tank keep pressure: let it out at the tap first.' },
            }),
            hands('out', 'Housing open, membrane out, its direction noted', 120, { at: ['softener'] }),
            hands('in', 'New one in, seals wetted, housing shut', 120, {
              at: ['softener'],
              how: 'Clean hands or gloves: drinking water passes it.',
              caution: drinkingWater,
            }),
            hands('tap', 'Tap open, waste hose above the drain', 30, {
              at: ['softener', 'mains'],
              state: { supply: 'open' },
              caution: drinkingWater,
            }),
            wait('flush', 'First permeate away', 'an hour is over, or 20 L are through', 3600, {
              at: ['softener'],
              mark: 'M',
            }),
            {
              id: 'after',
              say: 'Conductivity of the permeate',
              act: 'measure',
              ask: 'Permeate',
              unit: 'µS/cm',
              handsS: 30,
              at: ['softener'],
            },
            hands('blend', 'Blend set again, measured behind it, machine on', 90, {
              at: ['softener'],
              state: { power: 'on' },
              how: 'Pure permeate corrodes, and its level probe may not see it.',
            }),
          ],
        },
      ],
    },
  ],
}
