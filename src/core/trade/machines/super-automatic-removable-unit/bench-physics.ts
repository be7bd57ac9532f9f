import { type PathElement, type PathFlow, pathFlow } from '../../../bench/flow-path.ts'
import { narrowed, orificeMlS, rotaryMlS, vibratoryMlS } from '../../../bench/laws.ts'

/** A super-automatic as the bench knows it; shares are of what a sound one has, 1 for all. */
export interface SuperAutomatic {
  tankOpen: number
  filterOpen: number
  air: boolean
  pumpShare: number
  pumpRuns: boolean
  channelOpen: number
  heater: boolean
  sensorShare: number
  nozzleLeakMm: number
  ringLeakMm: number
  screenOpen: number
  unitStiff: boolean
  drive: 'right' | 'slips'
  homeSwitch: boolean
  valve: 'right' | 'stuck'
  valveLeakMm: number
  steamValve: 'right' | 'shut'
  doseShare: number
  grindShare: number
  hopper: 'falls' | 'hangs'
  chute: number
  grinder: 'runs' | 'jammed' | 'no contact'
  blunt: boolean
  pulsesShare: number
  askedShare: number
  home: boolean
  doorSwitch: boolean
  board: boolean
  airJetOpen: number
  ringsWorn: boolean
  hoseLeakMm: number
  history: 'nothing' | 'beans' | 'worked' | 'stood'
  /** Of the mains it hangs on, with a rotary pump; none for one with a tank. */
  mainsBar?: number
  /** What opens the way to the cup, bar; a spring valve where nothing is said. */
  cremaBar?: number
  /** What it lets off into the tray after each drink, ml; of one with a tank where nothing is said. */
  ventMl?: number
}

export const fullDoseG = 9
const espressoMl = 40
const puckMl = 10
const ventedMl = 9
/** The crema valve, and a sound puck, bar per ml/s. */
const springBar = 3.5
const puckBarPerMlS = 3.9

/** Whether it gets as far as pumping. */
export const ready = (m: SuperAutomatic) => m.board && m.home && m.doorSwitch
export const brewable = (m: SuperAutomatic) => ready(m) && m.drive === 'right' && m.homeSwitch && m.valve === 'right'

/** What reaches the pump, ml/s. */
export const drawn = (m: SuperAutomatic) =>
  m.air || !m.pumpRuns ? 0 : orificeMlS(narrowed(4, Math.min(m.tankOpen, m.filterOpen)), m.mainsBar ?? 0.5)

export const pump = (m: SuperAutomatic) => (bar: number) =>
  Math.max(
    0,
    Math.min(
      drawn(m),
      m.mainsBar === undefined
        ? vibratoryMlS({ freeMlS: 10.3 * Math.sqrt(m.pumpShare), shutBar: 16.5 * m.pumpShare }, bar)
        : rotaryMlS({ ratedMlS: 25 * m.pumpShare, bypassBar: 6.9 * Math.min(1, m.pumpShare) }, bar),
    ),
  )

/** Water through the block to somewhere. */
export const throughBlock = (m: SuperAutomatic): PathElement[] => [
  { through: narrowed(m.mainsBar === undefined ? 0.72 : 0.6, m.channelOpen) },
  ...(m.hoseLeakMm > 0 ? [{ leak: m.hoseLeakMm, to: 'inside' }] : []),
]

/** Water on its way to the cup, with coffee in it or without. */
export function brew(m: SuperAutomatic, coffee: boolean): PathFlow {
  const none: PathFlow = { pumpMlS: 0, pumpBar: 0, endMlS: 0, endBar: 0, lost: {} }
  if (!brewable(m) || drawn(m) <= 0) return none
  const leaks: [number, string][] = [
    [m.valveLeakMm, 'valve'],
    [m.nozzleLeakMm, 'nozzle'],
    [m.ringLeakMm, 'ring'],
  ]
  return pathFlow(
    pump(m),
    16.5,
    [
      ...throughBlock(m),
      ...leaks.flatMap(([mm, to]) => (mm > 0 ? [{ leak: mm, to }] : [])),
      { through: narrowed(2, m.screenOpen) },
      { opensBar: m.cremaBar ?? springBar },
    ],
    coffee ? { resists: puckBarPerMlS * m.grindShare * dose(m) } : { free: true },
  )
}

/** Hot water or steam goes off before the brew unit. */
export const aside = (m: SuperAutomatic): number =>
  ready(m) && m.steamValve === 'right' && m.valve === 'right' && drawn(m) > 0
    ? pathFlow(pump(m), 16.5, throughBlock(m), { free: true }).endMlS
    : 0

/** Ground coffee as a share of the full dose. */
export const dose = (m: SuperAutomatic): number => (m.grinder === 'runs' ? Math.min(m.chute, m.doseShare) : 0.02)

/** What one espresso comes to. */
export function espresso(m: SuperAutomatic): { cupG: number; trayMl: number; seconds: number } {
  const { pumpMlS, endMlS, lost } = brew(m, true)
  if (pumpMlS < 0.25 || endMlS < 0.15) return { cupG: 0, trayMl: 0, seconds: Infinity }
  const counted = (espressoMl * m.askedShare + puckMl) / Math.max(0.4, m.pulsesShare)
  const share = endMlS / pumpMlS
  const away = ((lost.valve ?? 0) + (lost.nozzle ?? 0) + (lost.ring ?? 0)) / pumpMlS
  return {
    cupG: Math.max(0, counted * share - puckMl * Math.min(1, dose(m) + 0.2)),
    trayMl: (m.ventMl ?? ventedMl) + counted * away,
    seconds: 5 + counted / pumpMlS,
  }
}

/** What it counted against what is found in cup, tray and puck, each weighed. */
export function balance(m: SuperAutomatic): string {
  const { cupG, trayMl, seconds } = espresso(m)
  if (m.pulsesShare === 0) return 'more'
  if (!Number.isFinite(seconds)) return 'none'
  const asked = espressoMl * m.askedShare
  const spilt = trayMl - (m.ventMl ?? ventedMl)
  const found = cupG + spilt
  if (found > 1.15 * asked) return 'more'
  if (cupG >= 0.85 * asked) return 'agree'
  return spilt > 0.5 * (asked - cupG) ? 'tray' : 'gone'
}

/** A cup of coffee that its own grinder had no part in. */
export function groundElsewhere(m: SuperAutomatic): string {
  // As coarse as such a machine's sound grinder has it.
  const grindShare = m.mainsBar === undefined ? 1 : 0.55
  const given: SuperAutomatic = { ...m, grinder: 'runs', doseShare: 1, chute: 1, grindShare }
  const { cupG, seconds } = espresso(given)
  const asked = espressoMl * m.askedShare
  const good = m.pulsesShare > 0 && Math.abs(cupG - asked) < 0.2 * asked && seconds < 36 && outletC(m) > 78
  return good ? 'well' : 'bad'
}

/** Of the water at its spout. */
export function outletC(m: SuperAutomatic): number {
  if (!m.heater || !brewable(m) || drawn(m) <= 0) return 24
  return 24 + (90 - 24) * m.sensorShare - 22 * Math.max(0, 0.8 - m.channelOpen)
}
