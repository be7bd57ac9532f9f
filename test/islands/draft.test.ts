import { expect } from 'chai'
import { usualPreferences } from '../../src/core/firm/preferences.ts'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { dayAt } from '../../src/core/quantity/site-time.ts'
import { tasksToWrite } from '../../src/core/standing/tasks/index.ts'
import { expectedCount } from '../../src/core/usage/expected-count.ts'
import { openDays } from '../../src/core/usage/open-days.ts'
import { verdict } from '../../src/islands/entry/counter-verdict.ts'
import { type Draft, emptyDraft } from '../../src/islands/entry/draft.ts'
import { entriesOfDraft } from '../../src/islands/entry/entries-of-draft.ts'
import { readPreferencesFrom } from '../../src/ui/preferences.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'

const uuid = (n: number) => `01939000-0000-7000-8000-${String(n).padStart(12, '0')}`

const bundle = (kind = 'c2', softener = true): MachineBundle => ({
  firmId: uuid(9),
  machine: {
    id: uuid(1),
    siteId: uuid(2),
    name: 'Left bar',
    maker: 'Varnholt',
    model: 'Duo 2',
    revision: '',
    serial: 'X',
    kind,
    usedBy: '',
    warrantyBy: '',
    version: 1,
  },
  papers: { owner: null, payer: { id: uuid(7), name: 'Thistle & Rye', mayAgree: '', orderNumber: '' } },
  site: {
    id: uuid(2),
    name: 'Bakery',
    area: 'Chalkside',
    timeZone: 'Europe/London',
    accessNote: '',
    supplyName: 'Wells',
    customer: { id: uuid(7), name: 'Thistle & Rye' },
  },
  softener: softener ? { id: uuid(3), name: 'Back room' } : null,
  ledgers: {},
  raisedTasks: tasksToWrite({}),
  leftOut: null,
  fedBeside: [],
  technicians: [],
  instruments: [],
  seq: 0,
  stale: false,
})

const draft = (part: Partial<Draft>): Draft => ({
  ...emptyDraft,
  visitId: uuid(4),
  happenedOn: '2026-11-26',
  startedAt: '2026-11-26T10:20:00.000Z',
  ...part,
})

function make(part: Partial<Draft>, around = bundle()) {
  const ids = new Map<string, string>()
  const idFor = (slot: string) => {
    if (!ids.has(slot)) ids.set(slot, uuid(100 + ids.size))
    return ids.get(slot)!
  }
  const made = entriesOfDraft(draft(part), around, idFor, uuid(8))
  for (const { entry } of made.entries) expect(parseEntry(entry), JSON.stringify(entry)).to.have.property('ok', true)
  const all = made.entries.map(({ entry }) => [entry.subjectKind, entry.kind, entry.body])
  return { ...made, said: all.filter(([, kind]) => kind !== 'visit'), header: all.find(([, kind]) => kind === 'visit') }
}

