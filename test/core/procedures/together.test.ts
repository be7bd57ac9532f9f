import { expect } from 'chai'
import fc from 'fast-check'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import type { Chosen, Lane } from '../../../src/core/procedures/lane.ts'
import { lanesOf, lanesTogether } from '../../../src/core/procedures/lanes.ts'
import { offeredTo, usualWay } from '../../../src/core/procedures/offered.ts'
import { planRun, type Segment } from '../../../src/core/procedures/plan.ts'
import { runStep, startRun } from '../../../src/core/procedures/run.ts'
import { settle } from '../../../src/core/procedures/run-clock.ts'
import { byItself, handStep, laneWaitsFor, readyLanes, stepNow } from '../../../src/core/procedures/run-state.ts'
import { things } from '../../../src/core/procedures/states.ts'
import type { Step } from '../../../src/core/procedures/step.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'

const plain = kinds.map((kind) => withOptions(kind, new Map()))
const takenBy = (kind: Kind) =>
  offeredTo(kind, 'exchanger').flatMap(({ procedure, refused }) =>
    refused ? [] : procedure.ways.map((way) => ({ procedure, way })),
  )
const ways = new Map(plain.map((kind) => [kind.id, takenBy(kind)]))

/** A machine and two to four jobs it takes, each in some way. */
const someJobs = fc.constantFrom(...plain).chain((kind) =>
  fc.uniqueArray(fc.nat(ways.get(kind.id)!.length - 1), { minLength: 2, maxLength: 4 }).map((chosen) => ({
    kind,
    jobs: [...new Map(chosen.map((i) => [ways.get(kind.id)![i]!.procedure.id, ways.get(kind.id)![i]!])).values()],
  })),
)

const chosen = (kind: Kind, ...asked: (string | [procedure: string, way: string])[]): Chosen[] =>
  asked.map((one) => {
    const [id, wayId] = typeof one === 'string' ? [one, null] : one
    const { procedure } = offeredTo(kind, 'none').find((offer) => offer.procedure.id === id)!
    const way = procedure.ways.find((candidate) => candidate.id === wayId) ?? usualWay(procedure, kind, 200)
    return { procedure, way }
  })

interface Claim {
  key: string
  state: string
  procedure: string
  from: number
  to: number
}

/**
 * What the steps of a plan say of the machine, read without the planner's own book-keeping: while a step lasts what it
 * names is so, and what it changed stays changed until its procedure says otherwise.
 */
function claims(lanes: Lane[], segments: Segment[], kind: Kind): Claim[] {
  const step = (segment: Segment): [Lane, Step] => {
    const lane = lanes.find(({ id }) => id === segment.lane)!
    return [lane, lane.steps.find(({ id }) => id === segment.step)!]
  }
  const inOrder = [...segments].sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)
  const all: Claim[] = []
  for (const segment of inOrder) {
    const [lane, { state = {} }] = step(segment)
    for (const [thing, value] of Object.entries(state)) {
      const { at, usual } = things[thing as keyof typeof things]
      const own = at === 'group' ? lane.group : at === 'side' ? lane.side : null
      const many = at === 'group' ? kind.groups : at === 'side' ? Math.max(1, kind.sides) : 1
      const places = at === 'machine' ? [0] : own === null ? Array.from({ length: many }, (_, i) => i + 1) : [own]
      for (const place of places) {
        const key = `${thing} ${place}`
        const stays = value === usual ? segment.toS : endOf(key, value, lane.procedure, segment)
        all.push({ key, state: value, procedure: lane.procedure, from: segment.fromS, to: stays })
      }
    }
  }
  return all

  /** Until a later step of the same procedure says something else of it. */
  function endOf(key: string, value: string, procedure: string, after: Segment): number {
    for (const later of inOrder) {
      const [lane, { state = {} }] = step(later)
      if (lane.procedure !== procedure || later.fromS < after.toS - 1e-9) continue
      for (const [thing, said] of Object.entries(state)) {
        const { at } = things[thing as keyof typeof things]
        const own = at === 'group' ? lane.group : at === 'side' ? lane.side : null
        const [name, place] = key.split(' ')
        if (thing === name && said !== value && (own === null || String(own) === place || at === 'machine'))
          return later.fromS
      }
    }
    return Number.POSITIVE_INFINITY
  }
}

/** Two procedures that say different things of one thing at one time. */
function clashes(all: Claim[]): string[] {
  return all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .filter(
        (b) =>
          a.key === b.key &&
          a.state !== b.state &&
          a.procedure !== b.procedure &&
          a.from < b.to - 1e-6 &&
          b.from < a.to - 1e-6,
      )
      .map(
        (b) => `${a.key}: ${a.state} (${a.procedure}) and ${b.state} (${b.procedure}) at ${Math.max(a.from, b.from)} s`,
      ),
  )
}

