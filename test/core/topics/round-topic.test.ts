import { expect } from 'chai'
import { diceOf } from '../../../src/core/quantity/dice.ts'
import { round } from '../../../src/core/topics/round.ts'
import { burma14, ulysses16 } from '../rounds/published-tours.ts'

interface Input {
  travelMin: number[][]
  stops: { serviceMin: number; open: number[] }[]
  startMin: number
  endMin: number
  given?: number[]
}
interface Result {
  order: number[]
  arrivals: number[]
  travelMin: number
  finishMin: number
  unserved: number[]
}

const ask = (input: unknown) => {
  const asked = round.ask(input)
  if (!asked.ok) throw new Error(JSON.stringify(asked.issues))
  return asked.answer
}
const problems = (input: unknown): string[] => {
  const asked = round.ask(input)
  return asked.ok ? [] : asked.issues.map(({ path, message }) => `${path}: ${message}`)
}

/** Every order of every set of stops, driven by the words of the contract alone. */
function exhaustive({ travelMin, stops, startMin, endMin }: Input) {
  let best = { served: 0, travelMin: 0, finishMin: startMin }
  const go = (at: number, time: number, travel: number, done: number[]) => {
    const finishMin = time + travelMin[at]![0]!
    const total = travel + travelMin[at]![0]!
    const better =
      done.length !== best.served
        ? done.length > best.served
        : Math.abs(total - best.travelMin) > 1e-9
          ? total < best.travelMin
          : finishMin < best.finishMin - 1e-9
    if (done.length > 0 && finishMin <= endMin && better) best = { served: done.length, travelMin: total, finishMin }
    for (const [i, { serviceMin, open }] of stops.entries()) {
      if (done.includes(i)) continue
      const arrival = time + travelMin[at]![i + 1]!
      const begin = Math.max(arrival, open[0]!)
      if (arrival <= open[1]! && begin + serviceMin <= endMin)
        go(i + 1, begin + serviceMin, travel + travelMin[at]![i + 1]!, [...done, i])
    }
  }
  go(0, startMin, 0, [])
  return best
}

function someDay(seed: number, many: number): Input {
  const dice = diceOf(seed)
  const whole = (from: number, to: number) => Math.round(dice.between(from, to))
  const places = Array.from({ length: many + 1 }, () => [dice.between(0, 40), dice.between(0, 40)] as const)
  const isUneven = seed % 3 === 0
  const travelMin = places.map(([x, y], i) =>
    places.map(([u, w], j) => (i === j ? 0 : whole(1, isUneven ? 12 : 2) + Math.round(Math.hypot(x - u, y - w)))),
  )
  return {
    travelMin,
    stops: Array.from({ length: many }, () => {
      const from = whole(400, 800)
      return { serviceMin: whole(5, 60), open: [from, from + whole(20, 400)] }
    }),
    startMin: 480,
    endMin: whole(780, 1080),
  }
}

describe('the topic round', () => {
  it('is as good as every order tried, with hours, waits and stops that cannot be reached', () => {
    for (let seed = 1; seed <= 45; seed++) {
      const day = someDay(seed, seed % 5 === 0 ? 7 : 2 + (seed % 5))
      const { order, travelMin, finishMin, unserved } = ask(day).result as unknown as Result
      const best = exhaustive(day)
      expect({ served: order.length, travelMin, finishMin }, `seed ${seed}`).to.deep.equal(best)
      expect([...order, ...unserved].sort()).to.deep.equal(day.stops.map((_, i) => i))
    }
  })

  it('is as good as every order of nine stops', function () {
    this.timeout(60_000)
    const day = { ...someDay(91, 9), endMin: 1200 }
    const { order, travelMin, finishMin } = ask(day).result as unknown as Result
    expect({ served: order.length, travelMin, finishMin }).to.deep.equal(exhaustive(day))
  })

  it('arrives as its roads and hours say, before any wait', () => {
    for (let seed = 100; seed < 120; seed++) {
      const { travelMin, stops, startMin, endMin } = someDay(seed, 9)
      const { result } = ask({ travelMin, stops, startMin, endMin })
      const { order, arrivals, finishMin } = result as unknown as Result
      let time = startMin
      let at = 0
      for (const [n, i] of order.entries()) {
        time += travelMin[at]![i + 1]!
        expect(arrivals[n]).to.equal(time)
        expect(time).to.be.at.most(stops[i]!.open[1]!)
        time = Math.max(time, stops[i]!.open[0]!) + stops[i]!.serviceMin
        at = i + 1
      }
      expect(finishMin).to.equal(time + travelMin[at]![0]!)
      expect(finishMin).to.be.at.most(endMin)
    }
  })

  for (const [name, { travel, length }] of Object.entries({ burma14, ulysses16 }))
    it(`drives the published tour of ${name} in ${length} (Reinelt 1991)`, () => {
      const stops = travel.slice(1).map(() => ({ serviceMin: 0, open: [0, 100_000] }))
      const { order, travelMin } = ask({ travelMin: travel, stops, startMin: 0, endMin: 100_000 })
        .result as unknown as Result
      expect(travelMin).to.equal(length)
      expect(order).to.have.length(travel.length - 1)
    })

  it('is never worse than what was given, and keeps it where it is as good', () => {
    for (let seed = 200; seed < 206; seed++) {
      const day = { ...someDay(seed, 14), endMin: 5000 }
      for (const stop of day.stops) stop.open = [0, 5000]
      const given = day.stops.map((_, i) => i)
      const length = (order: number[]) =>
        [0, ...order.map((i) => i + 1), 0].reduce(
          (sum, at, i, all) => (i === 0 ? 0 : sum + day.travelMin[all[i - 1]!]![at]!),
          0,
        )
      const found = ask({ ...day, given }).result as unknown as Result
      expect(found.travelMin).to.be.at.most(length(given))
      const again = ask({ ...day, given: found.order }).result as unknown as Result
      expect(again.travelMin).to.be.at.most(found.travelMin)
    }
    // There and back again is as far the other way round.
    const square = {
      travelMin: [
        [0, 1, 2],
        [1, 0, 1],
        [2, 1, 0],
      ],
      startMin: 0,
      endMin: 600,
    }
    const stops = [1, 2].map(() => ({ serviceMin: 1, open: [0, 600] }))
    expect(ask({ ...square, stops, given: [1, 0] }).result.order).to.deep.equal([1, 0])
    const shut = ask({ ...square, stops: [stops[0], { serviceMin: 1, open: [0, 1] }], given: [0, 1] })
    expect(shut.warnings).to.deep.equal(['given: cannot be driven in these hours as it stands'])
    expect(shut.result).to.deep.include({ order: [0], unserved: [1] })
  })

  it('says at which field it is impossible', () => {
    const day = someDay(1, 3)
    expect(problems({ ...day, travelMin: day.travelMin.slice(1) })).to.deep.equal([
      'travelMin: must have a row for the start and each stop: 4',
    ])
    expect(problems({ ...day, endMin: 10 })).to.deep.equal(['endMin: is before startMin (480)'])
    const [first, ...others] = day.stops
    expect(problems({ ...day, stops: [{ ...first, open: [600, 500] }, ...others] })).to.deep.equal([
      'stops[0].open: ends before it begins',
    ])
    expect(problems({ ...day, given: [0, 0] })).to.deep.equal(['given[1]: is given twice'])
    expect(problems({ ...day, given: [3] })).to.deep.equal(['given[0]: is no stop'])
    expect(problems({ ...day, travelMin: [[0, -1, 2, 3], ...day.travelMin.slice(1)] })).to.have.length(1)
  })
})
