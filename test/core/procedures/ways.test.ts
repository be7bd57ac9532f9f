import { expect } from 'chai'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import { phases } from '../../../src/core/procedures/cadence.ts'
import { bathOf, doseOf, scoopWords, vesselUnits } from '../../../src/core/procedures/dose.ts'
import { asked, lanesOf } from '../../../src/core/procedures/lanes.ts'
import { offeredTo, usualAtUse, usualWay } from '../../../src/core/procedures/offered.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'
import { runStep, startRun } from '../../../src/core/procedures/run.ts'
import { insideNow, runEntries } from '../../../src/core/procedures/run-record.ts'
import { handStep } from '../../../src/core/procedures/run-state.ts'
import { span } from '../../../src/core/procedures/span.ts'
import type { Step, StepOf } from '../../../src/core/procedures/step.ts'
import { backflushWays } from '../../../src/core/trade/procedures/backflush-ways.ts'
import { procedureById, procedures } from '../../../src/core/trade/procedures/index.ts'
import { raisedIds } from '../../core/procedures/raised-ids.ts'
import { told } from '../ledger/told.ts'

const stepsOf = (procedure: string, way: string): Step[] =>
  procedureById(procedure)!
    .ways.find(({ id }) => id === way)!
    .parts.flatMap(({ steps }) => steps)
const cadence = (procedure: string, way: string, step: string) => {
  const { onS, offS, times, firstOffS } = stepsOf(procedure, way).find(({ id }) => id === step) as StepOf<'cadence'>
  return [onS, offS, times, ...(firstOffS === undefined ? [] : [firstOffS])]
}

/** Common practice, no source: seconds on, seconds off, strokes; a longer first pause last. */
const strokes: Record<string, { detergent: number[]; rinse: number[] }> = {
  'full-scoop-long-soak': { detergent: [6, 5, 10], rinse: [7, 5, 7] },
  'half-scoop-short-pauses': { detergent: [10, 2, 5], rinse: [5, 2, 5] },
  'one-scoop-even-strokes': { detergent: [7, 7, 5], rinse: [7, 7, 5] },
  'light-dose-long-strokes': { detergent: [15, 5, 5], rinse: [15, 5, 5] },
  'even-tens-swirled': { detergent: [10, 10, 5], rinse: [10, 10, 5] },
  'fingernail-and-a-pause': { detergent: [5, 5, 5, 30], rinse: [5, 5, 1] },
  'short-strokes-spared-pump': { detergent: [4, 8, 5, 35], rinse: [4, 8, 5] },
}

