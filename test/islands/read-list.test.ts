import { expect } from 'chai'
import { findHead, guessColumns } from '../../src/core/files/import-columns.ts'
import { isTotals } from '../../src/core/files/is-totals.ts'
import { readFile } from '../../src/islands/import/read-file.ts'
import { listText } from '../../src/services/imports/list-text.ts'
import { listFile } from '../lists/list-request.ts'

const read = async (text: string | Uint8Array<ArrayBuffer>, name = 'a.csv') => readFile(new File([text], name))
const why = async (text: string | Uint8Array<ArrayBuffer>) => {
  const told = await read(text)
  return told.ok ? '' : told.why
}

describe('a list as a browser reads it', () => {
  it('is read in each usual separator', async () => {
    for (const separator of [',', ';', '\t', '|']) {
      const lines = [
        ['serial', 'date', 'count'],
        ['A', '2026-01-01', '5'],
      ]
      const told = await read(lines.map((line) => line.join(separator)).join('\r\n'))
      if (!told.ok) throw new Error(told.why)
      expect(told.file.separator).to.equal(separator)
      expect(told.file.sheets[0]!.lines).to.deep.equal(lines)
    }
  })

  it('keeps quoted cells whole, fills short rows, drops empty lines', async () => {
    const told = await read('serial,,count\n"A, B",x\n,,\n\nC,,3\n')
    expect(told.ok && told.file.sheets[0]!.lines).to.deep.equal([
      ['serial', '', 'count'],
      ['A, B', 'x', ''],
      ['C', '', '3'],
    ])
  })

  it('knows its letters: UTF-8, UTF-16 by its mark, the western code page', async () => {
    const encodings: [string, string][] = [
      ['german-machines.csv', 'Windows-1252'],
      ['french-machines.csv', 'UTF-16LE'],
      ['swiss-machines.csv', 'UTF-8'],
    ]
    for (const [name, encoding] of encodings) expect((await listFile(name)).encoding, name).to.equal(encoding)
    expect((await listFile('german-machines.csv')).sheets[0]!.lines[1]).to.include('Straße')
    expect((await listFile('french-machines.csv')).sheets[0]!.lines[0]).to.include('Désignation')
    // The mark of UTF-8 is no part of the first head.
    expect((await listFile('swiss-machines.csv')).sheets[0]!.lines[0]![0]).to.equal('Standort')
  })

  it('takes a workbook sheet by sheet: days as days, figures with every digit, sums as what they showed', async () => {
    const { sheets } = await listFile('american-machines.xlsx')
    expect(sheets.map(({ name }) => name)).to.deep.equal(['Equipment', 'Notes'])
    const { lines } = sheets[0]!
    expect(lines[0]![0]).to.equal('Equipment list — Redford Coffee Service')
    expect(lines[findHead('machines', lines)]![0]).to.equal('Location')
    expect(lines[2]!.slice(6, 8)).to.deep.equal(['44289', '84210'])
    expect(lines.at(-1)!.slice(0, 8)).to.deep.equal(['Total', '', '', '', '', '', '', '269670'])
  })

  it('says what it cannot read', async () => {
    expect(await why('')).to.contain('is empty')
    expect(await why('just one line\n')).to.contain('no rows below a head')
    expect(await why(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1, 2, 3]))).to.contain(
      'neither a CSV nor a workbook',
    )
    expect(await why(new Uint8Array([0x50, 0x4b, 3, 4, 9, 9, 9, 9]))).to.contain('neither a CSV nor a workbook')
    expect(await why('x'.repeat(5_000_001))).to.contain('5.0 MB')
  })

  it('finds the line that names the columns, under titles and addresses', () => {
    const lines = [['Our machines'], ['as of 2026', ''], ['Standort', 'Seriennr.', 'Zähler'], ['Mill', 'A-1', '5']]
    expect(findHead('machines', lines)).to.equal(2)
    expect(
      findHead('machines', [
        ['a', 'b'],
        ['c', 'd'],
      ]),
    ).to.equal(0)
  })

  it('guesses each column once, a head that is our own word before all others', () => {
    const found = guessColumns('machines', [
      'Site',
      'Site address',
      'Machine type',
      'Type of water filter',
      'Serial no',
      'Notes',
    ])
    expect(found).to.deep.include({ site: 0, address: 1, kind: 2, softener: 3, serial: 4, remark: 5, customer: -1 })
    expect(guessColumns('work', ['Datum', 'Was', 'Maschine', 'Serien-Nr'])).to.deep.include({
      date: 0,
      serial: 3,
      name: 2,
    })
    expect(guessColumns('readings', ['Read on', 'Serial no.', 'Shots'])).to.deep.equal({ serial: 1, date: 0, count: 2 })
  })

  it('knows a line of totals, and no machine by its name for one', () => {
    for (const text of ['Total', 'Summe:', 'GESAMT 60', 'Somme', 'Grand total'])
      expect(isTotals(text), text).to.equal(true)
    for (const text of ['Totalenergie Café', 'Sumatra', 'Total Tools Ltd', ''])
      expect(isTotals(text), text).to.equal(false)
  })

  it('is given back in its own letters and separators, and no formula in it runs', () => {
    const lines = [
      ['Straße', 'Zähler'],
      ['=HYPERLINK("x")', '-5'],
    ]
    const western = listText(lines, { encoding: 'Windows-1252', separator: ';' })
    expect(western.toString('latin1')).to.equal('Straße;Zähler\r\n"\'=HYPERLINK(""x"")";-5\r\n')
    const wide = listText(lines, { encoding: 'UTF-16LE', separator: '\t' })
    expect([wide[0], wide[1]]).to.deep.equal([0xff, 0xfe])
    expect(wide.toString('utf16le')).to.contain('Straße\tZähler')
    expect(listText(lines, { encoding: 'nonsense', separator: '?' }).toString()).to.equal(
      '\ufeffStraße;Zähler\r\n"\'=HYPERLINK(""x"")";-5\r\n',
    )
  })
})
