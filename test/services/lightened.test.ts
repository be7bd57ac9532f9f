import { expect } from 'chai'
import { lightened } from '../../src/services/weeks/day-stops.ts'
import type { DayStop, DayTask } from '../../src/views/day-page.ts'

const stopMin = 15
const task = (name: string, minutes: number, over: number, mayWait = true): DayTask =>
  ({ name, machineName: 'Left bar', subjectId: 'm', key: name, minutes, over, mayWait, coolMin: 0 }) as DayTask
const stop = (...tasks: DayTask[]): DayStop =>
  ({
    tasks,
    hours: [],
    notToday: [],
    serviceMin: tasks.reduce((sum, { minutes }) => sum + minutes, stopMin),
  }) as unknown as DayStop

/** A day with so many minutes for all its stops: the last does not fit where they take more. */
function lighten(stops: DayStop[], roomMin: number): DayStop[] {
  lightened(stops, [...stops.keys()], stopMin, () =>
    stops.reduce((sum, { serviceMin }) => sum + serviceMin, 0) > roomMin
      ? [{ stop: stops.length - 1, why: 'full' }]
      : [],
  )
  return stops
}
const namesOf = (stops: DayStop[]) => stops.map(({ tasks }) => tasks.map(({ name }) => name))

describe('a day that cannot hold its stops', () => {
  const morning = () => [
    stop(task('gasket', 10, 4), task('valve', 40, -120), task('seal', 10, -60)),
    stop(task('burrs', 30, -30), task('promised', 20, -90, false)),
  ]

  it('stays as it is where it holds them', () => {
    const stops = lighten(morning(), 200)
    expect(namesOf(stops)).to.deep.equal([
      ['gasket', 'valve', 'seal'],
      ['burrs', 'promised'],
    ])
    expect(stops.flatMap(({ notToday }) => notToday)).to.deep.equal([])
  })

  it('loses what is longest before its day, and nothing that is over or was promised', () => {
    const stops = lighten(morning(), 100)
    expect(namesOf(stops)).to.deep.equal([
      ['gasket', 'seal'],
      ['burrs', 'promised'],
    ])
    expect(stops[0]!.notToday).to.deep.equal(['valve, Left bar'])
    expect(namesOf(lighten(morning(), 62))).to.deep.equal([['gasket'], ['promised']])
  })

  it('gets back what there is room for after all, the soonest due first', () => {
    // Without valve and seal it is still too long; once the burrs are out too, there is room for the seal again.
    const stops = lighten(morning(), 85)
    expect(namesOf(stops)).to.deep.equal([['gasket', 'seal'], ['promised']])
    expect(stops.flatMap(({ notToday }) => notToday)).to.deep.equal(['valve, Left bar', 'burrs, Left bar'])
    expect(stops.reduce((sum, { serviceMin }) => sum + serviceMin, 0)).to.be.at.most(85)
  })

  it('is left as light as can be where even that does not help', () => {
    const stops = lighten(morning(), 20)
    expect(namesOf(stops)[1]).to.deep.equal(['promised'])
    expect(stops[1]!.notToday).to.deep.equal(['burrs, Left bar'])
  })
})