describe('the ways of a backflush, as common practice has them (no source)', () => {
  it('are all there, and no other', () => {
    expect(backflushWays.map(({ id }) => id)).to.have.members(Object.keys(strokes))
  })
  for (const [way, { detergent, rinse }] of Object.entries(strokes))
    it(`${way.replaceAll('-', ' ')}: strokes on, off and how many`, () => {
      expect(cadence('detergent-backflush', way, 'strokes')).to.deep.equal(detergent)
      expect(cadence('detergent-backflush', way, 'rinse')).to.deep.equal(rinse)
    })
  it('give where people go from and to', () => {
    const of = (id: string) => backflushWays.find((one) => one.id === id)!
    expect(of('full-scoop-long-soak').soakS).to.deep.equal(span(180, 120, 300))
    expect(of('full-scoop-long-soak').detergent.onS).to.deep.equal(span(6, 5, 7))
    expect(of('full-scoop-long-soak').rinse.times).to.deep.equal(span(7, 5, 10))
    expect(of('full-scoop-long-soak').before?.onS).to.deep.equal(span(5))
    expect(of('full-scoop-long-soak').dose.scoops).to.equal(1)
    expect(of('half-scoop-short-pauses').dose.scoops).to.equal(0.5)
    expect(of('one-scoop-even-strokes').dose.scoops).to.equal(1)
    expect(of('one-scoop-even-strokes').detergent.offS).to.deep.equal(span(7, 5, 10))
    expect(of('light-dose-long-strokes').dose.grams).to.deep.equal(span(3, 3, 3.5))
    expect(of('even-tens-swirled').dose.grams).to.deep.equal(span(4))
    expect(of('fingernail-and-a-pause').openS).to.deep.equal(span(8, 5, 10))
    expect(of('short-strokes-spared-pump').dose.grams).to.deep.equal(span(4, 3, 5))
    expect(of('short-strokes-spared-pump').detergent.firstOffS).to.deep.equal(span(35, 30, 40))
  })
  it('water alone: five even strokes in the shift, two or three lifts of 15 s, five short ones', () => {
    expect(cadence('water-backflush', 'even-strokes-in-the-shift', 'strokes')).to.deep.equal([7, 7, 5])
    expect(cadence('water-backflush', 'long-lifts-at-the-end', 'strokes')).to.deep.equal([15, 5, 3])
    expect(cadence('water-backflush', 'five-short-strokes', 'strokes')).to.deep.equal([4, 5, 5])
  })
  it('a led wash soaks two minutes and is looked over before it starts, since it must be finished', () => {
    const wash = procedureById('wash-programme')!
    expect(stepsOf('wash-programme', 'dissolved-fifteen-and-five').find(({ act }) => act === 'soak')).to.include({
      seconds: 120,
    })
    expect(wash.mustFinish?.first).to.include.members(['Tank full', 'Tray empty and in place'])
  })
})

/** Common practice, no source: what works by itself, in seconds, by procedure and way. */
const bySelf: [procedure: string, way: string, seconds: number[]][] = [
  ['parts-soak', 'bowl-at-closing', [1200]],
  ['parts-soak', 'measured-litre', [900]],
  ['wand-clean', 'hot-water-drawn-up', [60, 60, 60]],
  ['wand-clean', 'cleaner-drawn-up', [60, 60, 60]],
  ['wand-clean', 'soaked-in-place', [900]],
  ['steam-tip', 'detergent-bath', [900]],
  ['steam-tip', 'detergent-bath-at-home', [900]],
  ['steam-tip', 'milk-cleaner-cup', [600]],
  ['steam-tip', 'cup-of-detergent', [300]],
  ['tray-and-body', 'rinsed-and-dried', [60]],
  ['tablet-programme', 'one-tablet-again-if-left', [300]],
  ['pod-clean', 'water-seven-minutes', [30, 420]],
  ['descale', 'two-phases-by-knob', [120, 300]],
  ['descale', 'half-hour-by-two-keys', [1800]],
  ['leak-check', 'ten-minutes-hot', [600]],
  ['regenerate-softener', 'rinsed-by-the-pen', [2400]],
]

describe('how long things take by themselves, as common practice has it (no source)', () => {
  for (const [procedure, way, seconds] of bySelf)
    it(`${procedure}, ${way}`, () => {
      const own = stepsOf(procedure, way).flatMap((step) =>
        step.act === 'soak' ? [step.seconds] : step.act === 'wait' ? [step.aboutS] : [],
      )
      expect(own).to.deep.equal(seconds)
    })

  it('a descale through a lock: half a litre, a window that closes, ten minutes to dry', () => {
    const steps = stepsOf('descale', 'window-and-lock')
    expect(steps.find(({ act }) => act === 'window')).to.include({ from: 'keys' })
    expect(steps.find(({ id }) => id === 'dry')).to.include({ act: 'soak', seconds: 600 })
    expect(steps.find(({ id }) => id === 'charge')).to.deep.include({
      dose: { of: 'descaler', words: 'by its label; acid by the litre at its working strength', litres: 0.5 },
    })
  })

  it('no acid goes where its path is all but shut, and every descale ends rinsed', () => {
    for (const { id, parts } of procedureById('descale')!.ways) {
      const ids = parts.flatMap(({ steps }) => steps.map((step) => step.id))
      if (ids.includes('flow')) expect(ids.indexOf('flow'), id).to.be.below(ids.indexOf('charge'))
      expect(ids.indexOf('rinsed'), id).to.be.above(ids.indexOf('charge'))
    }
  })

  it('ten grams to the litre; milk cleaner one part to sixteen', () => {
    const bath = stepsOf('parts-soak', 'measured-litre').find(({ id }) => id === 'bath') as StepOf<'dose'>
    expect(bath.dose.gramsPerL).to.equal(10)
    const cleaner = stepsOf('wand-clean', 'cleaner-drawn-up').find(({ id }) => id === 'cleaner') as StepOf<'dose'>
    expect(cleaner.dose.oneTo).to.equal(16)
  })
})

