import type { BookPart, Does } from '../../../faults/modes.ts'

/** What a tester finds at the socket, by what left it dark. */
const atSocket: BookPart['shows'] = {
  socket: { socket: { off: 0.93 } },
  wet: { socket: { off: 0.5 } },
  outside: { socket: { off: 0.8 } },
}

/** Where its current comes from and what commands it, on every machine with a plug. */
export function electrics(of: {
  /** The fault that leaves it dark. */
  dead: string
  /** What happens where the control does not go on. */
  stops: string | Does
  control?: Pick<BookPart, 'is' | 'without' | 'notLooked'>
  supply?: Pick<BookPart, 'is' | 'without' | 'notLooked'>
}): BookPart[] {
  return [
    { id: 'supply', sort: 'supply', name: 'supply', station: 'board', does: { dead: of.dead }, shows: atSocket, ...of.supply },
    {
      id: 'control',
      sort: 'control',
      name: 'control',
      station: 'board',
      does: { dead: of.dead, stops: of.stops },
      ...of.control,
    },
  ]
}

/** Heat past what it should be, where nothing in the book does so: it spits, and the cup is too hot. */
export const tooHot = (like: string, test: string, others: Does['shows'] = {}): Does => ({
  like,
  alone: true,
  shows: { [test]: { high: 0.85 }, ...others },
  complaints: { 'too-hot': 8, taste: 1 },
})

/** A sound of its own: it is heard, and everything else is as it should be. */
export const onlyLoud = (like: string): Does => ({ like, alone: true, complaints: { noise: 9 } })

/** What a coil-driven pump does, by the faults of its book. */
export const coilPump = (more: Partial<BookPart> = {}): BookPart => ({
  id: 'pump',
  sort: 'vibration-pump',
  name: 'the pump',
  station: 'pump',
  part: 'pump',
  does: { dead: 'pump-dead', weak: 'pump-weak', loud: onlyLoud('pump-weak') },
  is: { worn: 'pump-weak', seized: 'pump-dead' },
  ...more,
})

/** One element in a block or boiler that is measured by the book, with what leaves it cold, weak, and dark. */
export function heated(of: {
  name: string
  station: string
  part?: string
  cold: string
  weak: string
  chalked: string
  dark: string
  /** Why nobody opens it for a look. */
  crust?: string
}): BookPart {
  return {
    id: 'element',
    sort: 'heater',
    name: of.name,
    station: of.station,
    ...(of.part && { part: of.part }),
    does: { cold: of.cold, weak: of.weak, trips: { like: of.dark, complaints: { trips: 9, dead: 1 } } },
    is: { open: of.cold, crusted: of.chalked },
    shows: { earth: { socket: { off: 0.7 } } },
    without: { leg: 'one element, one leg' },
    notLooked: { legs: 'the book measures it', crust: of.crust ?? 'it is descaled, not opened for a look' },
  }
}

/** What feels how hot it is; read off at the outlet. */
export const sensorOf = (of: { name: string; station: string; cool: string; fault: string; outlet: string }): BookPart => ({
  id: 'sensor',
  sort: 'sensor',
  name: of.name,
  station: of.station,
  does: { cool: of.cool, hot: tooHot(of.cool, of.outlet), fault: of.fault },
  is: { 'reads-high': of.cool },
})

/** A flow meter whose book counts its pulses; `short`: what shows that it counts too many. */
export const meterOf = (of: { few: string; short: Does['shows'] }): BookPart => ({
  id: 'meter',
  sort: 'flow-meter',
  name: 'the flow meter',
  station: 'flow-meter',
  part: 'flow-meter',
  does: {
    silent: 'meter-stands',
    few: of.few,
    many: { like: of.few, alone: true, shows: of.short, complaints: { 'short-cup': 8 } },
  },
  is: { jammed: 'meter-stands', few: of.few },
  lookedBy: { pulses: 'meter-pulses' },
})

/** Joints, hoses and rings inside, one of which the book knows to leak. */
export const jointsOf = (of: { name?: string; station: string; leaks: string; narrow: string }): BookPart => ({
  id: 'inside',
  sort: 'joint',
  name: of.name ?? 'hoses and rings inside',
  station: of.station,
  does: { leaks: of.leaks, narrow: of.narrow },
  is: { hot: of.leaks },
})

/** A valve by a coil that the book knows to stick and to pass. */
export const coilValve = (of: Pick<BookPart, 'id' | 'name' | 'station' | 'part' | 'notLooked'> & { shut: string; open: string; coilOpen?: string }): BookPart => {
  const { shut, open, coilOpen, ...where } = of
  return {
    ...where,
    sort: 'solenoid',
    does: { shut, open },
    is: { stuck: shut, passes: open, ...(coilOpen && { 'coil-open': coilOpen }) },
  }
}

