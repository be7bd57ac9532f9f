import { expect } from 'chai'
import type { Envelope, Kept, RecordedEntry } from '../../src/core/ledger/entry.ts'
import type { Standing } from '../../src/core/standing/standing.ts'
import { ledgerNotes } from '../../src/islands/machine/ledger-notes.ts'
import {
  countReads,
  type FieldSpec,
  readNumbers,
  typedNumber,
  typedText,
  wrongAt,
} from '../../src/islands/records/form-values.ts'
import { retired, siteRecord, typed } from '../../src/islands/records/record-fields.ts'
import { countWords } from '../../src/islands/round/count-words.ts'
import { dueSentence, governs, title } from '../../src/islands/standing-words.ts'
import { rowAfter } from '../../src/ui/typing.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { asKept } from '../core/ledger/told.ts'

const standing = (more: Partial<Standing> = {}): Standing => ({
  key: 'group-gasket@1',
  task: 'group-gasket',
  name: 'Group gasket',
  action: 'replace',
  station: 'group',
  part: 'group-gasket',
  instance: 'group 1',
  since: '2026-01-05',
  sinceKnown: true,
  minutes: 8,
  asOf: '2026-11-20',
  uses: [{ clock: 'shots', used: 10_000, limit: 22_000, unit: 'shots', perDay: 100 }],
  working: { lines: [] },
  due: { p10: '2027-02-20', p50: '2027-03-02', p90: '2027-03-12' },
  governing: 'shots',
  ...more,
})

describe('what screens say of a standing', () => {
  it('is its name, which one, and what is done when that is not changing it', () => {
    expect(title(standing())).to.equal('Group gasket, group 1')
    expect(title(standing({ action: 'clean', name: 'Inlet strainer', instance: undefined }))).to.equal(
      'Inlet strainer: clean',
    )
    expect(title(standing({ part: undefined, action: 'clean', name: 'Full service', instance: undefined }))).to.equal(
      'Full service',
    )
  })

  it('carries the governing clock on to today', () => {
    expect(governs(standing(), '2026-11-20')).to.equal('count, 10,000 of 22,000 shots')
    expect(governs(standing(), '2026-11-30')).to.equal('count, 11,000 of 22,000 shots today, 10,000 on 20 Nov')
    const aged = standing({
      governing: 'months',
      uses: [{ clock: 'months', used: 5, limit: 6, unit: 'months', perDay: 1 / 30.4375 }],
    })
    expect(governs(aged, '2026-11-20')).to.equal('age, 5.0 of 6 months')
    expect(governs(standing({ governing: undefined }), '2026-11-20')).to.equal('no clock runs out')
  })

  it('answers when, how surely, by what, and how long it is over', () => {
    expect(dueSentence(standing(), '2026-11-26')).to.equal('Due 2 Mar 2027 ± 10 days, by count')
    expect(dueSentence(standing(), '2027-03-03')).to.match(/, overdue 1 day$/)
    expect(dueSentence(standing(), '2027-03-05')).to.match(/, overdue 3 days$/)
    expect(dueSentence(standing({ due: undefined }), '2026-11-26')).to.equal('No clock runs out within ten years.')
  })

  it('stops counting where nobody reads on', () => {
    expect(countWords(9_999)).to.equal('9,999')
    expect(countWords(10_001)).to.equal('10,000+')
  })

  it('walks rows and stays on the list', () => {
    expect([
      rowAfter('j', 0, 3),
      rowAfter('j', 2, 3),
      rowAfter('k', 0, 3),
      rowAfter('k', 2, 3),
      rowAfter('x', 1, 3),
    ]).to.deep.equal([1, 2, 0, 1, 1])
  })
})

