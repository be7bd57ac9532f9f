/** How often something comes round between visits; `said` where only its own words tell. */
export const rhythms = ['shot', 'hours', 'day', 'week', 'month', 'said'] as const
export type Rhythm = (typeof rhythms)[number]

/** What is drawn beside a line of the care sheet. */
export const careDrawings = ['knock', 'wipe', 'flush', 'wand', 'blind', 'powder', 'strokes', 'soak', 'tray', 'tank', 'milk', 'unit', 'hopper', 'capsules', 'programme', 'water'] as const
export type CareDrawing = (typeof careDrawings)[number]

/** What may hurt whoever works with a machine, in words for them. */
export const careHazards = {
  scald: 'Hot water and steam: hands and face away.',
  alkali: 'Detergent burns skin and eyes: gloves; rinse until it runs clear.',
  milk: 'Milk cleaner is not for skin or eyes; what touched milk is cleaned the same day.',
  gas: 'Never together with descaler or vinegar: poisonous gas. Rinse until nothing smells.',
  unit: 'Switch it off first: the unit moves by itself, and it drips hot.',
  burrs: 'Plug out first; no finger and no tool among the burrs.',
  needle: 'The needle in the head cuts: no finger inside.',
  'full-tray': 'The tray may be full of hot water: level, both hands.',
  plug: 'Switch it off and pull the plug first.',
  /** Of a line whose own hazards nobody has said. */
  unknown: 'Nobody has said what may hurt here: ask before doing it.',
} as const
export type CareHazard = keyof typeof careHazards
export const careHazardIds = Object.keys(careHazards) as CareHazard[]

/** How a task is told to whoever does it between visits. */
export interface CareTold {
  drawing: CareDrawing
  hazards?: CareHazard[]
}

/** The cautions of a line in one breath. @example cautionWords(['scald']) // { caution: 'Hot water and steam: …' } */
export const cautionWords = (hazards: CareHazard[] = []): { caution?: string } => (hazards.length > 0 ? { caution: hazards.map((hazard) => careHazards[hazard]).join(' ') } : {})