describe('every procedure of the library', () => {
  for (const procedure of procedures)
    for (const way of procedure.ways)
      it(`${procedure.id}, ${way.id}: names its steps once, leads back only to steps that are there`, () => {
        expect(way.reason.length).to.be.above(30)
        for (const part of way.parts) {
          const ids = part.steps.map(({ id }) => id)
          expect(new Set(ids).size).to.equal(ids.length)
          for (const step of part.steps) {
            if (step.act === 'check') {
              expect(step.answers.some(({ leads }) => leads === 'pass')).to.equal(true)
              for (const answer of step.answers)
                if (answer.leads !== 'pass') expect(answer.because, step.id).to.be.a('string')
              for (const answer of step.answers)
                if (answer.leads === 'repeat') expect(ids.slice(0, ids.indexOf(step.id) + 1)).to.include(answer.from)
            }
            if (step.act === 'window') expect(ids.slice(0, ids.indexOf(step.id))).to.include(step.from)
          }
        }
      })

  it('puts nothing into a machine by a step that could be skipped', () => {
    for (const { parts } of procedures.flatMap(({ ways }) => ways))
      for (const step of parts.flatMap((part) => part.steps)) if (step.puts) expect(step.gate, step.id).to.equal(true)
  })

  it('clears what it puts into a machine before it ends, past a gate', () => {
    for (const procedure of procedures)
      for (const { parts } of procedure.ways) {
        const steps = parts.flatMap((part) => part.steps)
        const put = steps.findLastIndex(({ puts }) => puts !== undefined)
        if (put >= 0) expect(steps.slice(put).some(({ clears, gate }) => clears && gate)).to.equal(true)
      }
  })

  it('works only on stations that a kind it is for has', () => {
    for (const procedure of procedures) {
      const of = procedure.kinds.map((id) => kindById(id)!)
      const known = new Set(of.flatMap(({ stations }) => stations.map(({ id }) => id)))
      // What none of its kinds is asked, it shares with a procedure whose kinds are.
      for (const step of procedure.ways.flatMap(({ parts }) => parts.flatMap((part) => part.steps)))
        if (of.some((kind) => asked(step, kind)))
          expect([...known], `${procedure.id}: ${step.id}`).to.include.members(step.at ?? [])
    }
  })
})

