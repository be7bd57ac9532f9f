import { expect } from 'chai'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { crossedHere } from '../../src/islands/crossed/crossed-here.ts'
import { thingName, whoWrote } from '../../src/islands/crossed/crossed-words.ts'
import { besideExpected, fitting } from '../../src/islands/crossed/expected-of.ts'
import { whatItMoves } from '../../src/islands/crossed/what-it-moves.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'

const entry = (seq: number, on: string, kind: string, body: object, more: Partial<RecordedEntry> = {}): RecordedEntry =>
  ({
    id: `e${String(seq).padStart(2, '0')}`,
    subjectKind: 'machine',
    subjectId: 'm',
    kind,
    happenedAt: `${on}T09:00:00.000Z`,
    happenedOn: on,
    recordedAt: `${on}T09:00:10.000Z`,
    recordedBy: 'odile',
    seq,
    ...more,
    body: { v: 1, ...body },
  }) as RecordedEntry
const counter = (seq: number, on: string, count: number, more: Partial<RecordedEntry> = {}) =>
  entry(seq, on, 'reading', { counter: 'shots', count }, more)

/** Forty a day since May; then Odile changes two digits, and Ines, in a cellar, reads what it shows. */
const machine: RecordedEntry[] = [
  entry(1, '2026-05-01', 'commissioned', { kind: 'c2', kindVersion: 1, partsNew: true }),
  counter(2, '2026-05-01', 0),
  counter(3, '2026-07-10', 2800),
  counter(4, '2026-09-18', 5600),
  counter(5, '2026-10-26', 7120),
  counter(6, '2026-11-26', 6830, { happenedAt: '2026-11-26T09:58:00.000Z' }),
  counter(7, '2026-11-26', 8360, {
    happenedAt: '2026-11-26T09:52:00.000Z',
    recordedAt: '2026-11-26T11:40:00.000Z',
    recordedBy: 'ines',
    knownSeq: 5,
  }),
]
const bundle = (ledger = machine) =>
  ({
    machine: { id: 'm', kind: 'c2', name: 'Left bar' },
    site: { id: 's', name: 'A kiosk', timeZone: 'Europe/London', customer: { id: 'c', name: '' } },
    softener: null,
    ledgers: { machine: ledger, site: [], customer: [], supply: [], firm: [] },
    fedBeside: [],
    technicians: [],
  }) as unknown as MachineBundle

describe('what is asked at a machine where two wrote of one thing', () => {
  const [asked] = crossedHere(bundle()).asks

  it('is the counter, with who wrote when', () => {
    expect(crossedHere(bundle()).asks).to.have.length(1)
    expect(thingName(asked!.lines[0]!, null)).to.equal('Counter, shots')
    const names = new Map([
      ['ines', 'Ines Quillgate'],
      ['odile', 'Odile Quillgate'],
    ])
    expect(whoWrote(asked!.lines, names, 'ines', 'Europe/London')).to.equal(
      'Odile wrote at 09:58. You wrote at 09:52 without network; it was sent at 11:40.',
    )
  })

  it('lays each beside what was expected had nobody written, and takes the one that fits for the likelier', () => {
    const read = besideExpected(asked!, bundle())
    expect(read.map(({ line }) => line.id)).to.deep.equal(['e06', 'e07'])
    for (const { expected } of read) expect(expected.last, 'neither of them is in it').to.equal(7120)
    expect(fitting(asked!, bundle())).to.equal('e07')
    const neither = { ...asked!, lines: asked!.lines.slice(0, 1) }
    expect(fitting(neither, bundle())).to.equal(null)
  })

  it('says which dates it moves, each as it is with one line taken back', () => {
    const moves = whatItMoves(asked!, bundle(), '2026-11-26')
    expect(moves.length).to.be.within(1, 4)
    for (const { dates } of moves) {
      expect(dates.map(({ line }) => line.id)).to.deep.equal(['e06', 'e07'])
      expect(new Set(dates.map(({ said }) => said)).size).to.equal(2)
    }
  })

  it('is nothing where all was known, and names beside it what one of them wrote alone', () => {
    expect(crossedHere(bundle(machine.slice(0, 6)))).to.deep.equal({ asks: [], alike: [], alone: [] })
    const note = entry(6, '2026-11-26', 'note', { text: 'they rang' })
    const read = counter(7, '2026-11-26', 8360, { recordedBy: 'ines', knownSeq: 5 })
    const here = crossedHere(bundle([...machine.slice(0, 5), note, read]))
    expect(here.asks).to.deep.equal([])
    expect(here.alone.map(({ id }) => id)).to.deep.equal(['e06'])
  })
})
