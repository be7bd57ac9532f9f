import { expect } from 'chai'
import fc from 'fast-check'
import { kindById } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import {
  addStep,
  changeStep,
  copyWay,
  moveStep,
  ownVersionOf,
  stepHeld,
  usualAtForKind,
  usualForKind,
  withoutStep,
  withoutWay,
} from '../../../src/core/procedures/change-procedure.ts'
import { checkOwnProcedure, checkProcedure } from '../../../src/core/procedures/check-procedure.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { offeredTo, usualWay } from '../../../src/core/procedures/offered.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'
import type { Procedure } from '../../../src/core/procedures/procedure.ts'
import { acts } from '../../../src/core/procedures/procedure-words.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { keptProcedures, libraryHere } from '../../../src/core/standing/own-procedures.ts'
import { procedureById, procedures } from '../../../src/core/trade/procedures/index.ts'
import { entry, ledgers, takenOn } from '../standing/a-history.ts'

const shipped = procedureById('detergent-backflush')!
const c2 = kindById('c2')!
const asFile = (procedure: unknown) => JSON.parse(JSON.stringify(procedure))
const issuesOf = (procedure: unknown) => {
  const checked = checkProcedure(asFile(procedure))
  return checked.ok ? [] : checked.issues.map(({ path, message }) => `${path}: ${message}`)
}
const firmId = '01939000-0000-7000-8000-000000000001'
const kept = (procedure: Procedure, inUse = true, on = '2026-01-05') =>
  entry('own-procedure', on, { procedure: asFile(procedure), inUse }, { subjectKind: 'firm', subjectId: firmId })
const library = (...entries: ReturnType<typeof kept>[]) =>
  libraryHere(effective(ledgers([takenOn('c2', '2026-01-05')], { firm: entries })))

describe('a procedure as a file', () => {
  for (const procedure of procedures)
    it(`${procedure.id} holds together as it ships`, () => {
      expect(issuesOf(procedure)).to.deep.equal([])
    })

  it('says at its place what is missing, what belongs to another act, and what goes back to nowhere', () => {
    const strokes = shipped.ways[0]!.parts[0]!.steps.findIndex(({ act }) => act === 'cadence')
    const clear = shipped.ways[0]!.parts[0]!.steps.findIndex(({ act }) => act === 'check')
    const at = { way: 0, part: 0, step: strokes }
    const path = `ways[0].parts[0].steps[${strokes}]`
    expect(issuesOf(changeStep(shipped, at, { onS: undefined }))).to.deep.equal([`${path}.onS: is missing`])
    expect(issuesOf(changeStep(shipped, at, { drinks: 2 }))).to.deep.equal([
      `${path}.drinks: is no field of a step that is “cadence”`,
    ])
    const answers = [
      { id: 'yes', words: 'Yes', leads: 'pass' },
      { id: 'no', words: 'No', leads: 'repeat', from: 'nowhere', because: 'Again.' },
    ]
    expect(issuesOf(changeStep(shipped, { ...at, step: clear }, { answers }))).to.deep.equal([
      `ways[0].parts[0].steps[${clear}].answers[1].from: is no earlier step of this part`,
    ])
    expect(issuesOf({ ...shipped, kinds: ['c2', 'xx'] })).to.include('kinds[1]: is no kind of machine that ships')
  })

  it('takes out what it puts in, and neither step can be skipped', () => {
    const steps = shipped.ways[0]!.parts[0]!.steps
    const puts = steps.findIndex((step) => step.puts)
    const clears = steps.findIndex((step) => step.clears)
    const open = changeStep(shipped, { way: 0, part: 0, step: clears }, { clears: undefined })
    expect(issuesOf(open)).to.deep.equal([
      `ways[0].parts[0].steps[${puts}].puts: must be followed by a step that clears it before the machine is released`,
    ])
    const skipped = changeStep(shipped, { way: 0, part: 0, step: puts }, { gate: undefined })
    expect(issuesOf(skipped)[0]).to.match(/gate: must be true/)
  })
})