describe('what a machine is offered', () => {
  const offers = (id: string, options: [string, boolean][] = []) =>
    offeredTo(withOptions(kindById(id)!, new Map(options)))
  it('no backflush without a 3-way valve: the reason, and the alternative', () => {
    const dn = offers('dn')
    const refused = dn.find(({ procedure }) => procedure.id === 'detergent-backflush')!
    expect(refused.refused?.instead?.id).to.equal('group-clean')
    expect(dn.find(({ procedure }) => procedure.id === 'group-clean')?.refused).to.equal(null)
  })
  it('with the valve said to be there the backflush, and no stand-in', () => {
    const dv = offers('dn', [['three-way', true]])
    expect(dv.find(({ procedure }) => procedure.id === 'detergent-backflush')?.refused).to.equal(null)
    expect(dv.map(({ procedure }) => procedure.id)).to.not.include('group-clean')
  })
  it('each kind its usual way', () => {
    const backflush = procedureById('detergent-backflush')!
    expect(usualWay(backflush, kindById('c2')!, null).id).to.equal('one-scoop-even-strokes')
    expect(usualWay(backflush, kindById('lv')!, null).id).to.equal('light-dose-long-strokes')
    expect(usualWay(backflush, kindById('dv')!, null).id).to.equal('short-strokes-spared-pump')
  })
  it('or the one for as much as is made on it (from memory, from the ways’ own reasons)', () => {
    const backflush = procedureById('detergent-backflush')!
    const usual = (id: string, drinks: number) => usualWay(backflush, kindById(id)!, drinks).id
    expect([9.9, 10, 299, 300].map((drinks) => usual('c2', drinks))).to.deep.equal([
      'light-dose-long-strokes',
      'one-scoop-even-strokes',
      'one-scoop-even-strokes',
      'full-scoop-long-soak',
    ])
    expect([5, 12, 60].map((drinks) => usual('lv', drinks))).to.deep.equal([
      'light-dose-long-strokes',
      'light-dose-long-strokes',
      'one-scoop-even-strokes',
    ])
    expect([3, 8].map((drinks) => usual('dv', drinks))).to.deep.equal([
      'short-strokes-spared-pump',
      'fingernail-and-a-pause',
    ])
  })
  it('no two ways the usual one of a kind at the same use', () => {
    for (const procedure of procedures)
      for (const id of procedure.kinds)
        for (const drinks of [0, 1, 5, 10, 20, 40, 100, 300, 1000])
          expect(
            procedure.ways.filter((way) => usualAtUse(way, id, drinks)).length,
            `${procedure.id} ${id} ${drinks}`,
          ).to.be.lessThan(2)
  })
  it('every kind something, and what treats its water only where it does', () => {
    for (const kind of kinds) expect(offers(kind.id), kind.id).to.not.have.length(0)
    const ids = (behind: string) => offeredTo(kindById('c2')!, behind).map(({ procedure }) => procedure.id)
    expect(ids('none')).to.not.include('regenerate-softener')
    expect(ids('exchanger')).to.include('regenerate-softener').and.not.include('change-cartridge')
    expect(ids('cartridge')).to.include('change-cartridge')
  })
  it('pods and super-automatics no backflush at all', () => {
    for (const id of ['sr', 'st', 'sp', 'pk', 'pl', 'gr'])
      expect(offers(id).map(({ procedure }) => procedure.id)).to.not.include('detergent-backflush')
  })
})

describe('a dose', () => {
  const measures = { scoopG: 6, tabletG: 2, tubG: 566, tubPrice: 18, tabletPrice: 0.58 }
  it('a tub of 566 g holds 188 doses of 3 g and 161 of 3.5 g (common practice, no source)', () => {
    expect(doseOf({ of: 'detergent', grams: span(3) }, measures).perTub).to.equal(188)
    expect(doseOf({ of: 'detergent', grams: span(3.5) }, measures).perTub).to.equal(161)
  })
  it('is told in level scoops of the scoop at hand, to a quarter', () => {
    expect(doseOf({ of: 'detergent', grams: span(3) }, measures).scoops).to.equal(0.5)
    expect(doseOf({ of: 'detergent', grams: span(4) }, { ...measures, scoopG: 3 }).scoops).to.equal(1.375)
    const small = (grams: number) => scoopWords(doseOf({ of: 'detergent', grams: span(grams) }, measures).scoops!)
    expect([small(1), small(2), small(3)]).to.deep.equal(['⅛ level scoop', '⅜ level scoop', '½ level scoop'])
    expect(scoopWords(1.25)).to.equal('1¼ level scoops')
    expect(scoopWords(0.5)).to.equal('½ level scoop')
    expect(doseOf({ of: 'detergent', grams: span(0.1) }, measures).scoops).to.equal(0.125)
  })
  it('costs its share of the tub, a tablet its price', () => {
    const dose = doseOf({ of: 'detergent', grams: span(3) }, measures)
    expect(dose.powderPrice).to.be.closeTo(0.0954, 1e-4)
    expect(doseOf({ of: 'detergent', tablets: 1 }, measures)).to.include({
      tabletPrice: 0.58,
      tablets: 1,
      grams: 2,
      powderPrice: (18 * 2) / 566,
    })
  })
  it('one part to sixteen is 30 ml to 480 ml (common practice, no source)', () => {
    expect(bathOf({ of: 'milk-cleaner', oneTo: 16 }, 480)).to.deep.equal({ ml: 30 })
    // An ounce to sixteen, whichever ounce it is; 10 g to the litre in a bowl of a pint (473.176 ml, US customary units).
    expect(bathOf({ of: 'milk-cleaner', oneTo: 16 }, 16 * vesselUnits.flozUK)).to.deep.equal({ ml: vesselUnits.flozUK })
    expect(bathOf({ of: 'detergent', gramsPerL: 10 }, 16 * vesselUnits.flozUS)).to.deep.equal({ grams: 4.73176 })
    expect(bathOf({ of: 'detergent', tablets: 1 }, 480)).to.equal(null)
  })
})

