import { collect, part, task } from '../../../kinds/build.ts'
import type { Kind, Part, Prompt, Station, Task } from '../../../kinds/kind.ts'
import { cleaningDisc, domesticParts, pressurisedBasket, tankFilter, threeWayPart } from './domestic.ts'
import { electricalTest, homeService, tankDescale, tankRoutine, tipOff } from './usual-tasks.ts'

/** How to tell whether the group has a valve that vents: all the ways there are, the surest first. */
const threeWayLooks = [
  { look: 'Tray lid off after a shot: dirty water comes from a pipe inside the machine', means: 'fitted' as const },
  { look: 'A pipe or an outlet from inside the machine into the drip tray', means: 'fitted' as const },
  { look: 'A shot stopped against a blind basket hisses and vents into the tray', means: 'fitted' as const },
  { look: 'A blind disc came with it, or its leaflet tells of backflushing or of a cleaning run with a disc', means: 'fitted' as const },
  { look: 'The portafilter spits or stays under pressure after a shot, and nothing comes into the tray', means: 'not fitted' as const },
  { look: 'No disc, no pipe, and a plainer sister of a model that has one: look up the exact revision', means: 'not fitted' as const },
]

export const steamStations: Station[] = [
  { id: 'steam-knob', name: 'Steam knob', symbol: 'hand-valve' },
  { id: 'wand', name: 'Wand', symbol: 'wand' },
]

/**
 * A domestic pump machine with a small boiler: with and without a 3-way valve it is the same machine, but for the
 * valve, what hangs on it, and how it is cleaned.
 */
