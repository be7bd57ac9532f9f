import { expect } from 'chai'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { learnedLife } from '../../../src/core/lifetimes/learned-life.ts'
import { ageAt } from '../../../src/core/lifetimes/weibull.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { lifeClock, partLives } from '../../../src/core/standing/part-lives.ts'
import { entry, ledgers, steadyReadings, takenOn } from './a-history.ts'

const task = (kind: string, id: string, variant?: string) =>
  kindById(kind)!.tasks.find((one) => one.id === id && one.variant === variant)!
const livesOf = (kind: string, of: ReturnType<typeof task>, more: Entry[], partsNew = true, aWeek = 700) =>
  partLives(
    machineFacts(
      effective(
        ledgers([takenOn(kind, '2025-01-06', partsNew), ...steadyReadings('2025-01-06', '2026-01-05', aWeek), ...more]),
      ),
    )!,
    of,
  )
const fitted = (on: string, body: Record<string, unknown> = {}) => entry('fitted', on, { part: 'piston-ring', ...body })
const removed = (on: string, body: Record<string, unknown> = {}) =>
  entry('removed', on, { part: 'piston-ring', ...body })
const ring = task('sr', 'piston-ring')

describe('lives a ledger tells of', () => {
  it('run from new or fitted to out or now, in the count that governs', () => {
    expect(lifeClock(ring)).to.equal('shots')
    const { lives } = livesOf('sr', ring, [removed('2025-04-16', { condition: 4 }), fitted('2025-04-16')])
    expect(lives.map(({ how, failed, since, until }) => [how, failed, since, until])).to.deep.equal([
      ['failed', true, '2025-01-06', '2025-04-16'],
      ['still in', false, '2025-04-16', null],
    ])
    // A hundred drinks a day.
    expect(lives[0]!.time).to.be.closeTo(100 * 100, 60)
    expect(lives[1]!.time).to.be.closeTo(264 * 100, 60)
  })

  it('take one changed while good, or without a word of the old, for good until then', () => {
    const { lives } = livesOf('sr', ring, [
      fitted('2025-03-01'),
      removed('2025-06-01', { condition: 1 }),
      fitted('2025-06-01'),
    ])
    expect(lives.map(({ how, failed }) => [how, failed])).to.deep.equal([
      ['planned', false],
      ['planned', false],
      ['still in', false],
    ])
    const said = livesOf('sr', ring, [removed('2025-06-01', { condition: 4, why: 'planned' })]).lives
    expect(said[0]).to.include({ how: 'planned', failed: false })
  })

  it('count one seen cracked as worn, and leave out what was fitted wrongly', () => {
    expect(livesOf('sr', ring, [removed('2025-06-01', { condition: 3 })]).lives[0]).to.include({
      how: 'worn',
      failed: true,
    })
    const wrong = livesOf('sr', ring, [
      removed('2025-06-01'),
      fitted('2025-06-01'),
      removed('2025-06-05', { condition: 4 }),
      fitted('2025-06-05'),
    ])
    expect(wrong.fittedWrongly).to.equal(1)
    expect(wrong.lives.filter(({ failed }) => failed)).to.deep.equal([])
    const told = livesOf('sr', ring, [removed('2025-06-01', { why: 'fitting' }), fitted('2025-06-01')])
    expect(told.fittedWrongly).to.equal(1)
  })

  it('begin only where somebody knows when, and end where nothing is in', () => {
    const old = livesOf('sr', ring, [removed('2025-04-01', { condition: 4 }), fitted('2025-04-01')], false)
    expect(old.unknownAge).to.equal(1)
    expect(old.lives.map(({ how }) => how)).to.deep.equal(['still in'])
    expect(livesOf('sr', ring, [removed('2025-04-01', { condition: 4 })]).lives).to.have.length(1)
  })

  it('are told apart by group and by material', () => {
    const rubber = task('c2', 'group-gasket', 'rubber')
    const silicone = task('c2', 'group-gasket', 'silicone')
    const at = (on: string, group: number, variant?: string) =>
      entry('fitted', on, { part: 'group-gasket', group, ...(variant && { variant }) })
    const more = [
      entry('removed', '2025-05-01', { part: 'group-gasket', group: 2, condition: 4 }),
      at('2025-05-01', 2, 'silicone'),
    ]
    const [soft, hard] = [livesOf('c2', rubber, more).lives, livesOf('c2', silicone, more).lives]
    expect(soft.map(({ index, how }) => [index, how])).to.deep.equal([
      [1, 'still in'],
      [2, 'failed'],
    ])
    expect(hard.map(({ index, how }) => [index, how])).to.deep.equal([[2, 'still in']])
    // The second group takes 45 in a hundred.
    expect(soft[1]!.time / (soft[0]!.time * (115 / 364))).to.be.closeTo(0.45 / 0.55, 0.02)
  })

  it('go by litres or by age where nothing counts', () => {
    const gauge = livesOf('c2', task('c2', 'pressure-gauge'), []).lives[0]!
    expect(gauge.time).to.be.closeTo(12, 0.1)
    expect(lifeClock(task('c2', 'pump-head'))).to.equal('litres')
    expect(livesOf('c2', task('c2', 'pump-head'), []).lives[0]!.time).to.be.above(1000)
    expect(livesOf('c2', task('c2', 'drain-hose-clean'), []).lives).to.deep.equal([])
  })
})

describe('what a firm has learned', () => {
  it('is the catalogue’s figure while nothing has failed', () => {
    const learned = learnedLife([], 10_000, 2.5)
    expect(learned).to.include({ failures: 0, censored: 0, ownShare: 0, own: null })
    expect(learned.usualLife.value / 10_000).to.be.within(0.9, 1.15)
    expect(learned.usualLife.low).to.be.below(learned.usualLife.value)
  })

  it('goes over to the firm’s own as failures come in, and grows surer', () => {
    const made = (n: number) =>
      Array.from({ length: n }, (_, i) => ({ time: ageAt({ shape: 2.5, scale: 8000 }, (i + 0.5) / n), failed: true }))
    const [few, many] = [learnedLife(made(4), 10_000, 2.5), learnedLife(made(60), 10_000, 2.5)]
    const truth = ageAt({ shape: 2.5, scale: 8000 }, 0.2)
    expect(few.ownShare).to.be.closeTo(4 / 9, 1e-12)
    expect(Math.abs(many.usualLife.value - truth)).to.be.below(Math.abs(few.usualLife.value - truth))
    expect(many.usualLife.value / truth).to.be.closeTo(1, 0.08)
    const width = ({ usualLife: { low, high } }: typeof few) => Math.log(high / low)
    expect(width(many)).to.be.below(width(few) / 2)
  })

  it('hears those still good: they push the life up, never down', () => {
    const failed = [4000, 6000, 9000].map((time) => ({ time, failed: true }))
    const good = Array.from({ length: 12 }, () => ({ time: 9000, failed: false }))
    expect(learnedLife([...failed, ...good], 6000, 2.5).usualLife.value).to.be.above(
      learnedLife(failed, 6000, 2.5).usualLife.value,
    )
  })
})