describe('a firm’s own version of a procedure', () => {
  const own = ownVersionOf(shipped)

  it('has a name of its own, names its original, and counts its versions', () => {
    expect(own).to.include({ id: 'our-detergent-backflush', basedOn: 'detergent-backflush', version: 1 })
    expect(ownVersionOf(own)).to.include({ id: own.id, version: 2 })
    expect(checkOwnProcedure(asFile(own)).ok).to.equal(true)
    const same = checkOwnProcedure(asFile(shipped))
    expect(same.ok ? [] : same.issues.map(({ path }) => path)).to.deep.equal(['basedOn', 'id'])
  })

  it('stands in for it on a machine, its newest version, until it is taken out of use', () => {
    const second = { ...ownVersionOf(own), name: 'Backflush as we do it' }
    const named = (lib: Procedure[]) =>
      offeredTo(c2, 'none', lib)
        .map(({ procedure }) => procedure)
        .filter(({ id, basedOn }) => (basedOn ?? id) === shipped.id)
        .map(({ name, version }) => `${name} ${version}`)
    expect(named(library())).to.deep.equal(['Detergent backflush 1'])
    expect(named(library(kept(own)))).to.deep.equal(['Our detergent backflush 1'])
    expect(named(library(kept(own), kept(second, true, '2026-02-01')))).to.deep.equal(['Backflush as we do it 2'])
    expect(named(library(kept(own), kept(own, false, '2026-02-01')))).to.deep.equal(['Detergent backflush 1'])
    const all = effective(ledgers([], { firm: [kept(own), kept(second, true, '2026-02-01')] }))
    expect(keptProcedures(all).map(({ procedure }) => procedure.version)).to.deep.equal([1, 2])
  })

  it('is still refused where the machine lacks the valve, with the original’s alternative', () => {
    const dn = offeredTo(withOptions(kindById('dn')!, new Map()), 'none', library(kept(own)))
    const refused = dn.find(({ procedure }) => procedure.id === own.id)!
    expect(refused.refused?.instead?.id).to.equal('group-clean')
  })

  it('is kept by an entry about the firm, refused at its places', () => {
    expect(parseEntry(kept(own)).ok).to.equal(true)
    const wrong = parseEntry(kept({ ...own, ways: [] }))
    expect(wrong.ok ? [] : wrong.issues.map(({ path }) => path)).to.deep.equal(['body.procedure.ways'])
    const ships = parseEntry(kept({ ...own, id: 'detergent-backflush' }))
    expect(ships.ok ? [] : ships.issues.map(({ path }) => path)).to.deep.equal(['body.procedure.id'])
  })

  it('changes a stroke, and the run’s plan is as much longer', () => {
    const way = own.ways.findIndex(({ usualFor }) => usualFor.includes('c2'))
    const step = own.ways[way]!.parts[0]!.steps.findIndex(({ id }) => id === 'strokes')
    const place = { way, part: 0, step }
    const longer = changeStep(own, place, { times: 7 })
    const lengthOf = (procedure: Procedure) => planRun(lanesOf(procedure, usualWay(procedure, c2, null), c2)).totalS
    // Two strokes more of 7 s on and 7 s off, at two groups.
    expect(lengthOf(longer) - lengthOf(own)).to.equal(2 * 2 * 14)
    expect(own.ways[way]!.parts[0]!.steps[step]).to.include({ times: 5 })
  })

  it('changes a stroke, a dose or a soak, and the table of ways says so', () => {
    const at = own.ways.findIndex(({ id }) => id === 'full-scoop-long-soak')
    const steps = own.ways[at]!.parts[0]!.steps
    const place = (id: string) => ({ way: at, part: 0, step: steps.findIndex((step) => step.id === id) })
    const said = (procedure: Procedure, name: string) =>
      procedure.ways[at]!.figures.find((figure) => figure.name === name)!.words.replaceAll('\u00a0', ' ')
    expect(said(own, 'Detergent strokes')).to.equal('5 to 7 s on, 5 s off, 10 ×')
    expect(said(changeStep(own, place('strokes'), { onS: 8, times: 6 }), 'Detergent strokes')).to.equal(
      '8 s on, 5 s off, 6 ×',
    )
    expect(said(changeStep(own, place('strokes'), { firstOffS: 30 }), 'Detergent strokes')).to.equal(
      '6 s on, 5 s off, 10 ×, 30 s after the first',
    )
    expect(said(changeStep(own, place('soak'), { seconds: 240, mostS: undefined }), 'Soak locked in')).to.equal('4 min')
    expect(said(changeStep(own, place('soak'), { seconds: 90, mostS: undefined }), 'Soak locked in')).to.equal('90 s')
    const dose = changeStep(own, place('powder'), { dose: { of: 'detergent', grams: { usual: 6 } } })
    expect(said(dose, 'Detergent')).to.equal('6 g')
    expect(said(withoutStep(own, place('soak')), 'Soak locked in')).to.equal('none')
    expect(issuesOf(withoutStep(own, place('soak')))).to.deep.equal([])
    // What is not changed says what it said, and a name says nothing about strokes.
    expect(
      changeStep(own, place('strokes'), { say: 'Strokes' }).ways[at]!.figures.map(({ words }) => words)[1],
    ).to.equal(own.ways[at]!.figures[1]!.words)
  })

  it('is usual by use for the kinds it names, and refused where its ends are the wrong way round', () => {
    const some = usualAtForKind(own, 1, 'c2', true)
    expect(some.ways[1]!.usualAt).to.deep.equal({ kinds: ['c2'] })
    expect(usualAtForKind(some, 1, 'c2', false).ways[1]!.usualAt).to.equal(undefined)
    const both = usualAtForKind(some, 1, 'lv', true).ways[1]!.usualAt
    expect(both?.kinds).to.deep.equal(['c2', 'lv'])
    const wrong = {
      ...some,
      ways: some.ways.map((way) => ({ ...way, usualAt: { kinds: ['sr'], fromDrinks: 9, belowDrinks: 3 } })),
    }
    expect(issuesOf(wrong).slice(0, 2)).to.deep.equal([
      'ways[0].usualAt.kinds[0]: is no kind it is for',
      'ways[0].usualAt.belowDrinks: must be more than what it is usual from',
    ])
  })

  it('says who holds a step that cannot go, and moves none past what goes back to it', () => {
    const steps = own.ways[0]!.parts[0]!.steps
    const at = (id: string) => ({ way: 0, part: 0, step: steps.findIndex((step) => step.id === id) })
    expect(stepHeld(own, at('rinse-basket'))).to.equal('“Is it clear?” goes back to it')
    expect(stepHeld(own, at('clear'))).to.equal('it clears what is in the machine')
    expect(() => withoutStep(own, at('rinse-basket'))).to.throw('goes back to it')
    expect(moveStep(own, at('clear'), -1)).to.not.equal(null)
    expect(moveStep(own, at('tray-in'), -1)).to.equal(null)
    expect(stepHeld(own, at('scrub'))).to.equal(null)
  })

  it('holds together whatever is added, moved and left out, in any order', () => {
    const change = fc.record({
      what: fc.constantFrom('add', 'out', 'up', 'down', 'copy', 'drop', 'usual'),
      way: fc.nat({ max: 9 }),
      part: fc.nat({ max: 3 }),
      step: fc.nat({ max: 30 }),
      act: fc.constantFrom(...acts),
    })
    fc.assert(
      fc.property(fc.constantFrom(...procedures), fc.array(change, { maxLength: 12 }), (from, changes) => {
        let now = ownVersionOf(from)
        for (const { what, act, ...near } of changes) {
          const way = near.way % now.ways.length
          const part = near.part % now.ways[way]!.parts.length
          const step = near.step % now.ways[way]!.parts[part]!.steps.length
          const place = { way, part, step }
          if (what === 'add') now = addStep(now, place, act) ?? now
          if (what === 'out' && stepHeld(now, place) === null) now = withoutStep(now, place)
          if (what === 'up') now = moveStep(now, place, -1) ?? now
          if (what === 'down') now = moveStep(now, place, 1) ?? now
          if (what === 'copy' && now.ways.length < 12) now = copyWay(now, way)
          if (what === 'drop' && now.ways.length > 1) now = withoutWay(now, way)
          if (what === 'usual') now = usualForKind(now, way, now.kinds[0]!, true)
        }
        expect(issuesOf(now)).to.deep.equal([])
        const kind = kindById(now.kinds[0]!)!
        for (const way of now.ways) expect(planRun(lanesOf(now, way, kind)).totalS).to.be.a('number')
      }),
      { numRuns: 150, seed: 4711 },
    )
  })
})
