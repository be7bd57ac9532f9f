import { expect } from 'chai'
import { type DoneTask, learnedMinutes } from '../../../src/core/rounds/job-minutes.ts'

const gasket: DoneTask = { kind: 'c2', task: 'gasket', minutes: 20 }
const screen: DoneTask = { kind: 'c2', task: 'screen', minutes: 10 }
const burrs: DoneTask = { kind: 'gr', task: 'burrs', minutes: 30 }
const many = (n: number, minutes: number, ...tasks: DoneTask[]) => Array.from({ length: n }, () => ({ minutes, tasks }))

describe('how long work takes a firm', () => {
  it('is what the catalogue says until a visit has its times', () => {
    const { of, visits } = learnedMinutes([], 15)
    expect(visits).to.equal(0)
    expect(of('c2', 'gasket', 20)).to.equal(20)
  })

  it('comes nearer to what was taken the more of it there was, and never beyond', () => {
    // The stop takes 15 min, so that 45 min on site are 30 for a gasket of 20: half as long again.
    const after = (n: number) => learnedMinutes(many(n, 45, gasket), 15).of('c2', 'gasket', 20)
    // One visit goes less than a fifth of the way.
    expect(after(1)).to.be.within(20, 22)
    expect(after(5)).to.be.above(after(1))
    expect(after(200)).to.be.within(29, 30)
    expect(after(20_000)).to.be.closeTo(30, 0.1)
  })

  it('lends what it knows of a kind to a task nobody has done yet, and less of it to another kind', () => {
    const { of } = learnedMinutes(many(60, 45, gasket), 15)
    const [own, sister, other] = [of('c2', 'gasket', 20) / 20, of('c2', 'hose', 20) / 20, of('gr', 'burrs', 30) / 30]
    expect(own).to.be.above(sister)
    expect(sister).to.be.above(other)
    expect(other).to.be.above(1)
  })

  it('shares a visit out over its tasks as the catalogue would', () => {
    const { of } = learnedMinutes(many(500, 15 + 15, gasket, screen), 15)
    // Half of 30 min: both at half their minutes.
    expect(of('c2', 'gasket', 20)).to.be.closeTo(10, 0.6)
    expect(of('c2', 'screen', 10)).to.be.closeTo(5, 0.3)
  })

  it('is not misled by a lunch or by a page left open, nor by a visit on which nothing known was done', () => {
    const quick = many(3, 45, gasket)
    const odd = [...many(50, 15 + 400, gasket), ...many(50, 16, gasket), ...many(50, 60)]
    const sure = learnedMinutes(quick, 15)
    const told = learnedMinutes([...quick, ...odd], 15)
    expect(told.visits).to.equal(3)
    expect(told.of('c2', 'gasket', 20)).to.equal(sure.of('c2', 'gasket', 20))
  })

  it('is the mean of what was taken, weighed by the minutes, where there is much of everything', () => {
    // Against the plain ratio of sums: 2,000 h of work leave nothing of what was taken from memory.
    const visits = [...many(3000, 15 + 26, gasket), ...many(3000, 15 + 22, burrs)]
    const { of } = learnedMinutes(visits, 15)
    expect(of('c2', 'gasket', 20)).to.be.closeTo(26, 0.1)
    expect(of('gr', 'burrs', 30)).to.be.closeTo(22, 0.1)
  })
})
