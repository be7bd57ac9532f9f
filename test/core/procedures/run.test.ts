import { expect } from 'chai'
import fc from 'fast-check'
import { kindById } from '../../../src/core/kinds/index.ts'
import { withGroups } from '../../../src/core/kinds/kind.ts'
import type { Lane } from '../../../src/core/procedures/lane.ts'
import { lanesOf, lanesTogether } from '../../../src/core/procedures/lanes.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'
import { type RunEvent, runStep, startRun } from '../../../src/core/procedures/run.ts'
import { settle } from '../../../src/core/procedures/run-clock.ts'
import {
  byItself,
  handStep,
  laneNow,
  leadS,
  positionAt,
  type RunState,
  soakKey,
  stepNow,
} from '../../../src/core/procedures/run-state.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'

const c2 = kindById('c2')!
const all = procedures.flatMap((procedure) => procedure.ways.map((way) => ({ procedure, way })))

/** One or two procedures at once, each in one of its ways, on one to three groups. */
const someLanes = fc
  .tuple(fc.uniqueArray(fc.nat(all.length - 1), { minLength: 1, maxLength: 2 }), fc.integer({ min: 1, max: 3 }))
  .map(([chosen, groups]) =>
    lanesTogether([...new Map(chosen.map((i) => [all[i]!.procedure.id, all[i]!])).values()], withGroups(c2, groups)),
  )

/** What hands, clocks and accidents may do; the lane of `take` and `enough` is told by a number. */
const someEvents = fc.array(
  fc.record({
    type: fc.constantFrom(
      'done',
      'done',
      'done',
      'done',
      'skip',
      'back',
      'pause',
      'resume',
      'phase',
      'take',
      'enough',
      'away',
    ),
    afterS: fc.integer({ min: 0, max: 90 }),
    n: fc.nat(20),
  }),
  { minLength: 1, maxLength: 120 },
)

function eventOf(lanes: Lane[], state: RunState, { type, n }: { type: string; n: number }, at: number): RunEvent {
  const step = handStep(lanes, state)
  if (type === 'done' && step?.act === 'check')
    return { at, type: 'done', answer: step.answers[n % step.answers.length]!.id }
  if (type === 'done') return { at, type: 'done', value: n }
  if (type === 'skip') return { at, type: 'skip', reason: n % 4 ? 'no brush here' : ' ' }
  if (type === 'take' || type === 'enough') return { at, type, lane: lanes[n % lanes.length]!.id }
  if (type === 'away') return { at, type: 'away', from: at - n * 1000 }
  return { at, type } as RunEvent
}

/** Plays events; after each the state may be kept as text and read again, as a reload does. */
function play(lanes: Lane[], events: { type: string; afterS: number; n: number }[], reload: boolean): RunState[] {
  let now = 1_000_000
  let state = startRun(lanes, now)
  const states = [state]
  for (const given of events) {
    now += given.afterS * 1000
    if (reload) state = JSON.parse(JSON.stringify(state))
    state = runStep(lanes, state, eventOf(lanes, state, given, now))
    states.push(state)
  }
  return states
}