export function domesticPump(head: Pick<Kind, 'id' | 'version' | 'name' | 'about'>, hasThreeWay: boolean): Kind {
  const [vents, drips] = [{ with: 'three-way' }, { without: 'three-way' }]
  return {
    ...head,
    counter: { id: 'shots', name: 'Shots', unit: 'shots' },
    groups: 1,
    groupShares: [1],
    sides: 1,
    stations: [
      { id: 'tank', name: 'Tank', symbol: 'tank' },
      { id: 'pump', name: 'Pump', symbol: 'pump' },
      { id: 'boiler', name: 'Boiler', symbol: 'full-boiler' },
      { id: 'three-way', name: '3-way valve', symbol: 'three-way', ...vents },
      { id: 'brew-valve', name: 'Brew valve', symbol: 'valve', ...drips },
      { id: 'group', name: 'Group seal', symbol: 'group' },
      { id: 'screen', name: 'Screen', symbol: 'screen' },
      { id: 'basket', name: 'Basket, disc', symbol: 'basket' },
      { id: 'cup', name: 'Cup', symbol: 'cup' },
      { id: 'relief', name: 'Relief valve', symbol: 'relief' },
      ...steamStations,
      { id: 'tray', name: 'Drip tray', symbol: 'tray', ...vents },
      { id: 'protector', name: 'Pump protector', symbol: 'sensor' },
      { id: 'thermostat', name: 'Thermostat, fuse', symbol: 'sensor' },
      { id: 'board', name: 'Switches, earth', symbol: 'board' },
    ],
    lines: [
      { id: 'main', medium: 'water', lane: 0, stations: ['tank', 'pump', 'boiler', 'three-way', 'brew-valve', 'group', 'screen', 'basket', 'cup'] },
      {
        id: 'relief',
        medium: 'water',
        lane: -1,
        stations: ['relief'],
        from: { station: 'pump', port: 'top' },
        label: 'back to the tank',
      },
      {
        id: 'steam',
        medium: 'steam',
        lane: -2,
        stations: ['steam-knob', 'wand'],
        from: { station: 'boiler', port: 'top' },
        label: 'steam, hot water',
      },
      {
        id: 'drain',
        medium: 'drain',
        lane: 1,
        stations: ['tray'],
        from: { station: 'three-way', port: 'bottom' },
        ...vents,
      },
      { id: 'rail', medium: 'control', lane: 2, stations: ['protector', 'thermostat', 'board'] },
    ],
    ...collect(
      [
        ...domesticParts('boiler', 'Boiler'),
        threeWayPart(vents),
        cleaningDisc(vents),
        tankFilter(vents),
        part('brew-valve', 'Brew valve: spring, rubber', 'brew-valve', { shots: [4_000, 8_000, 16_000], months: [24, 48, 72] }, { beta: 2, min: 20, rubber: true, caution: 'mains', ...drips }),
        ...[pressurisedBasket].map((row) => without(row, 'three-way')),
      ],
      [
        task('cleaning-programme', 'Detergent backflush or cleaning programme', 'clean', 'three-way', { shots: [60, 120, 300], months: [1, 2, 3] }, { by: 'customer', care: { drawing: 'programme', hazards: ['alkali'] }, min: 10, mark: 'T', caution: 'detergent', ...vents }),
        task('group-clean', 'Group cleaned without a valve', 'clean', 'group', { months: [0.5, 1, 2] }, { by: 'customer', care: { drawing: 'wipe', hazards: ['scald'] }, min: 10, markNote: 'one month common practice, the rest from memory', caution: 'scald', ...drips }),
        task('screen-soak', 'Screen off and soak', 'clean', 'screen', { months: [0.25, 1, 3] }, { by: 'customer', care: { drawing: 'soak', hazards: ['scald', 'alkali'] }, min: 10, mark: 'T', caution: 'scald', ...vents }),
        tipOff('wand'),
        electricalTest('board', 10),
        homeService('pump', 60),
      ],
    ),
    measures: [
      { id: 'open-flow', name: 'Open flow, 10 s', unit: 'ml', good: { from: 55, to: 105 }, mark: 'M', ...vents },
      { id: 'open-flow', name: 'Open flow, 10 s', unit: 'ml', good: { from: 50, to: 95 }, mark: 'M', ...drips },
      { id: 'brew-pressure', name: 'Pressure brewing', unit: 'bar', good: { from: 8, to: 11 }, mark: 'T', ...vents },
      { id: 'dead-head', name: 'Blind basket', unit: 'bar', good: { from: 10, to: 13 }, mark: 'M', ...vents },
      { id: 'basket-temperature', name: 'Water at basket', unit: '°C', good: { from: 86, to: 95 }, mark: 'T' },
      { id: 'cup-temperature', name: 'Coffee in warm cup', unit: '°C', good: { from: 60, to: 74 }, mark: 'M' },
      { id: 'steam-time', name: '200 ml water to 65 °C', unit: 's', good: { from: 35, to: 90 }, mark: 'M' },
      { id: 'hot-water-flow', name: 'Hot water, 10 s', unit: 'ml', good: { from: 50, to: 100 }, mark: 'M' },
      { id: 'tray-water', name: 'Tray water a drink', unit: 'ml', good: { from: 3, to: 12 }, mark: 'M' },
      { id: 'shot-time', name: 'Double shot', unit: 's', good: { from: 18, to: 32 }, mark: 'T' },
    ],
    budget: {
      drinks: hasThreeWay
        ? [
            { name: 'single', share: 0.4, cupMl: 30, puckMl: 9, dischargeMl: 8, flushMl: 15 },
            { name: 'double', share: 0.6, cupMl: 40, puckMl: 18, dischargeMl: 10, flushMl: 25 },
          ]
        : [
            { name: 'single', share: 0.4, cupMl: 35, puckMl: 9, dischargeMl: 5, flushMl: 15 },
            { name: 'double', share: 0.6, cupMl: 50, puckMl: 18, dischargeMl: 6, flushMl: 15 },
          ],
      besides: [{ name: 'steam and hot water: every third drink', mlPerDrink: 8, goes: 'steam' }],
      daily: [{ name: 'start of day', ml: 60, goes: 'brew' }],
      mark: 'M',
    },
    doseG: { single: 8, double: 16 },
    counts: {
      openings: { perDrink: 0.5 },
      runningHours: { perDrink: 0.008, perOpenDay: 0.005 },
      uses: { perDrink: 1 / 120 },
      milkDrinks: { perDrink: 0.3 },
    },
    options: [{ id: 'three-way', name: '3-way valve on the group', standard: hasThreeWay, howToTell: threeWayLooks, mark: 'T' }],
    prompts: domesticPrompts,
    cleaning: [
      { what: 'Water backflush', takes: true, why: 'Five short strokes: harmless whenever it is thought of.', ...vents },
      {
        what: 'Detergent backflush',
        takes: true,
        why: '3 to 5 g with a blind disc, or a tablet by its programme; stop each stroke at the strained sound of the pump.',
        ...vents,
      },
      { what: 'Double basket with the disc', takes: false, why: 'The disc wants the single one.', ...vents },
      { what: 'Backflush', takes: false, why: 'No valve vents it: a blind disc only strains the pump, and there is nothing behind the screen that it would clean. Clean screen, seal and channel instead.', ...drips },
      { what: 'Screen off with a screwdriver', takes: true, why: 'The inner face is the dirty one.' },
      { what: 'Parts of metal soaked', takes: true, why: 'A portafilter with plastic inside is washed by hand, never in the dishwasher.' },
      {
        what: 'Descaling',
        takes: true,
        why: 'By its programme, or in portions through group and wand; tank filter out first.',
      },
    ],
    drinksPerOpenDay: hasThreeWay ? { p10: 1, p50: 3, p90: 7 } : { p10: 1, p50: 2, p90: 5 },
    detergent: hasThreeWay ? { everyDrinks: { cautious: 60, usual: 120, longLife: 300 } } : null,
    vessels: [
      {
        id: 'boiler',
        station: 'boiler',
        name: 'Boiler',
        heats: 'closed',
        takes: ['brew', 'steam', 'hot-water'],
        waterL: 0.2,
        outletC: 100,
        heaterW: 1050,
        heaterCm2: 160,
        wettedCm2: 200,
        limitMm: { cautious: 0.3, usual: 0.6, longLife: 1 },
        aluminium: true,
        mark: 'M',
      },
    ],
    descale: tankDescale(35),
    routine: [
      { what: 'Screen rinsed and wiped, wand purged', every: 'each use', rhythm: 'shot', drawing: 'wand', hazards: ['scald'], saidBy: ['wand-clean', 'steam-tip'], mark: 'T', procedure: 'wand-every-use' },
      { what: 'Drip tray emptied and washed', every: 'daily', rhythm: 'day', days: 1, drawing: 'tray', hazards: ['full-tray'], mark: 'T', procedure: 'tray-and-body' },
      ...tankRoutine,
    ],
  }
}

function without(row: { part: Part; tasks: Task[] }, option: string): { part: Part; tasks: Task[] } {
  return { part: { ...row.part, without: option }, tasks: row.tasks.map((task) => ({ ...task, without: option })) }
}

const domesticPrompts: Prompt[] = [
  { id: 'backflush', where: 'Both shot buttons', shows: 'in turn', means: 'it asks to be backflushed', asksFor: 'cleaning-programme', everyDrinks: 200, distrust: 'Seen far sooner than the 200 shots it is said to count.', mark: 'T', with: 'three-way' },
  {
    id: 'descale',
    where: 'One-cup and steam buttons',
    shows: 'blinking',
    looks: 'both flash together',
    means: 'a full descale; still there afterwards, the rinse was left out',
    asksFor: 'descale',
    mark: 'T',
  },
  { id: 'finished', where: 'All three buttons', shows: 'solid', means: 'the cleaning programme is finished', mark: 'T', with: 'three-way' },
]