describe('a cadence', () => {
  it('ends with the pressure off, its first pause longer where the way says so', () => {
    const all = phases({ onS: 4, offS: 8, times: 3, firstOffS: 35 })
    expect(all.map(({ toS, fromS }) => toS - fromS)).to.deep.equal([4, 35, 4, 8, 4, 8])
    expect(all.at(-1)!.on).to.equal(false)
  })
})

describe('a question only some machines are asked', () => {
  const refresh = procedureById('boiler-refresh')!
  const steps = (kind: Kind) =>
    lanesOf(refresh, usualWay(refresh, kind, null), kind).flatMap((lane) => lane.steps.map(({ id }) => id))
  it('whether it heats only when it is full: every machine, since a probe that is drawn is no interlock', () => {
    for (const id of ['c2', 'lv', 'pt']) expect(steps(kindById(id)!)[0], id).to.equal('boiler.probe')
  })
  it('the nozzle seals of the one super-automatic, the valve gaskets of the other', () => {
    const service = procedureById('shop-service')!
    const asked = (id: string) =>
      lanesOf(service, service.ways[0]!, kindById(id)!).flatMap((lane) => lane.steps.map((step) => step.id))
    expect(asked('sr')).to.include('unit.nozzle-seals').and.not.include('unit.valve-gaskets')
    expect(asked('st')).to.include('unit.valve-gaskets').and.not.include('unit.nozzle-seals')
  })
})

describe('the shop service of a super-automatic (common practice, no source)', () => {
  const sr = kindById('sr')!
  const procedure = procedureById('shop-service')!
  const way = procedure.ways[0]!
  const lanes = lanesOf(procedure, way, sr)

  it('water tight, unit, cleaning, descale, drinks: in this order', () => {
    expect(way.parts.map(({ id }) => id)).to.deep.equal(['water', 'unit', 'cleaning', 'descale', 'drinks'])
    const plan = planRun(lanes)
    expect(plan.totalS / 60).to.be.within(60, 150)
  })

  it('no acid goes in before the detergent is signed off, and all of it ends in four entries', () => {
    let now = 0
    let state = startRun(lanes, now)
    const inside: string[] = []
    while (!state.ended) {
      now += 1_800_000
      const step = handStep(lanes, state)
      const answer = step?.act === 'check' ? step.answers.find(({ leads }) => leads === 'pass')!.id : undefined
      state = runStep(lanes, state, { at: now, type: 'done', value: 70, ...(answer && { answer }) })
      const held = insideNow(lanes, state).map(({ of }) => of)
      const drunk = held.filter((of) => of !== 'electrical')
      expect(drunk.length).to.be.lessThan(2)
      if (drunk[0] && inside.at(-1) !== drunk[0]) inside.push(drunk[0])
    }
    expect(inside).to.deep.equal(['detergent', 'descaler'])
    expect(insideNow(lanes, state)).to.deep.equal([])
    const written = runEntries([{ procedure, way }], lanes, state, sr, raisedIds).filter(({ kind }) => kind !== 'run')
    expect(written.map(({ kind, body }) => [kind, told({ body }).task ?? told({ body }).measure])).to.deep.equal([
      ['serviced', 'full-service'],
      ['greased', 'brew-unit-grease'],
      ['cleaned', 'oil-removal'],
      ['descaled', 'descale'],
      ['measured', 'hot-water-flow'],
      ['measured', 'shot-time'],
    ])
  })
})