describe('what the ledger lens adds to an entry', () => {
  let n = 0
  const made = (
    kind: RecordedEntry['kind'],
    on: string,
    body: object,
    more: Partial<Envelope & Kept> = {},
  ): RecordedEntry => {
    n += 1
    return asKept({
      id: `e${n}`,
      subjectKind: 'machine',
      subjectId: 'm',
      kind,
      happenedAt: `${on}T09:00:00Z`,
      happenedOn: on,
      body: { v: 1, ...body },
      recordedAt: `${on}T10:00:00Z`,
      recordedBy: 'ines',
      seq: n,
      ...more,
    })
  }
  const gauge = (dueOn: string | null) => ({
    id: 'gauge',
    name: 'Portafilter gauge',
    kind: 'gauge' as const,
    serial: '',
    calibrations: dueOn
      ? [made('calibrated', '2025-06-01', { dueOn }, { subjectKind: 'instrument', subjectId: 'gauge' })]
      : [],
  })
  const bundle = (machine: RecordedEntry[], instruments: MachineBundle['instruments'] = []): MachineBundle =>
    ({ ledgers: { machine }, instruments }) as unknown as MachineBundle

  it('is that a repair came back, on both', () => {
    const repair = made('repaired', '2026-10-01', { text: 'New valve', part: 'pump' })
    const again = made('fault-reported', '2026-10-15', { text: 'no steam' })
    const { warnings } = ledgerNotes(bundle([repair, again]), [])
    expect(warnings.get(repair.id)).to.deep.equal(['came back after 14 days'])
    expect(warnings.get(again.id)).to.deep.equal(['14 days after the repair of 1 Oct 2026'])
  })

  it('is that an instrument was out of date on that day, or never had one', () => {
    const measured = (on: string) =>
      made('measured', on, { measure: 'x', state: 'found', value: 9, instrument: 'gauge' })
    const [good, late] = [measured('2026-05-01'), measured('2026-07-01')]
    const { warnings } = ledgerNotes(bundle([good, late], [gauge('2026-06-01')]), [good, late])
    expect(warnings.has(good.id)).to.equal(false)
    expect(warnings.get(late.id)).to.deep.equal(['Portafilter gauge was out of date since 1 Jun 2026: check again'])
    const never = ledgerNotes(bundle([good], [gauge(null)]), [good]).warnings
    expect(never.get(good.id)![0]).to.contain('no calibration or expiry on record')
  })

  it('is where it came from when nobody here wrote it', () => {
    const told = made('note', '2026-05-01', { text: 'x' }, { origin: 'the passport of Elm & Co' })
    const { origins, warnings } = ledgerNotes(bundle([told]), [told])
    expect(origins.get(told.id)).to.equal('the passport of Elm & Co')
    expect(warnings.size).to.equal(0)
  })
})

describe('what is typed into a form', () => {
  it('is read as people write it', () => {
    expect(typedText({ name: '  Marl  ' }, 'name')).to.equal('Marl')
    expect(typedText({}, 'name')).to.equal('')
    expect(typedNumber({ n: '12.5' }, 'n')).to.equal(12.5)
    expect(typedNumber({ n: '' }, 'n')).to.equal(undefined)
    expect(wrongAt('n', 'is missing')).to.deep.equal({
      ok: false,
      issues: [{ path: 'n', code: 'typed', message: 'is missing' }],
    })
  })

  it('is read as its fields take it, and what cannot be is said at its field', () => {
    const field = (id: string, reads = {}, unit?: string): FieldSpec => ({
      id,
      label: id,
      kind: 'number',
      reads,
      ...(unit && { unit }),
    })
    const fields = [
      field('count', countReads),
      field('pressure', {}, 'bar'),
      field('fee'),
      { id: 'name', label: 'Name' },
    ]
    expect(readNumbers(fields, { count: '84.210', pressure: '130,5 psi', fee: '', name: '1.5' })).to.deep.equal({
      values: { count: '84210', pressure: '8.9976579', fee: '', name: '1.5' },
      wrong: [],
    })
    expect(readNumbers(fields, { count: '84.2', pressure: 'much', fee: '1.234', name: '' }).wrong).to.deep.equal([
      { id: 'count', message: 'count is no whole number' },
      { id: 'pressure', message: 'pressure is no number' },
      { id: 'fee', message: 'fee can be two: say which' },
    ])
    expect(readNumbers(fields, { count: 'unknown' })).to.deep.equal({ values: { count: '' }, wrong: [] })
  })

  it('becomes a record without what was left empty', () => {
    const record = siteRecord({
      customerId: 'c',
      technicianId: 't',
      name: ' Weir café ',
      area: '',
      address: '',
      timeZone: 'Europe/London',
      accessNote: '',
      supplyId: '',
      altitudeM: '120.5',
      latitude: '',
      longitude: '',
      retiredOn: '',
    })
    expect(record).to.deep.equal({
      customerId: 'c',
      technicianId: 't',
      name: 'Weir café',
      area: '',
      address: '',
      timeZone: 'Europe/London',
      accessNote: '',
      altitudeM: 120.5,
    })
    expect(retired({ retiredOn: '2026-11-01' })).to.deep.equal({ retiredOn: '2026-11-01' })
  })

  it('starts from the record as it is', () => {
    expect(typed({ name: 'Weir', altitudeM: 12, supplyId: undefined }, { supplyId: '', note: '' })).to.deep.equal({
      name: 'Weir',
      altitudeM: '12',
      supplyId: '',
      note: '',
    })
    expect(typed(null, { name: '' })).to.deep.equal({ name: '' })
  })
})