/** A small machine with a pump, one heated block or boiler and a tank: what the domestic ones share. */
export function domestic({ block, joints = block, relief = true, element = 'element-open', part = 'heater' }: { block: string; joints?: string; relief?: boolean; element?: string; part?: string }): BookPart[] {
  return [
    coilPump(),
    ...(relief
      ? [
          {
            id: 'relief',
            sort: 'relief' as const,
            name: 'the relief valve',
            station: 'relief',
            part: 'relief-valve',
            does: {
              low: 'relief-low',
              high: { like: 'relief-low', alone: true as const, shows: { 'blind-pressure': { high: 0.85 }, rim: { drips: 0.4 } }, complaints: { 'handle-leaks': 4, noise: 3, slow: 1 } },
            },
            is: { low: 'relief-low' },
          },
        ]
      : []),
    heated({ name: 'the heating element', station: block, part, cold: element, weak: 'thermostat-low', chalked: 'boiler-chalked', dark: 'no-mains' }),
    sensorOf({ name: 'the thermostat or sensor', station: block, cool: 'thermostat-low', fault: element, outlet: 'basket-temperature' }),
    {
      id: 'protection',
      sort: 'cut-out',
      name: 'the thermal fuse',
      station: block,
      does: { cold: 'fuse-open' },
      is: { tripped: 'fuse-open' },
      without: { early: 'a fuse goes once' },
      notLooked: { through: 'the book measures it', again: 'a fuse goes once' },
    },
    jointsOf({ name: 'joints inside', station: joints, leaks: 'joint-leaks', narrow: 'boiler-chalked' }),
    ...electrics({ dead: 'no-mains', stops: 'pump-dead' }),
  ]
}

/** A 3-way valve that a coil opens, as the books without a coil of their own know it. */
export const threeWay: BookPart = coilValve({
  id: 'valve',
  name: '3-way valve',
  station: 'three-way',
  part: 'three-way-valve',
  shut: 'three-way-shut',
  open: 'three-way-leaks',
  notLooked: { inside: 'the book takes it apart' },
})

/** A steam boiler with a probe, a fill valve and something that switches its heat. */
export function ofSteamBoiler({ boiler, fill, heat, cold, cool }: { boiler: string; fill: string; heat: string; cold: string; cool: string }): BookPart[] {
  const over: Does = {
    like: cool,
    alone: true,
    shows: { 'boiler-gauge': { high: 0.9 }, breather: { safety: 0.5 } },
    complaints: { hisses: 7, 'too-hot': 2 },
  }
  return [
    coilValve({ id: 'fill', name: 'the fill valve', station: fill, shut: 'fill-shut', open: 'fill-leaks', notLooked: { inside: 'the book tries it with water' } }),
    {
      id: 'probe',
      sort: 'level-probe',
      name: 'the level probe',
      station: 'level',
      part: 'level-probe',
      does: { dry: 'probe-chalked', wet: 'fill-shut' },
      is: { chalked: 'probe-chalked' },
      notLooked: { tip: 'the book takes it out' },
    },
    {
      id: 'relay',
      sort: 'relay',
      name: 'the relay',
      station: heat,
      does: { cold: 'relay', on: over },
      is: { dead: 'relay' },
    },
    {
      id: 'steam-heat',
      sort: 'heater',
      name: 'the element of the steam boiler',
      station: 'heater',
      does: { cold, weak: cool, trips: { like: 'relay', alone: true, complaints: { trips: 9 } } },
      is: { open: cold },
      notLooked: { crust: `the ${boiler} is opened on the bench alone` },
      without: { crusted: 'chalk in it is known by the water, and seen on the bench' },
    },
  ]
}

/** What feels how hot the steam boiler is, where a controller and no pressure switch keeps it. */
export const steamSensor = (of: { station: string; cool: string; cold: string }): BookPart => ({
  id: 'steam-sensor',
  sort: 'sensor',
  name: 'the steam boiler’s sensor',
  station: of.station,
  does: {
    cool: of.cool,
    hot: {
      like: of.cool,
      alone: true,
      shows: { 'boiler-gauge': { high: 0.9 }, breather: { safety: 0.5 } },
      complaints: { hisses: 6, 'too-hot': 3 },
    },
    fault: of.cold,
  },
})

