/** What flows in a line of the path. `control` is the electrical rail below the water. */
export const media = ['water', 'steam', 'hot-water', 'drain', 'coffee', 'beans', 'milk', 'control'] as const

/** How a station is drawn. A new kind of machine picks from these; it needs no drawing code. */
export const symbolNames = [
  'mains',
  'softener',
  'tank',
  'valve',
  'strainer',
  'pump',
  'flow-meter',
  'jet',
  'boiler',
  'small-boiler',
  'full-boiler',
  'chute',
  'thermoblock',
  'three-way',
  'group',
  'screen',
  'basket',
  'nozzle',
  'brew-unit',
  'pod-head',
  'cup',
  'tray',
  'tap',
  'wand',
  'relief',
  'breather',
  'hand-valve',
  'joint',
  'hopper',
  'burrs',
  'switch',
  'sensor',
  'element',
  'relay',
  'motor',
  'keys',
  'board',
  'gauge',
] as const

export const actions = ['replace', 'clean', 'grease', 'check', 'service', 'descale'] as const
export const cautions = ['mains', 'pressure', 'scald', 'acid', 'detergent', 'milk'] as const
export const lamps = ['solid', 'blinking', 'fast', 'in turn', 'counting', 'words'] as const
