import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import type { Ledgers } from '../../../src/core/standing/histories.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const about = { subjectKind: 'softener' as const, subjectId: 'softener' }
const tested = (level: 'site' | 'softener', on: string, value: number): Entry =>
  entry(
    'water-test',
    on,
    { point: level === 'softener' ? 'softened' : 'raw', quantity: 'total', method: 'figure', unit: 'dH', value },
    { subjectKind: level, subjectId: level },
  )
const softener = (...more: Entry[]): Entry[] => [
  entry('commissioned', '2026-01-05', { kind: 'exchanger', kindVersion: 1, partsNew: true }, about),
  setting('softener', '2026-01-05', { setting: 'exchanger', resinL: 8 }),
  entry('regenerated', '2026-05-30', { saltKg: 1 }, about),
  ...more,
]
const machine = (perWeek: number): Ledgers =>
  ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', perWeek)])
const site = (dh: number) => [everyDay, tested('site', '2026-05-01', dh)]
const reckon = (own: Entry[], around: Entry[] = site(19), fed: Ledgers[] = [machine(2800)]) =>
  reckonSoftener({ softener: own, site: around }, fed)!
const standing = (key: string, ...given: Parameters<typeof reckon>): Standing =>
  reckon(...given).standings.find((one) => one.key === key)!
const litres = (...given: Parameters<typeof reckon>) =>
  standing('regenerate', ...given).uses.find(({ clock }) => clock === 'litres')!

describe('the life of a softener', () => {
  it('gives fewer litres the harder the water, in proportion', () => {
    const [soft, hard] = [litres(softener(), site(11)).limit, litres(softener(), site(21)).limit]
    // Less one degree of leakage each: 10 against 20.
    expect(soft / hard).to.be.closeTo(2, 1e-6)
  })

  it('gives more for each degree it lets through, once that is tested', () => {
    const assumed = litres(softener()).limit
    const passing = litres(softener(tested('softener', '2026-05-31', 3))).limit
    expect(passing / assumed).to.be.closeTo(18 / 16, 0.02)
  })

  it('takes its own capacity and reserve where they are set, and then has no spread of its own', () => {
    const own = setting('softener', '2026-02-01', { setting: 'exchanger', resinL: 8, capacityGPerL: 50, reserve: 0.1 })
    const line = standing('regenerate', softener(own)).working.lines.find(({ what }) => what === 'Working capacity')!
    expect(line).to.include({ value: 50, origin: 'setting' })
    expect(line).not.to.have.property('spread')
    // 8 L × 50 g × 0.9 ÷ (18 °dH × 17.848 mg/L).
    expect(litres(softener(own)).limit).to.be.closeTo((8 * 50_000 * 0.9) / (18 * 17.848), 2)
  })

  it('is drawn on by everything behind it, added up', () => {
    const one = reckon(softener(), site(19), [machine(1400)]).litresPerOpenDay!
    expect(reckon(softener(), site(19), [machine(1400), machine(1400)]).litresPerOpenDay!).to.be.closeTo(2 * one, 1e-9)
    expect(reckon(softener(), site(19), []).litresPerOpenDay).to.equal(0)
  })

  it('falls due by hygiene in each policy’s time where little is drawn', () => {
    const days = (policy: string) => {
      const around = [...site(6), setting('site', '2026-01-05', { setting: 'policy', policy })]
      const { due, governing } = standing('regenerate', softener(), around, [machine(70)])
      expect(governing).to.equal('hygiene')
      return due!.p50
    }
    // Common practice, from memory: 7, 14 and 28 days.
    expect(['cautious', 'usual', 'longLife'].map(days)).to.deep.equal(['2026-06-06', '2026-06-13', '2026-06-27'])
  })

  it('begins anew with each regeneration, and a withdrawn one never was', () => {
    const again = entry('regenerated', '2026-06-01', { saltKg: 1 }, about)
    expect(standing('regenerate', softener(again)).since).to.equal('2026-06-01')
    const taken = entry('withdrawn', '2026-06-01', {}, { ...about, supersedes: again.id })
    expect(standing('regenerate', softener(again, taken)).since).to.equal('2026-05-30')
  })

  it('asks for nothing once it is out of use, and again when it is back', () => {
    const out = entry('stage', '2026-06-02', { stage: 'retired' }, about)
    expect(reckon(softener(out))).to.deep.include({ stage: 'retired', stageSince: '2026-06-02', standings: [] })
    const back = entry('stage', '2026-06-09', { stage: 'working' }, about)
    expect(reckon(softener(out, back)).standings.length).to.be.above(0)
  })

  it('is never due before it was last regenerated, whatever is drawn', () => {
    for (const perWeek of [0, 70, 1400, 14_000]) {
      const { due, since } = standing('regenerate', softener(), site(25), [machine(perWeek)])
      expect(due!.p10 >= since! && due!.p10 <= due!.p50 && due!.p50 <= due!.p90, String(perWeek)).to.equal(true)
    }
  })

  it('says nothing where nobody said how much resin it holds', () => {
    const unknown = softener().filter(({ kind }) => kind !== 'setting')
    expect(reckon(unknown).standings.map(({ key }) => key)).to.deep.equal(['outlet-test'])
    expect(reckonSoftener({ softener: [], site: site(19) }, [])).to.equal(null)
  })
})

describe('a softener’s own parts', () => {
  const itself = (...more: Entry[]) => [
    ...softener(),
    setting('softener', '2026-01-06', { setting: 'exchanger', resinL: 8, regenerates: 'itself', saltTankKg: 25 }),
    ...more,
  ]
  const keys = (own: Entry[]) => reckon(own).standings.map(({ key }) => key)

  it('are those of its way of regenerating', () => {
    expect(keys(softener())).to.include.members(['resin', 'resin-top-up', 'lid-seals']).and.not.include('valve-seals')
    expect(keys(itself())).to.include.members(['resin', 'resin-top-up', 'valve-seals']).and.not.include('lid-seals')
  })

  it('age from the day it was taken on, and from the day they were seen to', () => {
    // Usual policy, from memory: seven years, one year.
    expect(standing('resin', softener()).due!.p50).to.equal('2033-01-05')
    expect(standing('resin-top-up', softener()).due!.p50).to.equal('2027-01-05')
    const done = entry('serviced', '2026-05-20', { task: 'resin-top-up' }, about)
    expect(standing('resin-top-up', softener(done)).due!.p50).to.equal('2027-05-20')
    expect(standing('resin', softener(done)).due!.p50).to.equal('2033-01-05')
    const own = setting('softener', '2026-02-01', { setting: 'figure', figure: 'resin-months', value: 24 })
    expect(standing('resin', softener(own)).due!.p50).to.equal('2028-01-05')
  })

  it('of one that regenerates itself go by regenerations: so many times the litres of one', () => {
    const seals = standing('valve-seals', itself())
    const [litresUse] = seals.uses.filter(({ clock }) => clock === 'litres')
    const salt = standing('salt', itself())
    expect(salt.due).to.not.equal(undefined)
    // Five hundred regenerations of 8 L resin at about 49 g a litre of resin and 18 degrees taken out.
    expect(litresUse!.limit / 500).to.be.within(700, 1400)
    // Where little is drawn they are changed by age, where much is by use.
    expect(seals.governing).to.equal('months')
    expect(standing('valve-seals', itself(), site(19), [machine(60_000)]).governing).to.equal('litres')
  })
})
