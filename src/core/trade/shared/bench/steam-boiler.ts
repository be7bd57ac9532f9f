import type { BenchKind } from '../../../bench/bench-kind.ts'
import { steamGS, steamSeconds } from '../../../bench/laws.ts'
import type { SmallPump } from '../../machines/domestic-three-way-valve/bench.ts'

/** A steam boiler that fills itself, and the outlet it steams by. */
export interface SteamBoiler {
  mains: boolean
  wandOpen: number
  fill: 'works' | 'shut' | 'leaks'
  probeSees: boolean
  vacuumOpen: boolean
  safetyWeeps: boolean
  relay: boolean
}

/** A small pump machine with such a boiler and a jet before its group. */
export type WithSteamBoiler = SmallPump & SteamBoiler & { jetOpen: number }

/** Steam pressure settled, bar over the air. @param setBar - what it would be with all as it should */
export function settledBar(m: SteamBoiler, setBar: number, heats: boolean): number {
  if (!heats || !m.relay) return 0
  const lost = (m.vacuumOpen ? 0.35 : 0) + (m.safetyWeeps ? 0.12 : 0) + (m.fill === 'shut' ? 0.4 : 0)
  return Math.max(0, setBar - lost)
}

const overfull = (m: SteamBoiler) => !m.probeSees || m.fill === 'leaks'

/** Seconds to warm 200 ml by 45 K through two holes of 1.2 mm. */
const warmS = (m: SteamBoiler, bar: number): number =>
  bar < 0.05
    ? Infinity
    : steamSeconds(200, 45, steamGS(2, 1.2, bar + 1.01325) * m.wandOpen) *
      (overfull(m) ? 2.1 : 1) *
      (m.fill === 'shut' ? 1.4 : 1)

/** What such a boiler brings to a machine; by its settled pressure. */
export function steamSide<M extends SteamBoiler>(bar: (m: M) => number) {
  const faults: BenchKind<M>['faults'] = {
    relay: (m) => {
      m.relay = false
    },
    'probe-chalked': (m) => {
      m.probeSees = false
    },
    'fill-shut': (m) => {
      m.fill = 'shut'
    },
    'fill-leaks': (m) => {
      m.fill = 'leaks'
    },
    'vacuum-open': (m) => {
      m.vacuumOpen = true
    },
    'safety-weeps': (m) => {
      m.safetyWeeps = true
    },
  }
  const tests: BenchKind<M>['tests'] = {
    'boiler-gauge': { by: 'steam-gauge', shows: bar },
    'steam-time': { by: 'watch', shows: (m) => warmS(m, bar(m)) },
    level: { by: 'eye', shows: (m) => (overfull(m) ? 'over' : m.fill === 'shut' ? 'under' : 'right') },
    breather: { by: 'eye', shows: (m) => (m.safetyWeeps ? 'safety' : m.vacuumOpen ? 'vacuum' : 'quiet') },
    'fill-off': { by: 'eye', shows: (m) => (m.fill === 'leaks' ? 'goes-on' : 'stops') },
    probe: { by: 'eye', shows: (m) => (m.probeSees ? 'clean' : 'chalked') },
    'fill-valve': { by: 'multimeter', shows: (m) => (m.fill === 'shut' ? 'shut' : 'right') },
    relay: { by: 'multimeter', shows: (m) => (m.relay ? 'closes' : 'not') },
  }
  const notices = (m: M): [string, boolean][] => [
    ['weak-steam', m.mains && !overfull(m) && warmS(m, bar(m)) > 43],
    ['wet-steam', m.mains && overfull(m)],
    ['hisses', m.vacuumOpen || m.safetyWeeps],
  ]
  return {
    sound: { fill: 'works' as const, probeSees: true, vacuumOpen: false, safetyWeeps: false, relay: true },
    faults,
    tests,
    notices,
  }
}
