import { expect } from 'chai'
import { benches } from '../../../src/core/bench/benches.ts'
import { pathFlow } from '../../../src/core/bench/flow-path.ts'
import { readBy } from '../../../src/core/bench/instruments.ts'
import { orificeMlS, rotaryMlS, steamGS, steamSeconds, vibratoryMlS } from '../../../src/core/bench/laws.ts'
import { playBest } from '../../../src/core/bench/play-case.ts'
import { secretCase } from '../../../src/core/bench/secret-case.ts'
import { bookOf } from '../../../src/core/faults/books.ts'
import { diceOf } from '../../../src/core/quantity/dice.ts'

const benchFor = (kind: string) => benches.find((one) => one.kind === kind)!
const sound = (kind: string, seed = 1) => benchFor(kind).sound(diceOf(seed))
const shown = (kind: string, test: string, state = sound(kind)) => benchFor(kind).tests[test]!.shows(state)

describe('the laws of the bench', () => {
  it('jets: 9 bar through 0.4 to 1.0 mm (orifice equation, a coefficient of 0.7 from memory)', () => {
    for (const [mm, mlS] of [
      [0.4, 3.8],
      [0.5, 5.9],
      [0.6, 8.5],
      [0.7, 11.6],
      [0.8, 15.2],
      [1, 23.7],
    ] as const)
      expect(orificeMlS(mm, 9), `${mm} mm`).to.be.closeTo(mlS, 0.03 * mlS)
  })

  it('a new vibratory pump gives 620 ml/min free and half of it against 7 to 8 bar (from memory)', () => {
    const pump = { freeMlS: 620 / 60, shutBar: 16.5 }
    expect(vibratoryMlS(pump, 0) * 60).to.be.closeTo(620, 1e-9)
    expect(vibratoryMlS(pump, 9) * 60).to.be.within(230, 330)
    expect(vibratoryMlS(pump, 16.5)).to.be.closeTo(0, 1e-9)
  })

  it('a rotary pump is nearly flat below its bypass and shut two bar above it', () => {
    const pump = { ratedMlS: 41.7, bypassBar: 7.5 }
    expect(rotaryMlS(pump, 7) / rotaryMlS(pump, 2)).to.be.within(0.95, 1)
    expect(rotaryMlS(pump, 9.5)).to.be.closeTo(0, 1e-9)
  })

  it('steam by Napier’s rule: four holes of 1.2 mm at 1.2 bar, and a jug of water in a quarter of a minute', () => {
    // Napier's rule, W = A·p/70 (lb/s, in², psia), through 4.524 mm² at 2.213 bar absolute: 1.46 g/s; a wand three quarters.
    const areaIn2 = (4 * Math.PI * 0.6 ** 2) / 645.16
    const ruleGS = ((areaIn2 * 2.213 * 14.5038) / 70) * 453.592
    expect(steamGS(4, 1.2, 2.213)).to.be.closeTo(0.75 * ruleGS, 0.02 * ruleGS)
    expect(steamSeconds(200, 45, steamGS(4, 1.2, 2.213))).to.be.within(12, 22)
  })

  it('flow along a path: what leaves adds up, and more resistance is less flow', () => {
    const pump = (bar: number) => vibratoryMlS({ freeMlS: 10, shutBar: 16 }, bar)
    let before = Infinity
    for (const resists of [0.5, 1, 2, 4, 8, 16]) {
      const flow = pathFlow(pump, 16, [{ through: 0.7 }, { leak: 0.2, to: 'tray' }], { resists })
      expect(flow.pumpMlS).to.be.closeTo(flow.endMlS + flow.lost.tray!, 1e-6)
      expect(flow.endBar).to.be.closeTo(resists * flow.endMlS, 1e-3)
      expect(flow.endMlS).to.be.lessThan(before)
      before = flow.endMlS
    }
  })

  it('against a blind basket it climbs to what the pump can do', () => {
    const flow = pathFlow((bar) => rotaryMlS({ ratedMlS: 41.7, bypassBar: 7.5 }, bar), 9.5, [{ through: 0.6 }], {
      shut: true,
    })
    expect(flow.endBar).to.be.closeTo(9.5, 0.01)
  })
})