describe('a run', () => {
  it('loses no step: whatever lies behind a lane’s place was done or skipped on record', () => {
    fc.assert(
      fc.property(someLanes, someEvents, (lanes, events) => {
        for (const state of play(lanes, events, false)) {
          for (const lane of lanes) {
            const at = state.at[lane.id]!
            expect(at).to.be.within(0, lane.steps.length)
            lane.steps.forEach((step, i) => {
              const last = state.records.findLast(
                (record) =>
                  record.lane === lane.id &&
                  record.step === step.id &&
                  (record.how === 'done' || record.how === 'skipped'),
              )
              if (i < at) expect(last, `${lane.id} ${step.id}`).to.not.equal(undefined)
            })
          }
        }
      }),
      { numRuns: 300 },
    )
  })

  it('passes no gate by, whatever is pressed', () => {
    fc.assert(
      fc.property(someLanes, someEvents, (lanes, events) => {
        const gates = new Set(
          lanes.flatMap((lane) => lane.steps.flatMap((step) => (step.gate ? [soakKey(lane.id, step.id)] : []))),
        )
        const last = play(lanes, events, false).at(-1)!
        for (const record of last.records)
          if (record.how === 'skipped') expect(gates.has(soakKey(record.lane, record.step))).to.equal(false)
      }),
      { numRuns: 300 },
    )
  })

  it('is the same after any reload', () => {
    fc.assert(
      fc.property(someLanes, someEvents, (lanes, events) => {
        expect(play(lanes, events, true)).to.deep.equal(play(lanes, events, false))
      }),
      { numRuns: 200 },
    )
  })

  it('does not depend on how often anybody looks', () => {
    fc.assert(
      fc.property(someLanes, someEvents, fc.integer({ min: 1, max: 40 }), (lanes, events, everyS) => {
        let now = 1_000_000
        let watched = startRun(lanes, now)
        let unwatched = watched
        for (const given of events) {
          const at = now + given.afterS * 1000
          for (let look = now; look < at; look += everyS * 1000) watched = settle(lanes, watched, look)
          now = at
          // Who was away did not look either.
          if (given.type === 'away') continue
          watched = settle(lanes, watched, now)
          unwatched = settle(lanes, unwatched, now)
          expect(watched).to.deep.equal(unwatched)
          const event = eventOf(lanes, watched, given, now)
          watched = runStep(lanes, watched, event)
          unwatched = runStep(lanes, unwatched, event)
        }
      }),
      { numRuns: 200 },
    )
  })

  it('keeps the hands on one thing that wants them, and off what works by itself', () => {
    fc.assert(
      fc.property(someLanes, someEvents, (lanes, events) => {
        for (const state of play(lanes, events, false)) {
          if (state.ended) continue
          const lane = laneNow(lanes, state.hand)
          if (!lane) {
            const soaking = lanes.filter((one) => byItself(one, state) !== null)
            expect(soaking, 'idle only while something works by itself').to.not.have.length(0)
            continue
          }
          const step = stepNow(lane, state)!
          expect(step.act).to.not.equal('soak')
          expect(lane.after.every((id) => stepNow(laneNow(lanes, id)!, state) === null)).to.equal(true)
        }
      }),
      { numRuns: 300 },
    )
  })

  const tray = procedures.find(({ id }) => id === 'start-of-day')!
  const one = lanesOf(procedures[0]!, procedures[0]!.ways[2]!, withGroups(c2, 1))
  const toStrokes = () => {
    let state = startRun(one, 0)
    let now = 0
    while (handStep(one, state)!.act !== 'cadence') {
      now += 5000
      state = runStep(one, state, { at: now, type: 'done' })
    }
    return { state, now }
  }

  it('strokes by the clock, stands while it is paused, and goes on from there', () => {
    const { state, now } = toStrokes()
    const lane = state.hand!
    expect(positionAt(state.cadences[lane]!, now)).to.equal(-leadS)
    const paused = runStep(one, state, { at: now + 13_000, type: 'pause' })
    expect(positionAt(paused.cadences[lane]!, now + 500_000)).to.equal(10)
    const resumed = runStep(one, paused, { at: now + 500_000, type: 'resume' })
    expect(positionAt(resumed.cadences[lane]!, now + 504_000)).to.equal(14)
    // 5 strokes of 7 on and 7 off are 70 s; ten of them had gone.
    expect(handStep(one, settle(one, resumed, now + 559_000))!.act).to.equal('cadence')
    expect(handStep(one, settle(one, resumed, now + 560_000))!.act).to.not.equal('cadence')
  })

  it('stands at the stroke where nobody watched any more, while soaks go on', () => {
    const { state, now } = toStrokes()
    const back = runStep(one, state, { at: now + 600_000, type: 'away', from: now + 20_000 })
    expect(handStep(one, back)!.act).to.equal('cadence')
    expect(back.pausedAt).to.equal(now + 20_000)
    expect(positionAt(back.cadences[back.hand!]!, now + 600_000)).to.equal(17)
  })

  it('stands at its stroke while the hands are with another group, and waits there to go on', () => {
    const two = [...lanesOf(procedures[0]!, procedures[0]!.ways[2]!, c2), ...lanesOf(tray, tray.ways[0]!, c2)]
    let [state, now] = [startRun(two, 0), 0]
    while (handStep(two, state)!.act !== 'cadence') {
      now += 5000
      state = runStep(two, state, { at: now, type: 'done' })
    }
    const first = two[0]!.id
    const second = two.find(({ id }) => id.includes('tap'))!.id
    const away = runStep(two, state, { at: now + 13_000, type: 'take', lane: second! })
    const back = runStep(two, away, { at: now + 90_000, type: 'take', lane: first! })
    expect(positionAt(back.cadences[first!]!, now + 200_000)).to.equal(10)
    expect(back.pausedAt).to.equal(now + 90_000)
    const on = runStep(two, back, { at: now + 200_000, type: 'resume' })
    expect(positionAt(on.cadences[first!]!, now + 203_000)).to.equal(13)
  })

  it('a soak that had enough is over then, not at its own time', () => {
    const two = lanesOf(procedures[0]!, procedures[0]!.ways[0]!, c2)
    let [state, now] = [startRun(two, 0), 0]
    while (Object.keys(state.soaks).length === 0) {
      now += 20_000
      state = runStep(two, state, { at: now, type: 'done' })
    }
    const [lane] = two.map(({ id }) => id)
    const over = runStep(two, state, { at: now + 30_000, type: 'enough', lane: lane! })
    expect(Object.values(over.soaks)).to.deep.equal([{ from: now, until: now + 30_000 }])
    expect(over.records.at(-1)).to.include({ how: 'done', reason: 'before its time' })
    expect(stepNow(two[0]!, over)!.id).to.equal('group.strokes')
  })

  it('begins no strokes by itself when a soak runs out: nobody may be at the handle', () => {
    const two = lanesOf(procedures[0]!, procedures[0]!.ways[0]!, withGroups(c2, 1))
    let [state, now] = [startRun(two, 0), 0]
    while (Object.keys(state.soaks).length === 0) {
      now += 20_000
      state = runStep(two, state, { at: now, type: 'done' })
    }
    const later = settle(two, state, now + 3_600_000)
    expect(handStep(two, later)!.id).to.equal('group.strokes')
    expect(positionAt(later.cadences[later.hand!]!, now + 3_600_000)).to.equal(-leadS)
    const begun = runStep(two, later, { at: now + 3_600_000, type: 'resume' })
    expect(positionAt(begun.cadences[begun.hand!]!, now + 3_604_000)).to.equal(4 - leadS)
    expect(begun.spent[begun.hand!] ?? 0).to.equal(later.spent[begun.hand!] ?? 0)
  })

  it('takes a press just as strokes end for the strokes, not for what comes up after them', () => {
    const { state, now } = toStrokes()
    const end = now + (leadS + 70) * 1000
    const hasty = runStep(one, state, { at: end + 200, type: 'done' })
    expect(hasty).to.deep.equal(settle(one, state, end + 200))
    expect(handStep(one, hasty)!.act).to.not.equal('cadence')
    expect(runStep(one, hasty, { at: end + 300, type: 'skip', reason: 'no brush here' })).to.equal(hasty)
    expect(runStep(one, hasty, { at: end + 900, type: 'done' }).records.length).to.equal(hasty.records.length + 1)
  })

  it('goes to OFF at once, and takes no stroke for done that is not over', () => {
    const { state, now } = toStrokes()
    const on = runStep(one, state, { at: now + 4000, type: 'phase' })
    expect(positionAt(on.cadences[on.hand!]!, now + 4000)).to.equal(7)
    expect(runStep(one, on, { at: now + 4000, type: 'done' })).to.deep.equal(on)
  })

  it('rinses once more where it is cloudy, and ends with its reason where it never clears', () => {
    const { state } = toStrokes()
    let now = 2_000_000
    let run = settle(one, state, now)
    while (handStep(one, run)!.act !== 'check') {
      now += 200_000
      run = runStep(one, run, { at: now, type: 'done' })
    }
    const cloudy = runStep(one, run, { at: now, type: 'done', answer: 'cloudy' })
    expect(handStep(one, cloudy)!.id).to.equal('group.rinse-basket')
    expect(cloudy.records.at(-1)).to.include({ how: 'again', answer: 'cloudy' })
    const stopped = runStep(one, run, { at: now, type: 'done', answer: 'never' })
    expect(stopped.ended).to.deep.include({ how: 'stopped' })
    expect(stopped.ended!.why).to.match(/no coffee/)
    expect(runStep(one, stopped, { at: now, type: 'done' })).to.equal(stopped)
  })
})

