import { expect } from 'chai'
import type { Content } from 'pdfmake/interfaces.js'
import { type Face, inType, runsOf } from '../../../src/services/papers/in-type.ts'
import { bytesOf, paper } from '../../../src/services/papers/paper.ts'
import { readPdf } from './read-pdf.ts'

const face = (name: string, chars: RegExp): Face => ({ name, has: (char) => chars.test(char) })
const faces: [Face, Face] = [face('first', /[ -~éó°µ]/), face('more', /[ŁłźčőŚ]/)]

describe('the type of the papers', () => {
  it('sets what its first face lacks in the next that has it', () => {
    expect(runsOf('Łódź', faces)).to.deep.equal([
      { text: 'Ł', font: 'more' },
      { text: 'ód' },
      { text: 'ź', font: 'more' },
    ])
    // Written as letter and accent it is the same.
    expect(runsOf('Łódź'.normalize('NFD'), faces)).to.deep.equal(runsOf('Łódź', faces))
  })

  it('says in words what no face can draw, and drops no letter without a word', () => {
    const said = (text: string) =>
      runsOf(text, faces)
        .map((run) => run.text)
        .join('')
    expect(said('failed → new')).to.equal('failed, now new')
    expect(said('0.12 Ω, 40 MΩ')).to.equal('0.12 ohm, 40 Mohm')
    expect(said('mg/L CaCO₃ ≤ 5')).to.equal('mg/L CaCO3 at most  5')
    expect(said('Ḧ茶'), 'an accent goes, a letter does not').to.equal('H?')
  })

  it('reaches every text of a paper, and touches nothing else', () => {
    const content: Content = [
      'Ł',
      { text: ['a', { text: 'ź', bold: true }], alignment: 'right' },
      { table: { widths: ['*', 40], body: [['č', { stack: ['ő'], color: '#10201e' }]] }, layout: 'noBorders' },
      { ul: ['plain'] },
      { columns: [{ text: 'x\ny' }] },
      { svg: '<svg>Ł</svg>' },
    ]
    expect(inType(content, faces)).to.deep.equal([
      { text: [{ text: 'Ł', font: 'more' }] },
      { text: ['a', { text: [{ text: 'ź', font: 'more' }], bold: true }], alignment: 'right' },
      {
        table: {
          widths: ['*', 40],
          body: [
            [
              { text: [{ text: 'č', font: 'more' }] },
              { stack: [{ text: [{ text: 'ő', font: 'more' }] }], color: '#10201e' },
            ],
          ],
        },
        layout: 'noBorders',
      },
      { ul: ['plain'] },
      { columns: [{ text: 'x\ny' }] },
      { svg: '<svg>Ł</svg>' },
    ])
  })

  it('hands back itself what needs no setting', () => {
    const head = { text: 'Done, found, left' }
    const [first, second] = inType([head, { stack: ['Ł'] }], faces) as unknown[]
    expect(first).to.equal(head)
    expect(second).to.deep.equal({ stack: [{ text: [{ text: 'Ł', font: 'more' }] }] })
  })

  // Read back by another library from the file itself.
  it('has the names of its neighbours in the file, in the foot too', async () => {
    const name = 'Café Łódź, Őrség, Plzeň'
    const bytes = await bytesOf({
      ...paper({ title: name, author: name, foot: name }),
      content: [{ text: name, bold: true }, { table: { body: [[name]] } }],
    })
    const [page] = (await readPdf(bytes)).pages
    expect(page!.replaceAll('\n', ' ').split(name)).to.have.length(4)
  })
})