describe('jobs done together', () => {
  it('keep a machine cut off for one group while the other one’s job has it on again', () => {
    const c2 = kindById('c2')!
    const jobOf = (id: string, way: string) => {
      const procedure = procedures.find((one) => one.id === id)!
      return { procedure, way: procedure.ways.find((one) => one.id === way)! }
    }
    const lanes = lanesTogether(
      [jobOf('detergent-backflush', 'full-scoop-long-soak'), jobOf('group-jet', 'against-the-light')],
      c2,
    )
    const plan = planRun(lanes)
    expect(plan.never).to.equal(undefined)
    expect(clashes(claims(lanes, plan.segments, c2))).to.deep.equal([])
  })

  it('ask for one bath for both steam tips, and put each back on its own wand', () => {
    const c2 = kindById('c2')!
    const tip = procedures.find(({ id }) => id === 'steam-tip')!
    for (const way of tip.ways) {
      const steps = lanesOf(tip, way, c2).flatMap((lane) => lane.steps.map(({ id }) => id))
      expect(
        steps.filter((id) => id.endsWith('.bath')),
        way.id,
      ).to.have.length(1)
      expect(
        steps.filter((id) => id === 'off.off'),
        way.id,
      ).to.have.length(2)
      expect(
        steps.filter((id) => id === 'back.back'),
        way.id,
      ).to.have.length(2)
    }
  })

  it('find every thing in one state at a time, whatever is chosen on whatever machine', () => {
    fc.assert(
      fc.property(someJobs, ({ kind, jobs }) => {
        const lanes = lanesTogether(jobs, kind)
        const plan = planRun(lanes)
        if (plan.never) return
        expect(clashes(claims(lanes, plan.segments, kind))).to.deep.equal([])
      }),
      { numRuns: 120, seed: 20261126 },
    )
  })

  it('vent only into a tray that is in, and draw coffee when all that leaves the machine as it was is through', () => {
    fc.assert(
      fc.property(someJobs, ({ kind, jobs }) => {
        const lanes = lanesTogether(jobs, kind)
        const { segments, never } = planRun(lanes)
        if (never) return
        const stepOf = ({ lane, step }: Segment) =>
          lanes.find(({ id }) => id === lane)!.steps.find(({ id }) => id === step)!
        const out = claims(lanes, segments, kind).filter(({ key, state }) => key === 'tray 0' && state === 'out')
        for (const segment of segments.filter((one) => stepOf(one).act === 'cadence'))
          for (const { from, to } of out)
            expect(
              segment.toS <= from + 1e-6 || segment.fromS >= to - 1e-6,
              `${segment.lane} ${segment.step}`,
            ).to.equal(true)
        const strokes = segments.filter((one) => stepOf(one).act === 'cadence')
        const coffees = segments.filter((one) => stepOf(one).act === 'season')
        for (const coffee of coffees)
          for (const stroke of strokes) expect(coffee.fromS, coffee.lane).to.be.at.least(stroke.toS - 1e-6)
      }),
      { numRuns: 80, seed: 7 },
    )
  })

  it('never leave the hands without anything while nothing works by itself, whatever is done again', () => {
    fc.assert(
      fc.property(
        someJobs,
        fc.array(fc.record({ again: fc.nat(4), lane: fc.nat(9), afterS: fc.integer({ min: 1, max: 400 }) }), {
          minLength: 40,
          maxLength: 160,
        }),
        ({ kind, jobs }, presses) => {
          const lanes = lanesTogether(jobs, kind)
          if (planRun(lanes).never) return
          let now = 0
          let state = startRun(lanes, now)
          for (const { again, lane, afterS } of presses) {
            if (state.ended) return
            now += afterS * 1000
            state = settle(lanes, state, now)
            if (state.ended) return
            const others = readyLanes(lanes, state)
            if (again === 1 && others.length > 0)
              state = runStep(lanes, state, { at: now, type: 'take', lane: others[lane % others.length]!.id })
            const step = handStep(lanes, state)
            if (!step)
              expect(
                lanes.some((one) => byItself(one, state) !== null),
                'hands idle only while something works by itself',
              ).to.equal(true)
            const passing = step?.act === 'check' ? step.answers.filter(({ leads }) => leads !== 'stop') : []
            const answer = passing[again === 0 ? passing.length - 1 : 0]?.id
            state = runStep(lanes, state, { at: now, type: 'done', value: 1, ...(answer && { answer }) })
          }
        },
      ),
      { numRuns: 60, seed: 11 },
    )
  })

  const c2 = kindById('c2')!
  const closing = chosen(
    c2,
    ['detergent-backflush', 'half-scoop-short-pauses'],
    ['parts-soak', 'bowl-at-closing'],
    'wand-clean',
    'steam-tip',
    'tray-and-body',
  )

  it('the end of a day at a two-group: groups backflushed while the bowl soaks, tray after the strokes, one coffee a group', () => {
    const lanes = lanesTogether(closing, c2)
    const { segments } = planRun(lanes)
    const of = (lane: string, step: string) =>
      segments.filter((one) => one.lane.startsWith(lane) && one.step.endsWith(`.${step}`))
    const [soak] = of('parts-soak/soak', 'soak')
    const [firstStroke] = of('detergent-backflush/group/1', 'strokes')
    expect(firstStroke!.fromS).to.be.within(soak!.fromS, soak!.toS)
    const lastStroke = Math.max(...of('detergent-backflush', 'rinse').map(({ toS }) => toS))
    expect(of('tray-and-body', 'empty')[0]!.fromS).to.be.at.least(lastStroke)
    expect(segments.filter(({ step }) => step === 'season.season').map(({ lane }) => lane)).to.have.length(2)
    expect(
      Math.min(...segments.filter(({ step }) => step === 'season.season').map(({ fromS }) => fromS)),
    ).to.be.at.least(Math.max(...segments.filter(({ step }) => step !== 'season.season').map(({ toS }) => toS)) - 1e-6)
  })

  it('one bath serves tips and baskets: made once, poured away once, when the last thing is out', () => {
    const lanes = lanesTogether(closing, c2)
    const steps = lanes.flatMap((lane) => lane.steps.map((step) => ({ lane: lane.id, ...step })))
    expect(steps.filter(({ bath }) => bath === 'made').map(({ lane }) => lane)).to.deep.equal(['parts-soak/soak'])
    expect(steps.filter(({ bath }) => bath === 'poured')).to.have.length(1)
    const { segments } = planRun(lanes)
    const poured = segments.find(({ step }) => step.endsWith('.pour'))!
    for (const out of segments.filter(({ lane, step }) =>
      steps.some((one) => one.lane === lane && one.id === step && one.bath === 'out'),
    ))
      expect(poured.fromS).to.be.at.least(out.toS - 1e-6)
  })

  it('a cup of milk cleaner is no bath of detergent: both are made', () => {
    const lv = kindById('lv')!
    const lanes = lanesTogether(chosen(lv, 'parts-soak', ['steam-tip', 'milk-cleaner-cup']), lv)
    expect(lanes.flatMap(({ steps }) => steps).filter(({ bath }) => bath === 'made')).to.have.length(2)
  })

  it('a machine that is left empty is left so last, and two that cannot go together say so', () => {
    const { segments, never } = planRun(lanesTogether(chosen(c2, 'moving', 'detergent-backflush'), c2))
    expect(never).to.equal(undefined)
    const first = (lane: string) => segments.find((one) => one.lane.startsWith(lane))!.fromS
    const backflush = segments.filter(({ lane }) => lane.startsWith('detergent-backflush/group'))
    expect(first('moving')).to.be.at.least(Math.max(...backflush.map(({ toS }) => toS)) - 1e-6)
    const together = planRun(lanesTogether(chosen(c2, 'standstill', 'settings-sheet'), c2))
    expect(together.never).to.not.have.length(0)
    expect(together.segments).to.deep.equal([])
  })

  it('says what a lane waits for and whose it is', () => {
    const sr = kindById('sr')!
    const lanes = lanesTogether(chosen(sr, 'brew-unit', 'oil-removal'), sr)
    let state = startRun(lanes, 0)
    let now = 0
    const unit = lanes.find(({ procedure }) => procedure === 'brew-unit')!
    const programme = lanes.find(({ procedure }) => procedure === 'oil-removal')!
    if (state.hand !== unit.id) state = runStep(lanes, state, { at: 0, type: 'take', lane: unit.id })
    while (stepNow(unit, state)!.id !== 'unit.wash') {
      now += 20_000
      state = runStep(lanes, state, { at: now, type: 'done' })
    }
    const way = laneWaitsFor(lanes, state, programme)!
    expect(way.lane.id).to.equal(unit.id)
    expect(way.words).to.match(/brew unit is out|cut off|tank is out/)
    expect(readyLanes(lanes, state)).to.not.include(programme)
  })

  it('both wands of a two-group, each its own', () => {
    const lanes = lanesTogether(chosen(c2, 'wand-clean'), c2)
    expect(lanes.map(({ title }) => title)).to.deep.equal([
      'Steam wand cleaned inside, left',
      'Steam wand cleaned inside, right',
    ])
  })
})
