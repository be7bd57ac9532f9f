import { expect } from 'chai'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { careSheet } from '../../src/core/care/care-sheet.ts'
import { theirPath } from '../../src/core/customers/their-path.ts'
import { kinds } from '../../src/core/kinds/index.ts'
import type { Kind } from '../../src/core/kinds/kind.ts'
import { workedLayout } from '../../src/islands/leaving/worked-layout.ts'
import { labelsBeside, type Said, wordsWide } from '../../src/layouts/at-the-machine/labels-beside.ts'
import { TheirPath } from '../../src/layouts/at-the-machine/TheirPath.tsx'

const today = '2026-11-26'
const sheet = (kind: Kind) => careSheet(kind, { drinksPerOpenDay: 120, policy: 'usual', isPublic: true })
const stations = (kind: Kind, more: Partial<Parameters<typeof theirPath>[1]> = {}) =>
  theirPath(kind, { sheet: sheet(kind), softener: null, held: [], ...more })
const kind = (id: string) => kinds.find((one) => one.id === id)!
const drawn = (of: Kind, more: Partial<Parameters<typeof theirPath>[1]> = {}) =>
  renderToStaticMarkup(createElement(TheirPath, { kind: of, softened: true, stations: stations(of, more), today }))

describe('the path that a customer sees', () => {
  it('has in full what the care sheet names, and says how often', () => {
    const said = Object.fromEntries(stations(kind('c2')).map(({ station, rhythms }) => [station, rhythms[0]]))
    expect(said).to.include({ group: 'shot', wand: 'shot' })
    expect(Object.keys(said)).not.to.include.members(['boiler', 'pump', 'board'])
    expect(stations(kind('sr')).map(({ station }) => station)).to.include('tank')
  })

  it('says of a softener when it is theirs, that nobody knows it, or that it was due', () => {
    expect(drawn(kind('c2'), { softener: { dueOn: '2026-12-05' } })).to.contain('yours, by 5 Dec')
    expect(drawn(kind('c2'), { softener: { dueOn: '2026-11-20' } })).to.contain('yours, was due 20 Nov')
    expect(drawn(kind('c2'), { softener: { dueOn: null } })).to.contain('yours, day not known')
    expect(drawn(kind('c2'))).not.to.contain('yours,')
  })

  it('says which group is not for use, and that milk is not', () => {
    expect(drawn(kind('c2'), { held: [{ group: 2 }] })).to.contain('2 not for use')
    expect(drawn(kind('sr'), { held: [{ only: 'milk' }] })).to.contain('>not for use<')
  })

  it('is nothing where nothing is theirs', () => {
    expect(
      renderToStaticMarkup(createElement(TheirPath, { kind: kind('c2'), softened: false, stations: [], today })),
    ).to.equal('')
  })

  for (const of of kinds)
    it(`keeps its words apart and on the sheet: ${of.name}`, () => {
      const theirs = stations(of, { softener: { dueOn: '2026-11-20' }, held: [{ group: 1 }, { only: 'milk' }] })
      const layout = workedLayout(of, new Set(), new Map(theirs.map(({ station }) => [station, []])))
      const said = layout.on.map(
        ({ station, at, hangs }): Said => ({
          at,
          hangs,
          name: station.name,
          says: 'yours, was due 20 Nov',
          isOut: false,
          isLate: false,
        }),
      )
      const { labels, fontSize, left, right, low } = labelsBeside(said, layout)
      expect(labels).to.have.length(theirs.length)
      const boxes = labels.map((label) => {
        const wide = wordsWide(label, fontSize)
        const x = label.anchor === 'middle' ? label.x - wide / 2 : label.anchor === 'end' ? label.x - wide : label.x
        return { name: label.name, x, to: x + wide, y: label.y - fontSize, foot: label.y + fontSize * 1.3 }
      })
      for (const box of boxes) {
        expect(box.x, box.name).to.be.at.least(left - 1)
        expect(box.to, box.name).to.be.at.most(right + 1)
        expect(box.foot, box.name).to.be.at.most(low + fontSize * 0.5)
        for (const other of boxes)
          if (other !== box)
            expect(
              box.x < other.to && other.x < box.to && box.y < other.foot && other.y < box.foot,
              `${box.name} upon ${other.name}`,
            ).to.equal(false)
      }
      // As wide as a phone, its words are as large as the page's small ones.
      expect((fontSize * 350) / (right - left)).to.be.at.least(12)
    })

  it('carries no style of its own and no script: the page forbids both', () => {
    for (const of of kinds) expect(drawn(of)).not.to.match(/style=|<script|on[a-z]+=/)
  })
})
