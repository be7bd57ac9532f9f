import { expect } from 'chai'
import type { BenchKind } from '../../../src/core/bench/bench-kind.ts'
import { likeBench } from '../../../src/core/bench/derive.ts'
import { readBy } from '../../../src/core/bench/instruments.ts'
import { diceOf } from '../../../src/core/quantity/dice.ts'

interface Plain {
  openShare: number
  wet: boolean
}
interface More extends Plain {
  hot: boolean
}

const plain: BenchKind<Plain> = {
  kind: 'one',
  sound: (dice) => ({ openShare: dice.between(0.9, 1), wet: false }),
  faults: {
    shut: (m, severity) => {
      m.openShare = 1 - severity
    },
    leaks: (m) => {
      m.wet = true
    },
  },
  notices: (m) => [...(m.openShare < 0.5 ? ['slow'] : []), ...(m.wet ? ['wet'] : [])],
  tests: {
    flow: { by: 'scale', shows: (m) => 100 * m.openShare },
    look: { by: 'eye', shows: (m) => (m.wet ? 'wet' : 'dry') },
  },
}

describe('a kind on the bench that is built like another', () => {
  const like = likeBench<Plain, More>(plain, {
    kind: 'two',
    sound: () => ({ hot: true }),
    without: { faults: ['leaks'], tests: ['look'], symptoms: ['wet'] },
    faults: {
      cold: (m) => {
        m.hot = false
      },
    },
    notices: (m) => [
      ['cold', !m.hot],
      ['slow', m.openShare < 0.2],
    ],
    tests: { touch: { by: 'hand', shows: (m) => (m.hot ? 'hot' : 'cold') } },
  })

  it('has the other’s laws and scatter, and what only it has', () => {
    const [one, two] = [plain.sound(diceOf(4)), like.sound(diceOf(4))]
    expect(two).to.deep.equal({ ...one, hot: true })
    like.faults.shut!(two, 0.6, diceOf(1))
    expect(like.tests.flow!.shows(two)).to.be.closeTo(40, 1e-9)
    like.faults.cold!(two, 1, diceOf(1))
    expect(like.tests.touch!.shows(two)).to.equal('cold')
  })

  it('has not what it has not', () => {
    expect(Object.keys(like.faults)).to.deep.equal(['shut', 'cold'])
    expect(Object.keys(like.tests)).to.deep.equal(['flow', 'touch'])
    expect(like.notices({ openShare: 1, wet: true, hot: true })).to.deep.equal([])
  })

  it('is complained of once, whichever of the two says so', () => {
    expect(like.notices({ openShare: 0.1, wet: false, hot: false })).to.deep.equal(['slow', 'cold'])
  })
})

describe('instruments, each by its own error (from memory)', () => {
  const spread = (by: Parameters<typeof readBy>[0], at: number) => {
    const dice = diceOf(31)
    const readings = Array.from({ length: 3000 }, () => Number(readBy(by, at, [], dice)))
    const mean = readings.reduce((sum, one) => sum + one, 0) / readings.length
    return { mean, sd: Math.sqrt(readings.reduce((sum, one) => sum + (one - mean) ** 2, 0) / readings.length) }
  }

  for (const [by, at, sd] of [
    ['machine-gauge', 9, 0.5],
    ['steam-gauge', 1.1, 0.05],
    ['scale', 40, 1],
    ['gram-scale', 18, 0.1],
    ['thermometer', 92, 1.5],
    // A share of the reading and so much besides, as two errors that know nothing of each other.
    ['jug-and-watch', 90, Math.hypot(0.03 * 90, 6)],
    ['watch', 28, Math.hypot(0.02 * 28, 0.5)],
    ['multimeter', 40, Math.hypot(0.4, 0.2)],
    ['pen', 400, Math.hypot(16, 5)],
  ] as const)
    it(`${by} at ${at}: ${sd.toFixed(2)} either way, and true on the average`, () => {
      const read = spread(by, at)
      expect(read.mean).to.be.closeTo(at, 4 * (sd / Math.sqrt(3000)))
      expect(read.sd).to.be.closeTo(sd, 0.06 * sd)
    })

  it('never read below nothing', () => {
    const dice = diceOf(2)
    for (let i = 0; i < 500; i += 1) expect(Number(readBy('jug-and-watch', 1, [], dice))).to.be.at.least(0)
  })

  it('hand, ear, eye and word err one time in twenty, six, ten and five', () => {
    for (const [by, share] of [
      ['hand', 0.05],
      ['ear', 1 / 6],
      ['eye', 0.1],
      ['customer', 0.2],
    ] as const) {
      const dice = diceOf(17)
      const wrong = Array.from({ length: 6000 }, () => readBy(by, 'a', ['a', 'b', 'c'], dice)).filter(
        (one) => one !== 'a',
      )
      expect(wrong.length / 6000, by).to.be.closeTo(share, 0.015)
      // What it is taken for is any of the others.
      expect(wrong.filter((one) => one === 'b').length / wrong.length, by).to.be.within(0.4, 0.6)
    }
  })

  it('say what there is where there is nothing else to say', () => {
    expect(readBy('ear', 'a', ['a'], diceOf(1))).to.equal('a')
  })
})
