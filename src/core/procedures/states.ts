/** What a step leaves at a group, or at a steam side, for itself: one there is not another's. */
type Place = 'machine' | 'group' | 'side'

interface ThingOf {
  at: Place
  /** As it stands when nobody has touched it: powered, hot, whole, everything in its place. */
  usual: string
  /** Every state it can be in, as it is said of it. */
  states: Record<string, string>
}

/**
 * Things of a machine that are in one state at a time. What one lane has put into another state, no other lane
 * finds as it needs it: it waits until it is put back.
 */
export const things = {
  power: {
    at: 'machine',
    usual: 'on',
    states: { on: 'switched on', off: 'switched off', dead: 'cut off from the mains' },
  },
  heat: { at: 'machine', usual: 'hot', states: { hot: 'hot', cold: 'cooled down' } },
  pressure: { at: 'machine', usual: 'up', states: { up: 'under pressure', none: 'without pressure' } },
  cover: { at: 'machine', usual: 'shut', states: { shut: 'shut', open: 'open' } },
  supply: { at: 'machine', usual: 'open', states: { open: 'open', shut: 'shut off' } },
  boiler: { at: 'machine', usual: 'full', states: { full: 'full', empty: 'run empty' } },
  tray: { at: 'machine', usual: 'in', states: { in: 'in its place', out: 'out' } },
  tank: { at: 'machine', usual: 'in', states: { in: 'in its place', out: 'out' } },
  unit: { at: 'machine', usual: 'in', states: { in: 'in its place', out: 'out' } },
  hopper: { at: 'machine', usual: 'on', states: { on: 'on', off: 'off' } },
  milk: { at: 'machine', usual: 'whole', states: { whole: 'whole', apart: 'taken apart' } },
  outlet: { at: 'machine', usual: 'on', states: { on: 'on', off: 'off' } },
  path: {
    at: 'machine',
    usual: 'water',
    states: { water: 'clean', detergent: 'full of detergent', acid: 'full of acid' },
  },
  group: {
    at: 'group',
    usual: 'water',
    states: { water: 'clean', detergent: 'full of detergent', apart: 'taken apart' },
  },
  screen: { at: 'group', usual: 'on', states: { on: 'on', off: 'off' } },
  basket: { at: 'group', usual: 'at hand', states: { 'at hand': 'at hand', soaking: 'in the bath' } },
  wand: { at: 'side', usual: 'free', states: { free: 'free', standing: 'standing in a jug', full: 'full of cleaner' } },
  tip: { at: 'side', usual: 'on', states: { on: 'on', off: 'off' } },
} as const satisfies Record<string, ThingOf>

export type Thing = keyof typeof things

/** How things stand. @example { power: 'dead', cover: 'open' } */
export type State = { [T in Thing]?: keyof (typeof things)[T]['states'] }

/** What there is one of, or one a side: whoever has it keeps it until it is given back. */
export const tools = {
  blind: { name: 'the blind basket', at: 'machine' },
  jug: { name: 'the milk jug', at: 'side' },
  bowl: { name: 'the bowl', at: 'machine' },
  vessel: { name: 'the vessel', at: 'machine' },
  glass: { name: 'the glass', at: 'machine' },
  cup: { name: 'the cup for small parts', at: 'group' },
} as const satisfies Record<string, { name: string; at: Place }>

export type Tool = keyof typeof tools

const thingNames: Record<Thing, string> = {
  power: 'the machine',
  heat: 'the machine',
  pressure: 'the boiler',
  cover: 'the case',
  supply: 'the water',
  boiler: 'the boiler',
  tray: 'the tray',
  tank: 'the tank',
  unit: 'the brew unit',
  hopper: 'the hopper',
  milk: 'the milk side',
  outlet: 'the hot-water outlet',
  path: 'the water path',
  group: 'the group',
  screen: 'the screen',
  basket: 'basket and portafilter',
  wand: 'the wand',
  tip: 'the steam tip',
}

export const thingIds = Object.keys(things) as Thing[]
export const toolIds = Object.keys(tools) as Tool[]

/** How a thing stands, in words. @example stateWords('tray', 'out') // 'the tray is out' */
export const stateWords = (thing: Thing, state: string): string =>
  `${thingNames[thing]} ${thing === 'basket' ? 'are' : 'is'} ${(things[thing].states as Record<string, string>)[state]}`

/** Its state when nobody has touched it. */
export const usualState = (thing: Thing): string => things[thing].usual

/** Where one machine has several of a thing, each is known by its place. @example 'screen/2' 'wand/1' 'tray' */
export function keysOf(
  what: Thing | Tool,
  lane: { group: number | null; side: number | null },
  machine: { groups: number; sides: number },
): string[] {
  const at: Place = what in things ? things[what as Thing].at : tools[what as Tool].at
  if (at === 'machine') return [what]
  const own = at === 'group' ? lane.group : lane.side
  const all = at === 'group' ? machine.groups : machine.sides
  const places = own === null ? Array.from({ length: Math.max(1, all) }, (_, i) => i + 1) : [own]
  return places.map((place) => `${what}/${place}`)
}

/** The thing or tool a key is about. */
export const whatOf = (key: string): string => key.split('/')[0]!