/** A grinder within a machine. */
export const builtInGrinder = (more: Partial<BookPart> = {}): BookPart => ({
  id: 'grinder',
  sort: 'grinder',
  name: 'the grinder',
  station: 'burrs',
  does: { silent: 'grinder-jam', little: 'chute-clogged', coarse: 'burrs-worn' },
  is: { stone: 'grinder-jam', worn: 'burrs-worn' },
  // Jammed, its motor hums; dead, or shut off by a switch, it is silent.
  shows: {
    motor: { 'grinder-sound': { silent: 0.85 } },
    interlock: { 'grinder-sound': { silent: 0.9 } },
  },
  lookedBy: { burrs: 'burrs' },
  ...more,
})

/** A seal that is pressed by hand, which the book knows to harden. @param of - `look`: the book’s look at it, done as that machine asks; `shows`: what tests past it show of all its failures */
export const handSeal = (of: { name: string; station: string; part: string; hard: string; look: string; shows?: Does['shows'] }): BookPart => ({
  id: 'seal',
  sort: 'seal',
  name: of.name,
  station: of.station,
  part: of.part,
  does: { leaks: { like: of.hard, ...(of.shows && { shows: of.shows }) } },
  is: { hard: of.hard },
  lookedBy: { seat: of.look },
})

/**
 * A group a handle is locked into: its seal, what keeps it dry at rest, and how they work with it.
 *
 * @param of - `hard`: the fault of its seal in the book; `look`: its look at it, `seal` where none is said; `atOne`: what shows that it is so at one group alone, where
 *   there are several
 */
export function handleGroup(of: { seal: string; part: string; hard: string; look?: string; rest?: { name: string; station: string; part: string; like: string }; atOne?: Does['shows'] }): BookPart[] {
  return [
    handSeal({ name: of.seal, station: 'group', part: of.part, hard: of.hard, look: of.look ?? 'seal', shows: { rim: { drips: 0.9 }, ...of.atOne } }),
    {
      id: 'ways',
      sort: 'way-of-working',
      name: 'how they work with it',
      station: 'basket',
      does: {
        leaks: { like: of.hard, alone: true, complaints: { 'handle-leaks': 9 } },
        tight: { like: 'grind-fine', alone: true, shows: { grind: { slow: 0.6 } }, complaints: { slow: 4, 'handle-leaks': 3, 'handle-kicks': 2, taste: 1 } },
        loose: { like: 'grind-coarse', alone: true, shows: { grind: { fast: 0.6 } }, complaints: { fast: 6, 'handle-leaks': 1, taste: 2 } },
      },
    },
    ...(of.rest
      ? [
          {
            id: 'rest',
            sort: 'rest-seat' as const,
            name: of.rest.name,
            station: of.rest.station,
            part: of.rest.part,
            does: { drips: { like: of.rest.like, alone: true as const, ...(of.atOne && { shows: of.atOne }) } },
          },
        ]
      : []),
  ]
}

/** A tap for hot water, which no fault of the book is of. */
export const hotWaterTap = (of: { like: string; part?: string }): BookPart => ({
  id: 'tea',
  sort: 'hand-valve',
  name: 'the hot-water tap',
  station: 'hot-water',
  ...(of.part && { part: of.part }),
  does: {
    passes: { like: of.like, alone: true, complaints: { 'hot-water': 5, 'steam-drips': 2 } },
    shut: { like: of.like, alone: true, complaints: { 'hot-water': 9 } },
    weeps: { like: of.like, alone: true, complaints: { 'hot-water': 4, 'wet-below': 2 } },
  },
})

/** A tap for steam whose seal the book knows to wear. */
export const steamTap = (of: { station: string; part: string; worn: string; little: string }): BookPart => ({
  id: 'steam-tap',
  sort: 'hand-valve',
  name: 'the steam tap',
  station: of.station,
  part: of.part,
  does: {
    passes: of.worn,
    shut: { like: of.little, alone: true, complaints: { 'weak-steam': 5, 'no-steam': 5 } },
    weeps: { like: of.worn, alone: true, complaints: { 'steam-drips': 5, hisses: 2, 'wet-below': 1 } },
  },
  is: { seat: of.worn, outlet: of.little },
})

/** A 3-way valve that keeps the group dry between shots. */
export const threeWayAtRest = { name: 'the 3-way valve', station: 'three-way', part: 'three-way-valve', like: 'three-way-leaks' }

/** Group and steam knob of the domestic ones. */
export const domesticGroup = (of: { rest?: Parameters<typeof handleGroup>[0]['rest'] } = {}): BookPart[] => [...handleGroup({ seal: 'the group seal', part: 'group-seal', hard: 'seal-hard', ...of }), steamTap({ station: 'steam-knob', part: 'steam-knob', worn: 'knob-leaks', little: 'wand-blocked' })]
