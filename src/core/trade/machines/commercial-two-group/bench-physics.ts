import { type PathElement, type PathEnd, type PathFlow, pathFlow } from '../../../bench/flow-path.ts'
import { narrowed, orificeMlS, rotaryMlS, steamGS, steamSeconds } from '../../../bench/laws.ts'
import { steamTempC } from '../../../steam/saturation-line.ts'

/** A two-group as the bench knows it; shares are of what a sound one has open, 1 for all. */
export interface TwoGroup {
  mainsBar: number
  supplyOpen: number
  strainerOpen: number
  pumpShare: number
  bypassBar: number
  motor: 'runs' | 'hums' | 'dead'
  expansionOpensBar: number
  jetMm: number
  jetOpen: number
  exchangerOpen: number
  valve: 'moves' | 'stuck' | 'coil open'
  valveLeakMm: number
  ventOpen: number
  gasketLeakMm: number
  gasketHard: boolean
  screenOpen: number
  oily: number
  basketShare: number
  grindShare: number
  pulsesShare: number
  keys: boolean
  board: boolean
  /** Part of the board is dead: a sound pad or contactor gets no answer. */
  boardBad: boolean
  mains: boolean
  setBar: number
  elementShare: number
  cutOut: boolean
  contactor: boolean
  fill: 'works' | 'shut' | 'leaks'
  /** The probe itself; chalked it sees nothing. */
  probeSees: boolean
  /** Of the water that comes to it, µS/cm at 25 °C. */
  conductivityUsCm: number
  seatLeaks: boolean
  jointLeaks: boolean
  tipOpen: number
  safetyWeeps: boolean
  vacuumOpen: boolean
  drainOpen: number
  leaksInside: boolean
  history: 'nothing' | 'beans' | 'worked' | 'stood'
}

/** A sound puck at its share, bar per ml/s: 9 bar drive 1.8 ml/s through it once it is wet. */
const puckBarPerMlS = 9 / 1.8
const cupMl = 40
const wettingS = 5

type Handle = 'open' | 'blind' | { grind: number }

/** Water in the brew path of one group. */
export function brew(state: TwoGroup, handle: Handle): PathFlow {
  const dry: PathFlow = { pumpMlS: 0, pumpBar: 0, endMlS: 0, endBar: 0, lost: {} }
  if (!state.mains || !state.board || !state.keys || state.valve !== 'moves') return dry
  const supplyMlS = supply(state)
  const turns = state.motor === 'runs'
  // A pump that stands lets the mains through its vanes, little.
  const pump = (bar: number) =>
    turns
      ? Math.min(
          supplyMlS,
          rotaryMlS({ ratedMlS: 41.7 * state.pumpShare, bypassBar: Math.min(state.bypassBar, wornBar(state)) }, bar),
        )
      : orificeMlS(0.6, state.mainsBar * Math.min(1, state.supplyOpen * 2) - bar)
  const most = turns ? Math.min(state.bypassBar, wornBar(state)) + 2 : state.mainsBar
  const elements: PathElement[] = [
    { relief: state.expansionOpensBar, mlSPerBar: 12, to: 'drain at rest' },
    { through: narrowed(state.jetMm, state.jetOpen) },
    { through: narrowed(2, state.exchangerOpen) },
    { through: 1.8 },
    ...(state.valveLeakMm > 0 ? [{ leak: state.valveLeakMm, to: 'tray' }] : []),
    { through: narrowed(3, state.screenOpen) },
    ...(handle !== 'open' && state.gasketLeakMm > 0 ? [{ leak: state.gasketLeakMm, to: 'rim' }] : []),
  ]
  const end: PathEnd =
    handle === 'open'
      ? { free: true }
      : handle === 'blind'
        ? { shut: true }
        : { resists: (puckBarPerMlS * handle.grind) / state.basketShare }
  return pathFlow(pump, Math.max(0.1, most), elements, end)
}

/** A worn head cannot hold the pressure whatever its bypass says. */
const wornBar = ({ pumpShare }: TwoGroup) => (pumpShare > 0.85 ? Infinity : 1 + 7 * pumpShare)

/** What the supply lets through, ml/s. */
export const supply = ({ mainsBar, supplyOpen, strainerOpen }: TwoGroup): number =>
  Math.min(orificeMlS(narrowed(4, supplyOpen), mainsBar), orificeMlS(narrowed(4, strainerOpen), mainsBar))

const heats = ({ mains, board, cutOut, contactor, elementShare }: TwoGroup) =>
  mains && board && cutOut && contactor && elementShare > 0

/** Settled gauge pressure of the boiler. */
export function boilerBar(state: TwoGroup): number {
  if (!heats(state)) return 0
  const lost = (state.vacuumOpen ? 0.35 : 0) + (state.safetyWeeps ? 0.12 : 0)
  const dry = state.fill === 'shut' ? 0.5 : 0
  return Math.max(0, state.setBar * (state.elementShare < 0.5 ? 0.3 : 1) - lost - dry)
}

export function basketC(state: TwoGroup): number {
  const bar = boilerBar(state)
  if (bar <= 0) return 28
  return 92.5 + 0.6 * (steamTempC(bar, 0) - 122) - 14 * (1 - state.exchangerOpen)
}

/** Below this a level probe takes water for air, µS/cm. From memory. */
const leastUsCm = 50

export const overfull = (state: TwoGroup) =>
  !state.probeSees || state.conductivityUsCm < leastUsCm || state.fill === 'leaks'

export function steamS(state: TwoGroup): number {
  const bar = boilerBar(state)
  if (bar <= 0.05 || state.fill === 'shut') return bar <= 0.05 ? Infinity : 45
  const gS = steamGS(4, 1.2, bar + 1.01325) * state.tipOpen
  return steamSeconds(200, 45, gS) * (overfull(state) ? 2 : 1)
}

/** Seconds to a double in the cup, of a puck ground so. */
export function shotS(state: TwoGroup, grind: number): number {
  const { endMlS } = brew(state, { grind })
  return endMlS < 0.15 ? Infinity : wettingS + cupMl / endMlS
}
