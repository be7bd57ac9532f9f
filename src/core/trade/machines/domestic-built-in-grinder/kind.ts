import { grinderMachine } from '../../shared/parts/grinder-kind.ts'

/** Domestic machine with a grinder and a cleaning programme of its own. */
export const dg = grinderMachine(
  {
    id: 'dg',
    version: 1,
    name: 'domestic, built-in grinder, cleaning programme',
    about: 'Tank at the back, thermoblock, grinder over the portafilter, a knob for steam and hot water, a cleaning lamp.',
    options: [
      {
        id: 'blinking-lamp',
        name: 'Lamp that both blinks and stays on (newer revision)',
        standard: true,
        howToTell: [
          { look: 'Its leaflet says of the cleaning lamp: illuminates or blinks', means: 'fitted' },
          { look: 'The lamp has been seen to blink', means: 'fitted' },
          { look: 'Its leaflet says only: illuminates', means: 'not fitted' },
        ],
        mark: 'T',
      },
    ],
    prompts: [
      { id: 'clean-new', where: 'Cleaning lamp', shows: 'blinking', means: 'run the cleaning programme: tablet, single basket, disc', asksFor: 'cleaning-programme', mark: 'T', with: 'blinking-lamp' },
      { id: 'descale-new', where: 'Cleaning lamp', shows: 'solid', means: 'descale it', asksFor: 'descale', mark: 'T', with: 'blinking-lamp' },
      {
        id: 'clean-old',
        where: 'Cleaning lamp',
        shows: 'solid',
        means: 'run the cleaning programme: this revision means cleaning by a steady lamp, and never asks for a descale',
        asksFor: 'cleaning-programme',
        distrust: 'The same steady lamp means descale on the newer revision: look which one it is.',
        mark: 'T',
        without: 'blinking-lamp',
      },
      {
        id: 'clean-mode',
        where: 'All lamps, gauge',
        shows: 'solid',
        looks: 'lamps on and the gauge rising',
        means: 'the cleaning programme runs; two beeps end it',
        mark: 'T',
      },
      { id: 'descale-mode', where: 'Four lamps', shows: 'solid', means: 'the descaling mode is entered', mark: 'T' },
    ],
    cleaning: [
      {
        what: 'Cleaning programme',
        takes: true,
        why: 'A tablet on the disc in the single basket, about five minutes; once more when some of the tablet is left.',
      },
      { what: 'Backflush by hand', takes: true, why: 'The same disc and short strokes.' },
      {
        what: 'Descaling',
        takes: true,
        why: 'By keys held together and the knob; the old revision by the calendar, monthly.',
      },
      { what: 'Tank filter left in', takes: false, why: 'Descaler ruins it: out before, in again after the rinse.' },
    ],
    drinksPerOpenDay: { p10: 1, p50: 3, p90: 7 },
  },
  [
    { name: 'single', share: 0.4, cupMl: 30, puckMl: 9, dischargeMl: 8, flushMl: 15 },
    { name: 'double', share: 0.6, cupMl: 40, puckMl: 18, dischargeMl: 10, flushMl: 25 },
  ],
)