describe('a sound machine on the bench (common practice, no source)', () => {
  for (const seed of [1, 2, 3, 4, 5]) {
    it(`two-group ${seed}: a double in 24 to 32 s, 9 to 10 bar blind, about 85 ml open, 120 °C at 1 bar`, () => {
      const state = sound('c2', seed)
      expect(shown('c2', 'shot', state)).to.be.within(24, 34)
      expect(shown('c2', 'blind-pressure', state)).to.be.within(9, 10)
      expect(shown('c2', 'open-flow', state)).to.be.within(65, 110)
      expect(shown('c2', 'steam-time', state)).to.be.within(12, 22)
      expect(shown('c2', 'basket-temperature', state)).to.be.within(90, 95)
      expect(shown('c2', 'vent', state)).to.equal('hiss')
    })
    it(`super-automatic ${seed}: 40 g in 18 to 28 s, little in the tray`, () => {
      const state = sound('sr', seed)
      expect(shown('sr', 'espresso', state)).to.be.within(36, 44)
      expect(shown('sr', 'shot-time', state)).to.be.within(16, 30)
      expect(shown('sr', 'tray-water', state)).to.be.within(6, 15)
      expect(shown('sr', 'open-flow', state)).to.be.within(45, 90)
    })
    it(`small pump machine ${seed}: a double in 22 to 32 s, 10 to 13 bar blind, a jug warm within a minute`, () => {
      const state = sound('dv', seed)
      expect(shown('dv', 'shot', state)).to.be.within(20, 34)
      expect(shown('dv', 'blind-pressure', state)).to.be.within(10, 13)
      expect(shown('dv', 'open-flow', state)).to.be.within(55, 105)
      expect(shown('dv', 'steam-time', state)).to.be.within(35, 75)
      expect(shown('dv', 'basket-temperature', state)).to.be.within(86, 95)
    })
    it(`pod machine ${seed}: 40 g in 18 to 28 s, a dry bin`, () => {
      const state = sound('pk', seed)
      expect(shown('pk', 'cup', state)).to.be.within(35, 45)
      expect(shown('pk', 'shot-time', state)).to.be.within(15, 29)
      expect(shown('pk', 'tray-water', state)).to.be.within(0, 5)
    })
  }

  it('a stuck valve does not vent, a leaking one runs into the tray, a chalked jet starves one group', () => {
    const broken = (fault: string, severity = 0.7) => {
      const state = sound('c2')
      benchFor('c2').faults[fault]!(state, severity, diceOf(3))
      return state
    }
    expect(shown('c2', 'vent', broken('three-way-no-vent'))).to.equal('none')
    expect(shown('c2', 'tray-during', broken('three-way-leaks'))).to.equal('runs')
    expect(shown('c2', 'other-group', broken('jet-blocked'))).to.equal('better')
    expect(shown('c2', 'open-flow', broken('jet-blocked'))).to.be.lessThan(50)
    expect(shown('c2', 'boiler-gauge', broken('cut-out'))).to.equal(0)
  })
})

for (const bench of benches) {
  const book = bookOf(bench.kind)!
  describe(`the bench and the book of ${bench.kind}`, () => {
    it('know the same faults and the same tests', () => {
      expect(Object.keys(bench.faults).sort()).to.deep.equal(book.faults.map(({ id }) => id).sort())
      expect(Object.keys(bench.tests).sort()).to.deep.equal(book.tests.map(({ id }) => id).sort())
    })

    it('show only what can be shown', () => {
      for (const { id } of book.faults)
        for (const seed of [11, 12]) {
          const secret = secretCase(book, bench, seed, id)
          expect(book.symptoms.some((symptom) => symptom.id === secret.symptom)).to.equal(true)
          for (const test of book.tests) {
            const seen = secret.observe(test.id)
            if (test.reads) expect(seen, test.id).to.be.a('number')
            else
              expect(
                test.outcomes.map((outcome) => outcome.id),
                test.id,
              ).to.include(seen)
          }
        }
    })

    it('break the same machine from the same seed, and show the same whatever was tried before', () => {
      const one = secretCase(book, bench, 77)
      const other = secretCase(book, bench, 77)
      const ids = book.tests.map(({ id }) => id)
      expect(ids.map((id) => one.observe(id))).to.deep.equal(
        ids
          .toReversed()
          .map((id) => other.observe(id))
          .toReversed(),
      )
      expect(playBest(book, one)).to.deep.equal(playBest(book, other))
    })

    it('let the next best test name the right one first in 17 of 20 cases, over 200', () => {
      let right = 0
      for (let seed = 1; seed <= 200; seed += 1) {
        const secret = secretCase(book, bench, seed)
        if (playBest(book, secret).named === secret.fault) right += 1
      }
      expect(right).to.be.at.least(170)
    })
  })
}

describe('instruments', () => {
  it('err as they are said to: a test gauge by 0.2 bar, an eye once in ten', () => {
    const dice = diceOf(9)
    const readings = Array.from({ length: 4000 }, () => readBy('test-gauge', 9, [], dice) as number)
    const mean = readings.reduce((sum, bar) => sum + bar, 0) / readings.length
    const sd = Math.sqrt(readings.reduce((sum, bar) => sum + (bar - mean) ** 2, 0) / readings.length)
    expect(mean).to.be.closeTo(9, 0.02)
    expect(sd).to.be.closeTo(0.2, 0.01)
    const wrong = Array.from({ length: 4000 }, () => readBy('eye', 'dry', ['dry', 'wet'], dice)).filter(
      (is) => is === 'wet',
    )
    expect(wrong.length / 4000).to.be.closeTo(0.1, 0.015)
  })

  it('never read what never comes as something', () => {
    expect(readBy('watch', Infinity, [], diceOf(1))).to.equal(Infinity)
  })
})
