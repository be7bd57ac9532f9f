import { collect, part, task } from './build.ts'
import type { Kind } from './kind.ts'

/** Pod machine whose head is shut and locked by hand. */
export const pk: Kind = {
  id: 'pk',
  version: 1,
  name: 'pod machine, locking head',
  about: 'Tank, small flow heater; the capsule is pierced in a head that locks.',
  counter: { id: 'shots', name: 'Capsules', unit: 'capsules' },
  groups: 1,
  groupShares: [1],
  sides: 1,
  stations: [
    { id: 'tank', name: 'Tank valve', symbol: 'tank' },
    { id: 'flow-meter', name: 'Flow meter', symbol: 'flow-meter' },
    { id: 'pump', name: 'Pump', symbol: 'pump' },
    { id: 'heater', name: 'Flow heater', symbol: 'thermoblock' },
    { id: 'non-return', name: 'Non-return valve', symbol: 'valve' },
    { id: 'needle', name: 'Needle', symbol: 'nozzle' },
    { id: 'head', name: 'Head, cage', symbol: 'pod-head' },
    { id: 'cup', name: 'Cup', symbol: 'cup' },
    { id: 'tray', name: 'Capsule bin, tray', symbol: 'tray' },
    { id: 'lock', name: 'Lock linkage', symbol: 'joint' },
    { id: 'fuse', name: 'Thermal fuse, sensor', symbol: 'sensor' },
    { id: 'button', name: 'Button, head switch', symbol: 'switch' },
    { id: 'board', name: 'Board, earth', symbol: 'board' },
  ],
  lines: [
    { id: 'main', medium: 'water', lane: 0, stations: ['tank', 'flow-meter', 'pump', 'heater', 'non-return', 'needle', 'head', 'cup'] },
    { id: 'drain', medium: 'drain', lane: 1, stations: ['tray'], from: { station: 'head', port: 'bottom' } },
    { id: 'rail', medium: 'control', lane: 2, stations: ['lock', 'fuse', 'button', 'board'] },
  ],
  ...collect(
    [
      part('needle', 'Piercing needle, plate', 'needle', { shots: [8_000, 15_000, 25_000] }, { beta: 1.8, min: 10, caution: 'scald' }, { upkeep: { clean: { shots: [300, 600, 1_200], months: [1, 3, 6] } } }),
      part('head-gasket', 'Head gasket', 'head', { shots: [4_000, 8_000, 15_000], months: [18, 36, 60] }, { beta: 2.5, min: 15, caution: 'scald' }),
      part('cage', 'Capsule cage', 'head', { shots: [8_000, 15_000, 30_000], months: [36, 60, 96] }, { beta: 2, min: 30, caution: 'mains' }),
      part('non-return-valve', 'Head non-return valve', 'non-return', { shots: [6_000, 12_000, 25_000], months: [24, 48, 84] }, { beta: 1.5, min: 30, caution: 'mains' }),
      part('lock-linkage', 'Lock or lever linkage', 'lock', { shots: [8_000, 16_000, 30_000], months: [36, 60, 96] }, { beta: 1.8, min: 35, caution: 'mains' }),
      part('pump', 'Vibratory pump', 'pump', { shots: [8_000, 15_000, 30_000], litres: [500, 1_000, 2_000], months: [36, 60, 84] }, { beta: 1.8, min: 25, other: 'running hours 60 / 120 / 220', caution: 'mains' }),
      part('flow-heater', 'Flow heater', 'heater', { shots: [8_000, 15_000, 30_000], litres: [600, 1_200, 2_400], months: [48, 72, 108] }, { beta: 1.5, min: 40, other: 'chalk over 0.12 / 0.25 / 0.5 mm', caution: 'mains' }),
      part('flow-meter', 'Flow meter', 'flow-meter', { shots: [20_000, 40_000, 70_000], months: [48, 84, 120] }, { beta: 1.4, min: 25, caution: 'mains' }),
      part('tank-valve', 'Tank valve, seal', 'tank', { months: [24, 48, 84] }, { beta: 2, min: 5 }),
      part('thermal-fuse', 'Thermal fuse, sensor', 'fuse', { months: [48, 84, 120] }, { beta: 1.1, min: 25, caution: 'mains' }),
      part('head-switch', 'Button, head switch', 'button', { shots: [10_000, 25_000, 50_000], months: [36, 72, 108] }, { beta: 1.2, min: 25, caution: 'mains' }),
    ],
    [
      task('cleaning-programme', 'Cleaning programme', 'clean', 'head', { shots: [100, 300, 600], months: [1, 3, 6] }, { min: 10, caution: 'scald' }),
      task('full-service', 'Full service', 'service', 'pump', { months: [12, 24, 36] }, { min: 45, caution: 'mains' }),
      task('electrical-test', 'Electrical safety test', 'check', 'board', { months: [12, 12, 24] }, { min: 10, mark: 'T', other: 'and after each repair; local rules first', caution: 'mains' }),
    ],
  ),
  measures: [
    {
      id: 'open-flow',
      name: 'Open flow, no capsule, 10 s',
      unit: 'ml',
      good: { from: 35, to: 70 },
      mark: 'M',
    },
    { id: 'outlet-temperature', name: 'Water at outlet', unit: '°C', good: { from: 82, to: 90 }, mark: 'T' },
    { id: 'cup-temperature', name: 'Coffee in warm cup', unit: '°C', good: { from: 62, to: 78 }, mark: 'M' },
    { id: 'tray-water', name: 'Tray water a drink', unit: 'ml', good: { from: 0, to: 5 }, mark: 'M' },
    { id: 'shot-time', name: 'Espresso 40 g', unit: 's', good: { from: 18, to: 28 }, mark: 'T' },
  ],
  budget: {
    drinks: [
      { name: 'espresso', share: 0.6, cupMl: 40, puckMl: 7, dischargeMl: 3, flushMl: 0 },
      { name: 'lungo', share: 0.4, cupMl: 110, puckMl: 8, dischargeMl: 4, flushMl: 0 },
    ],
    besides: [],
    daily: [{ name: 'start rinse', ml: 40 }],
    mark: 'M',
  },
  drinksPerOpenDay: { p10: 5, p50: 15, p90: 40 },
  detergent: null,
  descale: {
    litres: [
      { upToDh: 7, bySchool: { cautious: 60, usual: 100, longLife: 150 } },
      { upToDh: 14, bySchool: { cautious: 30, usual: 50, longLife: 80 } },
      { upToDh: 21, bySchool: { cautious: 15, usual: 25, longLife: 40 } },
      { upToDh: Number.POSITIVE_INFINITY, bySchool: { cautious: 10, usual: 15, longLife: 25 } },
    ],
    months: { cautious: 1, usual: 3, longLife: 6 },
    minutes: 30,
  },
  routine: [
    { what: 'Capsule bin and tray emptied', every: 'about every 10 coffees', mark: 'T' },
    { what: 'Head rinsed without a capsule', every: 'every 3 days', mark: 'M' },
    { what: 'Tank emptied, fresh water', every: 'daily', mark: 'M' },
  ],
}