/** As many as a step is done when all goes well: what a look sends back so often as a rule is done again. */
function timesOf(lane: Lane, id: string): number[] {
  const at = lane.steps.findIndex((step) => step.id === id)
  const again = lane.steps.flatMap((step, look) =>
    step.act === 'check'
      ? step.answers.flatMap(({ usually, from }) => {
          const part = step.id.slice(0, step.id.lastIndexOf('.'))
          const back = lane.steps.findIndex((one) => one.id === `${part}.${from}` || one.id === from)
          return usually && back <= at && at <= look ? [usually] : []
        })
      : [],
  )
  return Array.from({ length: 1 + again.reduce((sum, some) => sum + some, 0) }, (_, i) => i)
}

describe('the plan of a run', () => {
  it('has every step once, or as often as is usual, the hands on one at a time, no longer than in turn', () => {
    fc.assert(
      fc.property(someLanes, (lanes) => {
        const plan = planRun(lanes)
        if (plan.never) return
        expect(plan.segments.map(({ lane, step }) => `${lane} ${step}`).sort()).to.deep.equal(
          lanes
            .flatMap((lane) => lane.steps.flatMap(({ id }) => timesOf(lane, id).map(() => `${lane.id} ${id}`)))
            .sort(),
        )
        const hands = plan.segments.filter(({ hands: at }) => at)
        hands.slice(1).forEach((segment, i) => {
          expect(segment.fromS).to.be.at.least(hands[i]!.toS - 1e-9)
        })
        for (const lane of lanes) {
          const own = plan.segments.filter((one) => one.lane === lane.id)
          own.slice(1).forEach((segment, i) => {
            expect(segment.fromS).to.be.at.least(own[i]!.toS - 1e-9)
          })
        }
        expect(plan.totalS).to.be.within(plan.handsS - 1e-6, plan.inTurnS + 1e-6)
      }),
      { numRuns: 200 },
    )
  })

  it('does something else while it soaks: baskets lie in the bath while the groups are backflushed', () => {
    const soak = procedures.find(({ id }) => id === 'parts-soak')!
    const bowl = { procedure: soak, way: soak.ways.find(({ id }) => id === 'bowl-at-closing')! }
    const plan = planRun(lanesTogether([{ procedure: procedures[0]!, way: procedures[0]!.ways[1]! }, bowl], c2))
    expect(plan.inTurnS - plan.totalS).to.be.at.least(250)
  })

  it('counts all of what goes in by portions, and the time nobody waits for: cooling', () => {
    const way = (id: string, way: string, kind: string) => {
      const procedure = procedures.find((one) => one.id === id)!
      return planRun(lanesOf(procedure, procedure.ways.find((one) => one.id === way)!, kindById(kind)!))
    }
    const byHand = way('descale', 'by-hand-in-portions', 'dn')
    const rests = byHand.segments.filter(({ step }) => step === 'run.rest')
    const contact = rests.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0)
    // Twenty to thirty minutes of contact, common practice.
    expect(contact / 60).to.be.within(20, 30)
    expect(rests).to.have.length(5)
    const cooling = (kind: string) => {
      const plan = way('group-jet', 'against-the-light', kind)
      return plan.totalS - plan.handsS
    }
    // A boiler cools for hours. From memory.
    expect(cooling('c2')).to.be.at.least(7200)
  })

  it('leaves the hands free while a machine runs by itself', () => {
    const clean = procedures.find(({ id }) => id === 'descale')!
    const plan = planRun(lanesOf(clean, clean.ways.find(({ id }) => id === 'half-hour-by-two-keys')!, kindById('pl')!))
    expect(plan.totalS - plan.handsS).to.be.at.least(1800)
  })
})
