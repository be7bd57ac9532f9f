/** A figure that visits are planned by. */
export interface PlanningFigure {
  /** As a technician says it. */
  name: string
  value: number
  unit: string
  /** The least and the most that can be meant at all. */
  least: number
  most: number
}

/** What visits are planned by until the firm says otherwise. From memory, all of it: common practice, no source. */
export const planningFigures = {
  lateStands: { name: 'A day late where the machine stands by it', value: 8, unit: 'min', least: 0, most: 500 },
  lateShort: { name: 'A day late where the drink comes short', value: 3, unit: 'min', least: 0, most: 500 },
  lateNuisance: { name: 'A day late that is a nuisance', value: 1, unit: 'min', least: 0, most: 500 },
  lateHard: { name: 'A day past what hygiene, safety or law allow', value: 240, unit: 'min', least: 60, most: 5000 },
  wasteful: { name: 'More than a fifth of a part’s life thrown away counts', value: 4, unit: '×', least: 1, most: 100 },
  stop: { name: 'Each stop beside its tasks: key, signing in, tools', value: 15, unit: 'min', least: 0, most: 120 },
  over: { name: 'A minute over somebody’s hours counts as', value: 4, unit: 'min', least: 1, most: 100 },
  changed: { name: 'To take back a day that was proposed', value: 15, unit: 'min', least: 0, most: 500 },
  otherTechnician: { name: 'Somebody else than who usually goes', value: 8, unit: 'min', least: 0, most: 500 },
  otherWeekday: { name: 'Another weekday than the usual one', value: 3, unit: 'min', least: 0, most: 500 },
  betweenContract: { name: 'A visit between those of a contract', value: 45, unit: 'min', least: 0, most: 2000 },
  detour: { name: 'Road over crow’s flight', value: 1.3, unit: '×', least: 1, most: 3 },
  kmhNear: { name: 'Pace, first 5 km of a road', value: 25, unit: 'km/h', least: 3, most: 120 },
  kmhMiddle: { name: 'Pace, from 5 to 20 km', value: 45, unit: 'km/h', least: 3, most: 130 },
  kmhFar: { name: 'Pace beyond 20 km', value: 70, unit: 'km/h', least: 3, most: 140 },
  park: { name: 'To park and get to the door', value: 5, unit: 'min', least: 0, most: 60 },
  carryChance: { name: 'Chance from which a part for a fault is taken along', value: 8, unit: '%', least: 1, most: 90 },
} as const satisfies Record<string, PlanningFigure>

export type PlanningFigureId = keyof typeof planningFigures