describe('a visit being written', () => {
  it('is nothing as long as nothing is written', () => {
    expect(make({}).entries).to.deep.equal([])
    expect(make({ note: '   ', counter: ' ' }).entries).to.deep.equal([])
  })

  // 09:20 on the 27th: in Auckland still the 26th in Greenwich, in Honolulu the evening of the 27th there.
  for (const [timeZone, at] of [
    ['Pacific/Auckland', '2026-11-26T20:20:00.000Z'],
    ['Pacific/Honolulu', '2026-11-27T19:20:00.000Z'],
  ] as const)
    it(`stands at 09:20 of its day where it was entered at 09:20, in ${timeZone}`, () => {
      const around = bundle()
      around.site.timeZone = timeZone
      const today = make({ startedAt: at, happenedOn: '2026-11-27', counter: '5', arrived: '09:20' }, around)
      expect(today.entries.map(({ entry }) => entry.happenedAt)).to.deep.equal([at, at])
      expect(today.header?.[2]).to.include({ arrivedAt: at })
      // Entered for another day nobody knows the hour: noon there, on that day.
      const later = make({ startedAt: at, happenedOn: '2026-11-20', counter: '5' }, around)
      expect(dayAt(timeZone, new Date(later.entries[0]!.entry.happenedAt))).to.equal('2026-11-20')
    })

  it('notes a descale with its acid and what the spent solution held', () => {
    expect(make({ tasks: ['descale'] }, bundle('sr', false)).said).to.deep.equal([
      ['machine', 'descaled', { v: 1, task: 'descale' }],
    ])
    const full = {
      tasks: ['descale'],
      acid: 'citric',
      acidGrams: '40',
      spentDrops: '7',
      spentLitres: '1,5',
      perDrop: '1',
    }
    // Seven drops of 1 °dH of a sample one part in a hundred: 7 × 17.848 × 100 mg/L.
    expect(make(full, bundle('sr', false)).said).to.deep.equal([
      [
        'machine',
        'descaled',
        { v: 1, task: 'descale', acid: 'citric', grams: 40, spent: { hardnessMgL: 12_493.6, litres: 1.5 } },
      ],
    ])
  })

  it('says at its field what is missing or wrong of a descale', () => {
    const { issues } = make({ tasks: ['descale'], acidGrams: 'much', spentDrops: '7' }, bundle('sr', false))
    expect(issues).to.deep.equal([
      { slot: 'acidGrams', message: 'is not a number' },
      { slot: 'spentLitres', message: 'is missing: how much solution there was' },
    ])
    // Not ticked, not asked.
    expect(make({ acidGrams: 'much' }, bundle('sr', false)).issues).to.deep.equal([])
  })

  it('closes what the water asks for: a boiler freshened, salt filled up, a flush after standing', () => {
    expect(make({ tasks: ['change-membrane', 'change-prefilter'] }).said).to.deep.equal([
      ['softener', 'membrane-changed', { v: 1 }],
      ['softener', 'prefilter-changed', { v: 1 }],
    ])
    expect(make({ tasks: ['boiler-flush', 'salt', 'restart', 'regenerate', 'change-cartridge'] }).said).to.deep.equal([
      ['machine', 'cleaned', { v: 1, task: 'boiler-flush' }],
      ['softener', 'salt-added', { v: 1, kg: 25 }],
      ['machine', 'cleaned', { v: 1, task: 'restart' }],
      ['softener', 'regenerated', { v: 1 }],
      ['softener', 'cartridge-changed', { v: 1 }],
    ])
  })

  it('makes one sample of all that was read off a pen at one point', () => {
    const read = {
      'raw:pH': '7,3',
      'raw:conductivityUsCm': '640',
      'permeate:conductivityUsCm': '30',
      'softened:freeChlorineMgL': '0.02',
      'softened:conductivityUsCm': ' ',
    }
    expect(make({ figures: read }).said).to.deep.equal([
      ['site', 'water-figures', { v: 1, point: 'raw', by: 'pen', pH: 7.3, conductivityUsCm: 640 }],
      ['softener', 'water-figures', { v: 1, point: 'permeate', by: 'pen', conductivityUsCm: 30 }],
      ['softener', 'water-figures', { v: 1, point: 'softened', by: 'pen', freeChlorineMgL: 0.02 }],
    ])
    expect(make({ figures: { 'raw:pH': 'sour' } }).issues).to.deep.equal([
      { slot: 'raw:pH', message: 'is not a number' },
    ])
  })

  it('reads counters as people type them; the meter is the softener’s where there is one', () => {
    expect(make({ counter: '185,872', meter: '790' }).said).to.deep.equal([
      ['machine', 'reading', { v: 1, counter: 'shots', count: 185_872 }],
      ['softener', 'reading', { v: 1, counter: 'litres', count: 790 }],
    ])
    expect(make({ meter: '790' }, bundle('sr', false)).said).to.deep.equal([
      ['machine', 'reading', { v: 1, counter: 'litres', count: 790 }],
    ])
    expect(make({ counter: '12.5' }).issues).to.deep.equal([
      { slot: 'counter', message: 'is not a count: whole numbers, such as 184220' },
    ])
  })

  it('writes a water test about the place the sample is from', () => {
    const tests = {
      'raw-total': { method: 'drops' as const, drops: '19', low: '', high: '' },
      'raw-carbonate': { method: 'strip' as const, drops: '', low: '7', high: '14' },
      softened: { method: 'drops' as const, drops: '2', low: '', high: '' },
    }
    expect(make({ tests, unit: 'fH', perDrop: '0,5' }).said).to.deep.equal([
      [
        'site',
        'water-test',
        { v: 1, point: 'raw', quantity: 'total', method: 'drops', unit: 'fH', drops: 19, perDrop: 0.5 },
      ],
      [
        'site',
        'water-test',
        { v: 1, point: 'raw', quantity: 'carbonate', method: 'strip', unit: 'fH', low: 7, high: 14 },
      ],
      [
        'softener',
        'water-test',
        { v: 1, point: 'softened', quantity: 'total', method: 'drops', unit: 'fH', drops: 2, perDrop: 0.5 },
      ],
    ])
    const half = { 'raw-total': { method: 'strip' as const, drops: '', low: '7', high: '' } }
    expect(make({ tests: half }).issues).to.deep.equal([{ slot: 'raw-total', message: 'needs both ends of the zone' }])
  })

  it('heads the visit once: who came, when, how long, on whose account', () => {
    const { header } = make({ counter: '5', terms: 'warranty', minutes: '45', arrived: '09:10', went: '10:00' })
    const [subject, , body] = header as [string, string, Record<string, unknown>]
    expect(subject).to.equal('site')
    expect(body).to.include({ terms: 'warranty', minutes: 45 })
    expect(body.technicianIds).to.deep.equal([uuid(8)])
    expect(Date.parse(String(body.leftAt)) - Date.parse(String(body.arrivedAt))).to.equal(50 * 60_000)
    const going = bundle()
    going.ledgers.site = [{ kind: 'visit', visitId: uuid(4), body: {} } as never]
    expect(make({ counter: '5' }, going).header, 'the second machine of the same call').to.equal(undefined)
    expect(make({}).entries).to.deep.equal([])
    expect(make({ counter: '5', arrived: '10:00', went: '09:00' }).issues.map(({ slot }) => slot)).to.deep.equal([
      'went',
    ])
    expect(make({ counter: '5', minutes: 'long' }).issues.map(({ slot }) => slot)).to.deep.equal(['minutes'])
  })

  it('writes what was wrong and what was done about it, naming the one part that was changed', () => {
    const changed = { 'group-gasket@1': { changed: true } }
    const { said } = make({
      complaint: ' It drips. ',
      cause: 'hard gasket',
      repair: 'new gasket',
      parts: changed,
      remark: 'hose',
    })
    expect(
      said.filter(([, kind]) => kind === 'fault-reported' || kind === 'repaired' || kind === 'remark'),
    ).to.deep.equal([
      ['machine', 'fault-reported', { v: 1, text: 'It drips.' }],
      ['machine', 'repaired', { v: 1, text: 'new gasket', cause: 'hard gasket', part: 'group-gasket', group: 1 }],
      ['machine', 'remark', { v: 1, text: 'hose' }],
    ])
    const two = { ...changed, basket: { changed: true } }
    expect(
      make({ repair: 'new parts', parts: two }).said.find(([, kind]) => kind === 'repaired')![2],
    ).not.to.have.property('part')
    expect(make({ cause: 'unknown' }).issues.map(({ slot }) => slot)).to.deep.equal(['repair'])
  })

  it('names what was measured with, and writes figures in the reckoning’s own units', () => {
    const shown = { ...usualPreferences, pressureUnit: 'psi' as const }
    readPreferencesFrom(() => shown)
    try {
      const { said } = make({ found: { 'brew-pressure@1': '130' }, instrument: uuid(70) })
      const [, , body] = said[0] as [string, string, Record<string, unknown>]
      expect(body).to.include({ measure: 'brew-pressure', instrument: uuid(70) })
      // NIST SP 811: 1 psi = 6.894757 kPa.
      expect(body.value).to.be.closeTo((130 * 6.894757) / 100, 1e-6)
    } finally {
      readPreferencesFrom(() => usualPreferences)
    }
  })

  it('writes each task as what it is', () => {
    expect(
      make({ tasks: ['dispersion-block-clean@2', 'electrical-test', 'full-service', 'regenerate', 'descale'] }).said,
    ).to.deep.equal([
      ['machine', 'cleaned', { v: 1, task: 'dispersion-block-clean', group: 2 }],
      ['machine', 'checked', { v: 1, task: 'electrical-test' }],
      ['machine', 'serviced', { v: 1, task: 'full-service' }],
      ['softener', 'regenerated', { v: 1 }],
      ['machine', 'descaled', { v: 1, task: 'descale' }],
    ])
    expect(make({ tasks: ['no-such-task'] }).entries).to.deep.equal([])
  })

  it('writes what the counter counts apart, whole or not at all', () => {
    const apart = { 'group 1': '640', 'group 2': '460', rinses: '12' }
    expect(make({ counter: '1112', apart }).said[0]![2]).to.deep.equal({
      ...{ v: 1, counter: 'shots', count: 1112 },
      groups: [640, 460],
      rinses: 12,
    })
    const slots = (part: Parameters<typeof make>[0]) => make(part).issues.map(({ slot }) => slot)
    expect(slots({ counter: '1112', apart: { 'group 1': '640' } })).to.deep.equal(['apart group 2'])
    expect(slots({ counter: '1112', apart: { 'drink single': 'many', 'drink double': '1' } })).to.include(
      'apart drink single',
    )
    // Parts without their whole are not swallowed.
    expect(slots({ apart: { rinses: '12' } })).to.deep.equal(['counter'])
  })

  it('writes until when a new part is under warranty, where somebody says so', () => {
    const parts = { 'group-gasket@1': { changed: true, warrantyUntil: '2027-11-26' } }
    expect(make({ parts }).said.at(-1)).to.deep.equal([
      'machine',
      'fitted',
      { v: 1, part: 'group-gasket', group: 1, warrantyUntil: '2027-11-26' },
    ])
  })

  it('writes why a part came out, and of what the new one is', () => {
    const parts = {
      'group-gasket@1': { changed: true, condition: 2, why: 'fitting' as const, variant: 'silicone', size: '8.5 mm' },
      'steam-tip@2': { changed: false, condition: 1, size: '8 mm' },
    }
    expect(make({ parts }).said).to.deep.equal([
      ['machine', 'removed', { v: 1, part: 'group-gasket', group: 1, condition: 2, why: 'fitting' }],
      ['machine', 'fitted', { v: 1, part: 'group-gasket', group: 1, variant: 'silicone', size: '8.5 mm' }],
      ['machine', 'inspected', { v: 1, part: 'steam-tip', group: 2, condition: 1 }],
    ])
  })

  it('writes a changed part as taken out and fitted, a seen one as looked at', () => {
    expect(
      make({
        parts: {
          'group-gasket@1': { changed: true, condition: 3 },
          'steam-tip@2': { changed: false, condition: 1 },
          'pump-head': { changed: true },
        },
      }).said,
    ).to.deep.equal([
      ['machine', 'removed', { v: 1, part: 'group-gasket', group: 1, condition: 3 }],
      ['machine', 'fitted', { v: 1, part: 'group-gasket', group: 1 }],
      ['machine', 'inspected', { v: 1, part: 'steam-tip', group: 2, condition: 1 }],
      ['machine', 'removed', { v: 1, part: 'pump-head' }],
      ['machine', 'fitted', { v: 1, part: 'pump-head' }],
    ])
  })

  it('writes what was measured as found and as left', () => {
    expect(
      make({ found: { 'open-flow@1': '58' }, left: { 'open-flow@1': '84,5' }, note: ' dry after ten minutes ' }).said,
    ).to.deep.equal([
      ['machine', 'measured', { v: 1, measure: 'open-flow', group: 1, state: 'found', value: 58 }],
      ['machine', 'measured', { v: 1, measure: 'open-flow', group: 1, state: 'left', value: 84.5 }],
      ['machine', 'note', { v: 1, text: 'dry after ten minutes' }],
    ])
    expect(make({ found: { 'open-flow@1': 'lots' } }).issues).to.deep.equal([
      { slot: 'measure:open-flow@1:found', message: 'is not a number' },
    ])
  })

  it('writes photos that have their names, what shows the same in one line; those that wait are not in it yet', () => {
    const [a, b, c] = ['a', 'b', 'c'].map((letter) => letter.repeat(64)) as [string, string, string]
    const photo = (id: string, more: object) => ({ id, part: '', text: '', ...more })
    const photos = [
      photo('1', { name: a, part: 'group-gasket@2', text: ' lip torn ' }),
      photo('2', { name: b, part: 'group-gasket@2', text: 'lip torn' }),
      photo('3', { name: c }),
      photo('4', { image: 'AAAA' }),
      photo('5', { name: c }),
    ]
    expect(make({ photos }).said).to.deep.equal([
      ['machine', 'pictured', { v: 1, photos: [a, b], part: 'group-gasket', group: 2, text: 'lip torn' }],
      ['machine', 'pictured', { v: 1, photos: [c] }],
    ])
    expect(make({ photos: [photo('4', { image: 'AAAA' })] }).entries).to.deep.equal([])
  })

  it('keeps what is for the firm’s own eyes apart, and heads the visit with the customer’s order number', () => {
    const made = make({ note: 'pays late', noteInternal: true, remark: 'see the tray', orderNumber: ' PO 4711 ' })
    expect(made.said.map(([, , body]) => body)).to.deep.equal([
      { v: 1, text: 'see the tray' },
      { v: 1, text: 'pays late', internal: true },
    ])
    expect(made.header?.[2]).to.include({ orderNumber: 'PO 4711' })
    expect(make({ orderNumber: 'PO 4711' }).header?.[2]).to.include({ orderNumber: 'PO 4711' })
  })

  it('gives one visit and lasting ids to all of it', () => {
    const { entries } = make({ counter: '5', note: 'x' })
    expect(new Set(entries.map(({ entry }) => entry.visitId))).to.deep.equal(new Set([uuid(4)]))
    expect(new Set(entries.map(({ entry }) => entry.id)).size).to.equal(3)
  })

  it('dates a visit entered later by its own day', () => {
    const at = (happenedOn: string) => make({ note: 'x', happenedOn }).entries[0]!.entry.happenedAt
    expect(at('2026-11-26')).to.equal('2026-11-26T10:20:00.000Z')
    expect(at('2026-11-20')).to.equal('2026-11-20T12:00:00.000Z')
  })
})

