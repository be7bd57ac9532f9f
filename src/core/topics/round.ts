import { array, number, object } from 'yup'
import { amount } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { bestDay } from '../rounds/best-day.ts'
import type { DayProblem } from '../rounds/day-problem.ts'
import { timetable } from '../rounds/timetable.ts'
import { costOf } from '../rounds/walk.ts'
import { InputFault, topic } from './topic.ts'

/** How often stops are taken out and put back where not every order can be weighed. */
const searchRounds = 30_000
const mostStops = 200

export const round = topic({
  name: 'round',
  about: 'The order of a day’s stops: fewest left out, then least travel, then home earliest.',
  schema: object({
    travelMin: array(array(amount().required()).required()).required().min(1),
    stops: array(
      object({
        serviceMin: amount().required(),
        open: array(amount().required()).required().length(2),
      })
        .noUnknown()
        .required(),
    )
      .required()
      .max(mostStops),
    startMin: amount().required(),
    endMin: amount().required(),
    /** An order planned so far: the answer is never worse. */
    given: array(number().integer().min(0).required()),
  }).noUnknown(),
  example: {
    travelMin: [
      [0, 14, 20, 16],
      [14, 0, 11, 22],
      [20, 11, 0, 9],
      [16, 22, 9, 0],
    ],
    stops: [
      { serviceMin: 65, open: [480, 1080] },
      { serviceMin: 50, open: [570, 720] },
      { serviceMin: 65, open: [810, 960] },
    ],
    startMin: 480,
    endMin: 1020,
  },
  reckon({ travelMin, stops, startMin, endMin, given }) {
    const size = stops.length + 1
    if (travelMin.length !== size)
      throw new InputFault('travelMin', travelMin.length, `must have a row for the start and each stop: ${size}`)
    for (const [i, row] of travelMin.entries())
      if (row.length !== size) throw new InputFault(`travelMin[${i}]`, row.length, `must have ${size} columns`)
    for (const [i, { open }] of stops.entries())
      if (open[0]! > open[1]!) throw new InputFault(`stops[${i}].open`, open, 'ends before it begins')
    if (endMin < startMin) throw new InputFault('endMin', endMin, `is before startMin (${startMin})`)
    for (const [i, stop] of (given ?? []).entries()) {
      if (stop >= stops.length) throw new InputFault(`given[${i}]`, stop, 'is no stop')
      if (given!.indexOf(stop) < i) throw new InputFault(`given[${i}]`, stop, 'is given twice')
    }
    const problem: DayProblem = {
      travelMin,
      stops: stops.map(({ serviceMin, open }, i) => ({
        place: i + 1,
        serviceMin,
        open: [{ from: open[0]!, to: open[1]! }],
      })),
      outings: [{ start: 0, end: 0, startMin, endMin }],
    }
    const warnings = given && !costOf(problem, [given]) ? ['given: cannot be driven in these hours as it stands'] : []
    const { routes, cost, exact } = bestDay(problem, { rounds: searchRounds, ...(given && { given: [given] }) })
    const order = routes[0]!
    const times = timetable(problem, problem.outings[0]!, order)!
    const { lines, add } = startWorking()
    add({ what: 'Out', value: startMin, unit: 'min', origin: 'setting' })
    let from = 0
    const legs = times.stops.map(({ stop, legMin, arriveMin, beginMin, endMin: until }) => {
      const leg = add({ what: `Road ${from} to ${stop + 1}`, value: legMin, unit: 'min', origin: 'setting' })
      add({
        what: `At stop ${stop}`,
        value: arriveMin,
        unit: 'min',
        formula: `{${leg}} after the last`,
        origin: 'reckoned',
      })
      if (beginMin > arriveMin)
        add({ what: 'Waits for it to open', value: beginMin - arriveMin, unit: 'min', origin: 'reckoned' })
      add({ what: `Done at stop ${stop}`, value: until, unit: 'min', origin: 'reckoned' })
      from = stop + 1
      return leg
    })
    if (order.length > 0) {
      const back = add({ what: `Road ${from} to 0`, value: times.homeLegMin, unit: 'min', origin: 'setting' })
      add({
        what: 'On the road',
        value: cost.travelMin,
        unit: 'min',
        formula: [...legs, back].map((line) => `{${line}}`).join(' + '),
        origin: 'reckoned',
        source: exact ? 'the least of all orders (Held and Karp 1962)' : 'the least a search found',
      })
    }
    add({ what: 'Back', value: cost.finishMin, unit: 'min', origin: 'reckoned' })
    const unserved = stops.map((_, i) => i).filter((i) => !order.includes(i))
    return {
      result: {
        order,
        arrivals: times.stops.map(({ arriveMin }) => arriveMin),
        travelMin: cost.travelMin,
        finishMin: cost.finishMin,
        unserved,
        exact,
      },
      working: lines,
      ...(warnings.length > 0 && { warnings }),
    }
  },
})
