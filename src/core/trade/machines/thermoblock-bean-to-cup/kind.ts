import { grinderMachine } from '../../shared/parts/grinder-kind.ts'

/** Bean-to-cup with a portafilter: thermoblock, temperature controller, dose ground into the basket. */
export const bt = grinderMachine(
  {
    id: 'bt',
    version: 1,
    name: 'thermoblock bean-to-cup with portafilter',
    about: 'Thermoblock with a temperature controller in five steps, grinder into the portafilter, a knob with three places.',
    options: [],
    prompts: [
      {
        id: 'clean',
        where: 'Clean indicator',
        shows: 'blinking',
        means: 'descale it, though it says clean',
        asksFor: 'descale',
        distrust: 'The word on it is cleaning; it counts 15 litres, or four to six months.',
        mark: 'T',
      },
      { id: 'descale-runs', where: 'Clean indicator', shows: 'solid', means: 'the descale runs in two phases: first the outlet, then steam, by the knob', mark: 'T' },
      { id: 'heats', where: 'Power button', shows: 'blinking', means: 'it heats', mark: 'M' },
    ],
    cleaning: [
      { what: 'Cleaning with tablet and disc', takes: true, why: 'The valve vents it into the tray.' },
      {
        what: 'Descaling',
        takes: true,
        why: 'Its cleaning lamp asks for this: two phases by the knob; the pump sounds different, that is as it should be.',
      },
      { what: 'Rice vinegar', takes: false, why: 'Clear white vinegar if any: this one is not meant.' },
      { what: 'Tank filter left in', takes: false, why: 'Descaler ruins it.' },
    ],
    drinksPerOpenDay: { p10: 2, p50: 4, p90: 8 },
  },
  [
    { name: 'single, purge included', share: 0.4, cupMl: 30, puckMl: 9, dischargeMl: 8, flushMl: 30 },
    { name: 'double, purge included', share: 0.6, cupMl: 45, puckMl: 18, dischargeMl: 10, flushMl: 30 },
  ],
)
