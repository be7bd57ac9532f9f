import { expect } from 'chai'
import { closeOut } from '../../../src/core/close-out/close-out.ts'
import { testOutLooks } from '../../../src/core/faults/test-out.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { fileName } from '../../../src/core/papers/file-name.ts'
import { testRecords } from '../../../src/core/papers/test-record.ts'
import { entry } from '../standing/a-history.ts'

const on = '2026-11-26'
const visitId = '01939000-0000-7000-8000-0000000000aa'
const c2 = kindById('c2')!
const recordsOf = (...entries: Entry[]) => {
  const { subjects } = closeOut({
    visitId,
    on,
    now: `${on}T12:00:00Z`,
    currency: 'EUR',
    machines: [
      {
        id: 'a',
        name: 'Left bar',
        model: 'Varnholt Duo 2',
        kind: c2,
        ledgers: { machine: entries.map((made) => ({ ...made, visitId })), site: [] },
        softener: null,
        underWay: [],
      },
    ],
  })
  return testRecords(subjects)
}

describe('a test record', () => {
  it('has every look of such a machine, seen or not, and each figure against what is accepted', () => {
    const [record] = recordsOf(
      entry('tested-out', on, {
        passed: false,
        reason: 'Tester says no',
        looks: ['complaint', 'dry'],
        electrical: { earthOhm: 0.42, insulationMOhm: 7 },
      }),
    )
    const [test] = record!.tests
    expect(test!.looks.map(({ words }) => words)).to.deep.equal(testOutLooks(c2).map(({ words }) => words))
    expect(test!.looks.filter(({ seen }) => seen)).to.have.length(2)
    // 0.3 Ω up to the plug and 1 MΩ are common practice: local rules first.
    expect(test!.electrical.map(({ value, most, least, isOut }) => [value, most ?? least, isOut])).to.deep.equal([
      [0.42, 0.3, true],
      [7, 1, false],
    ])
  })

  it('has an inspector’s certificate in it, and is of no machine that nothing was tested at', () => {
    expect(recordsOf(entry('fitted', on, { part: 'group-gasket', group: 1 }))).to.deep.equal([])
    const [record] = recordsOf(
      entry('certified', on, { outcome: 'passed', inspector: 'A. Nyland', dueOn: '2028-11-26' }),
    )
    expect(record!.tests).to.deep.equal([])
    expect(record!.certified[0]!.body.inspector).to.equal('A. Nyland')
  })
})

describe('a name as a file may be called', () => {
  it('is letters and digits of ASCII with dashes between, and never nothing', () => {
    expect(['Café Thistle & Rye', '../../etc/passwd', '  ', 'Ål 7"', '茶'].map(fileName)).to.deep.equal([
      'cafe-thistle-rye',
      'etc-passwd',
      'unnamed',
      'al-7',
      'unnamed',
    ])
  })
})