describe('what a run leaves in the ledger', () => {
  const c2 = kindById('c2')!
  const procedure = procedureById('detergent-backflush')!
  const way = usualWay(procedure, c2, null)
  const lanes = lanesOf(procedure, way, c2)

  it('left in mid-stroke: no group is cleaned, and the one with detergent in it is held', () => {
    let now = 0
    let state = startRun(lanes, now)
    while (handStep(lanes, state)!.act !== 'cadence') {
      now += 10_000
      state = runStep(lanes, state, { at: now, type: 'done' })
    }
    state = runStep(lanes, state, { at: now + 5000, type: 'leave', reason: 'Called away' })
    const entries = runEntries([{ procedure, way }], lanes, state, c2, raisedIds)
    expect(entries.map(({ kind }) => kind)).to.deep.equal(['run', 'held'])
    expect(entries[1]!.body).to.deep.equal({ why: 'detergent', group: 1 })
    expect(entries[0]!.body).to.include({ ended: 'left', why: 'Called away' })
  })

  it('taken back on the screen, what is in the machine is still in it', () => {
    let now = 0
    let state = startRun(lanes, now)
    while (handStep(lanes, state)!.act !== 'cadence') {
      now += 10_000
      state = runStep(lanes, state, { at: now, type: 'done' })
    }
    for (let i = 0; i < 6; i += 1) state = runStep(lanes, state, { at: now + i, type: 'back' })
    expect(handStep(lanes, state)!.id).to.equal('group.tray-in')
    expect(insideNow(lanes, state)).to.deep.equal([{ of: 'detergent', group: 1, procedure: procedure.id }])
  })

  it('a regeneration is the softener’s entry, a reading is as left', () => {
    const salt = procedureById('regenerate-softener')!
    const kind = kindById('c2')!
    const own = lanesOf(salt, salt.ways[0]!, kind)
    let now = 0
    let state = startRun(own, now)
    while (!state.ended) {
      now += 60_000
      const step = handStep(own, state)!
      const answer = step.act === 'check' ? step.answers[0]!.id : undefined
      state = runStep(own, state, { at: now, type: 'done', value: 500, ...(answer && { answer }) })
    }
    const [, written] = runEntries([{ procedure: salt, way: salt.ways[0]! }], own, state, kind, raisedIds)
    expect(written).to.deep.equal({ kind: 'regenerated', body: {}, of: 'softener' })
  })

  it('through: each group under the task its kind has, once where there is one group', () => {
    const through = (id: string) => {
      const kind = kinds.find((one) => one.id === id)!
      const own = lanesOf(procedure, usualWay(procedure, kind, null), kind)
      let now = 0
      let state = startRun(own, now)
      while (!state.ended) {
        now += 300_000
        const step = handStep(own, state)!
        const answer = step.act === 'check' ? step.answers[0]!.id : undefined
        state = runStep(own, state, { at: now, type: 'done', ...(answer && { answer }) })
      }
      return runEntries([{ procedure, way: usualWay(procedure, kind, null) }], own, state, kind, raisedIds).slice(1)
    }
    expect(through('c2')).to.deep.equal(
      [1, 2].map((group) => ({ kind: 'cleaned', body: { task: 'detergent-backflush', group } })),
    )
    expect(through('dv')).to.deep.equal([{ kind: 'cleaned', body: { task: 'cleaning-programme' } }])
    expect(through('lv')).to.deep.equal([{ kind: 'cleaned', body: { task: 'detergent-backflush' } }])
  })
})
