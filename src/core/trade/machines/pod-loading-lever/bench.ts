import { likeBench } from '../../../bench/derive.ts'
import { type PodMachine, pkBench } from '../pod-locking-head/bench.ts'

interface WithJug extends PodMachine {
  steamOpen: number
  whisk: 'turns' | 'stands'
  jugSealed: boolean
  jetOpen: number
  milk: 'cold' | 'warm'
}

/** Seconds until the jug is hot: it takes so long with everything open. */
const soundJugS = 72

function jugS(m: WithJug): number {
  if (!m.board || !m.heater || !m.fuse) return Infinity
  const through = Math.min(m.steamOpen, m.jetOpen) * (m.jugSealed ? 1 : 0.65) * m.sensorShare ** 2
  return through < 0.12 ? Infinity : soundJugS / through
}

/** The pod machine with a jug that is warmed by steam and stirred by a whisk. */
export const plBench = likeBench<PodMachine, WithJug>(pkBench, {
  kind: 'pl',
  sound: (dice) => ({
    steamOpen: dice.between(0.9, 1),
    whisk: 'turns',
    jugSealed: true,
    jetOpen: dice.between(0.9, 1),
    milk: 'cold',
  }),
  faults: {
    'steam-path-chalked': (m, s) => {
      m.steamOpen = 0.6 - 0.52 * s
    },
    'whisk-stands': (m) => {
      m.whisk = 'stands'
    },
    'jug-seal': (m) => {
      m.jugSealed = false
    },
    'jug-dirty': (m, s) => {
      m.jetOpen = 0.6 - 0.52 * s
    },
    'milk-wrong': (m) => {
      m.milk = 'warm'
    },
  },
  notices: (m) => [
    ['flat-milk', m.board && (m.whisk === 'stands' || m.milk === 'warm' || jugS(m) > 160)],
    ['cold-milk', m.board && jugS(m) > 105],
    ['jug-leaks', !m.jugSealed],
  ],
  tests: {
    'jug-time': { by: 'watch', shows: jugS },
    whisk: { by: 'eye', shows: (m) => (m.board && m.whisk === 'turns' ? 'turns' : 'stands') },
    'own-milk': { by: 'eye', shows: (m) => (m.milk === 'warm' ? 'foams' : 'same') },
    jug: { by: 'eye', shows: (m) => (m.jetOpen < 0.65 ? 'crusted' : 'clean') },
    'jug-rim': { by: 'eye', shows: (m) => (m.jugSealed ? 'dry' : 'hisses') },
    'steam-hose': { by: 'hand', shows: (m) => (m.steamOpen < 0.65 ? 'shut' : 'free') },
  },
})