describe('what the counter should show', () => {
  it('is in what it counts, where that is something else than its kind does', () => {
    const open = { count: () => 10, plain: { count: () => 10 } } as never
    // Fifty portions of 0.02 kg make the kilogram that is ground a day.
    const counter = { count: 1000, on: '2026-11-16', each: 0.02 }
    const expected = expectedCount(counter, { mean: 1, sd: 0.1 }, open, '2026-11-26')
    expect(expected.value).to.be.closeTo(1500, 1e-9)
  })

  const open = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
  const expected = expectedCount({ count: 1000, on: '2026-11-16' }, { mean: 50, sd: 3 }, open, '2026-11-26')

  it('is the last count and ten days at the pace, within a window', () => {
    expect(expected).to.include({ last: 1000, value: 1500, days: 10 })
    expect(expected.low).to.be.within(1400, 1480)
    expect(expected.high).to.be.within(1520, 1600)
  })

  it('is said in words that never block', () => {
    expect(verdict('1,510', expected)).to.include({ words: 'fits: 51 an open day', doubtful: false })
    expect(verdict('1650', expected)).to.include({ words: 'more than usual: 65 an open day', doubtful: false })
    expect(verdict('1100', expected)).to.include({ words: 'less than usual: 10 an open day', doubtful: false })
    expect(verdict('15100', expected)).to.include({ words: 'far above: 1,410 an open day', doubtful: true })
    expect(verdict('900', expected)).to.include({ words: 'below the last, 1,000', doubtful: true })
    expect(verdict('', expected)).to.equal(null)
    expect(verdict('x', expected)).to.equal(null)
    expect(verdict('5', null)).to.include({ words: 'first reading here' })
  })
})
