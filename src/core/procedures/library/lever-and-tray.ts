import type { Procedure } from '../procedure.ts'
import { alkaline, check, figure, hands, hotWater, soak } from '../step-parts.ts'

/** Cam and moving parts of a lever group. */
export const camGrease: Procedure = {
  id: 'cam-grease',
  version: 1,
  family: 'service',
  name: 'Lever’s cam greased',
  about: 'After detergent the lever squeaks: its cam wants food-safe grease now and then.',
  kinds: ['lv'],
  writes: [{ entry: 'greased', task: 'cam-grease' }],
  schools: [
    {
      id: 'thin-film',
      name: 'a thin film',
      reason: 'A thin film of food-safe grease on cam and pins; more is washed into the coffee by the next flush.',
      usualFor: ['lv'],
      figures: [
        figure('Grease', 'food-safe, high-temperature'),
        figure('How often', 'when the lever stays stiff; with general service'),
      ],
      tools: [{ name: 'Spanner for the cap' }, { name: 'Cloth' }, { name: 'Small brush' }],
      materials: [{ name: 'Food-safe grease' }],
      parts: [
        {
          id: 'cam',
          name: 'Cam',
          steps: [
            hands('cold', 'Off, cold, pressure 0', 30, {
              gate: true,
              caution: {
                hazard: 'pressure',
                say: 'Only at pressure 0 and cold: the group is full of hot water under pressure.',
              },
              at: ['lever', 'gauge'],
            }),
            hands('open', 'Lever’s cap off, cam out', 120, { at: ['lever'] }),
            hands('wipe', 'Wipe off the old grease', 60, { at: ['lever'] }),
            {
              id: 'grease',
              say: 'A thin film on cam and pins',
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the cam',
              handsS: 60,
              at: ['lever'],
            },
            hands('close', 'Cam in, cap on, snug', 120, { at: ['lever'] }),
            check(
              'moves',
              'Lift and lower it three times, water on',
              'How does it move?',
              [
                ['smooth', 'Smooth, tight, no squeak', 'pass'],
                ['weeps', 'It weeps at the cap', 'repeat', 'close', 'Not tight: cap once more.'],
              ],
              { at: ['lever', 'group'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** Tray, drain and outside. */
export const trayAndBody: Procedure = {
  id: 'tray-and-body',
  version: 1,
  family: 'brewing',
  name: 'Tray, drain and body',
  about: 'Emptied, unstained, dried; the hose rinsed; the outside wiped.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd'],
  writes: [{ entry: 'cleaned', task: 'drain-hose-clean' }],
  schools: [
    {
      id: 'rinsed-and-dried',
      name: 'rinsed and dried',
      reason: 'Water that stands in a tray grows slime and smells; dried it drains as it should.',
      usualFor: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd'],
      figures: [figure('Stains', 'residue spray, about 1 min'), figure('How often', 'tray daily; hose regularly')],
      tools: [{ name: 'Soft damp cloth' }, { name: 'Brush' }],
      materials: [{ name: 'Coffee-residue spray', why: 'where it is stained' }],
      parts: [
        {
          id: 'tray',
          name: 'Tray',
          steps: [
            hands('empty', 'Tray out, emptied before it is heavy', 30, { at: ['tray'] }),
            hands('spray', 'Spray the stains', 15, { caution: alkaline }),
            soak('spray-works', 'Leave the spray', 'Spray on the tray', 60),
            hands('wipe', 'Wipe, rinse, dry', 60, { at: ['tray'] }),
            hands('hose', 'Hot water through the drain, hose looked at', 40, {
              at: ['tray'],
              wrong: 'It stands: the hose is shut by grounds. Take it off and clean it.',
            }),
            hands('back', 'Tray back, its hole under the drain', 20, { at: ['tray'] }),
            hands('body', 'Wipe the outside with a soft damp cloth', 60, { how: 'Nothing abrasive, no solvent.' }),
          ],
        },
      ],
    },
  ],
}
