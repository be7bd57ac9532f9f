import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { descaleClocks } from '../../../src/core/standing/descale-clocks.ts'
import { effective, type Ledgers } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { entry, everyDay, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const from = '2026-01-05'
const test = (quantity: string, value: number): Entry =>
  entry(
    'water-test',
    from,
    { point: 'raw', quantity, method: 'figure', unit: 'dH', value },
    { subjectKind: 'site', subjectId: 'site' },
  )
const office = (more: Entry[] = [], perWeek = 210, dh: [number, number] = [19, 15]): Ledgers =>
  ledgers([takenOn('sr', from), ...steadyReadings(from, '2026-06-01', perWeek), ...more], {
    site: [everyDay, test('total', dh[0]), test('carbonate', dh[1])],
  })
const clocksOf = (given: Ledgers) => {
  const facts = machineFacts(effective(given))!
  const chalk = machineChalk(facts)!
  return { facts, chalk, clocks: Object.fromEntries(descaleClocks(facts, chalk).map((one) => [one.clock, one])) }
}
const classes = (chosen: number) =>
  setting('machine', from, {
    setting: 'hardness-setting',
    classes: [{ upToDh: 7, litres: 300 }, { upToDh: 14, litres: 200 }, { litres: 90 }],
    chosen,
  })

describe('the clocks of descaling', () => {
  it('are those the standing takes the first of', () => {
    const given = office()
    const { clocks } = clocksOf(given)
    const standing = standingOf(given, 'descale')
    const first = Object.values(clocks).sort((a, b) => a.p50! - b.p50!)[0]!
    expect(standing.due!.p50).to.equal(fromDay(first.p50!))
    expect(standing.governing).to.equal(first.clock)
    expect(standing.uses.map(({ clock }) => clock)).to.have.members(Object.keys(clocks))
  })

  it('take the machine’s chosen setting for its prompt, in place of the usual litres', () => {
    expect(clocksOf(office()).clocks.litres!.limit).to.equal(25)
    const set = clocksOf(office([classes(3)])).clocks
    expect(set.prompt).to.include({ limit: 90, unit: 'L' })
    expect(set.litres).to.equal(undefined)
    // Set too soft, it asks far too late.
    expect(clocksOf(office([classes(1)])).clocks.prompt!.p50).to.be.above(set.prompt!.p50!)
    const line = standingOf(office([classes(2)]), 'descale').working.lines.find(
      ({ what }) => what === 'The machine asks every',
    )!
    expect(line).to.include({ value: 200, source: 'at its hardness setting 2 of 3' })
  })

  it('take a prompt that was seen for what it is: it asked', () => {
    const { clocks } = clocksOf(office([classes(3), entry('prompt-seen', '2026-05-20', { task: 'descale' })]))
    const asked = toDay('2026-05-20')
    expect(clocks.prompt).to.include({ p10: asked, p50: asked, p90: asked, unit: 'prompts' })
  })

  it('let the calendar speak where little is drunk, and the chalk where the limit is thin', () => {
    const idle = standingOf(office([], 2, [4, 3]), 'descale')
    expect(idle.governing).to.equal('months')
    const thin = setting('machine', from, { setting: 'figure', figure: 'thermoblock.limitMm', value: 0.02 })
    expect(standingOf(office([thin, classes(1)]), 'descale').governing).to.equal('thickness')
  })

  it('shift with the policy, each with its own limits', () => {
    const of = (policy: string) => clocksOf(office([setting('machine', from, { setting: 'policy', policy })])).clocks
    const [cautious, usual, longLife] = ['cautious', 'usual', 'longLife'].map(of) as [
      ReturnType<typeof of>,
      ReturnType<typeof of>,
      ReturnType<typeof of>,
    ]
    expect([cautious, usual, longLife].map(({ thickness }) => thickness!.limit)).to.deep.equal([0.15, 0.3, 0.6])
    expect([cautious, usual, longLife].map(({ months }) => months!.limit)).to.deep.equal([1, 3, 6])
    for (const clock of ['thickness', 'months', 'litres'] as const) {
      expect(cautious[clock]!.p50).to.be.at.most(usual[clock]!.p50!)
      expect(usual[clock]!.p50).to.be.at.most(longLife[clock]!.p50!)
    }
  })

  it('ask nothing of a machine that is put away, and all of it again when it runs', () => {
    const away = entry('stage', '2026-06-01', { stage: 'winterised' })
    const standing = standingOf(office([away]), 'descale')
    expect(standing).not.to.have.property('due')
    expect(standing.working.why).to.include('Put away since')
    expect(standingOf(office([away, entry('stage', '2026-06-10', { stage: 'working' })]), 'descale')).to.have.property(
      'due',
    )
  })

  it('say that a two-group is not descaled in place, and how long a bench takes', () => {
    const bar = ledgers([takenOn('c2', from), ...steadyReadings(from, '2026-06-01', 1400)], {
      site: [everyDay, test('total', 19), test('carbonate', 15)],
    })
    const standing = standingOf(bar, 'descale')
    expect(standing).to.include({
      name: 'Strip or bench descale',
      governing: 'thickness',
      caution: 'acid',
      minutes: 240,
    })
    expect(Object.keys(clocksOf(bar).clocks)).to.deep.equal(['thickness'])
    // The exchanger is the narrowest: its millimetre comes before the boiler's six tenths.
    expect(standing.uses[0]).to.include({ limit: 1, unit: 'mm' })
  })
})
