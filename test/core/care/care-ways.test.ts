import { expect } from 'chai'
import { careSheet } from '../../../src/core/care/care-sheet.ts'
import { careWays } from '../../../src/core/care/care-ways.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { offeredTo } from '../../../src/core/procedures/offered.ts'
import { rootOf } from '../../../src/core/procedures/procedure.ts'

/** Every way of every procedure of the sheet that a kind may be cleaned by. */
const everyWay = kinds.flatMap((kind) => {
  const here = withOptions(kind, new Map())
  return offeredTo(here).flatMap(({ procedure, refused }) => {
    const care = careWays.find((one) => one.procedure === rootOf(procedure))
    return care && !refused ? procedure.ways.map((way) => ({ kind: here, care, way })) : []
  })
})

describe('what a care sheet says of a chosen way', () => {
  it('is there for every one of them, and a procedure of the sheet is in the library', () => {
    expect(everyWay.length).to.be.above(60)
    expect(new Set(everyWay.map(({ care }) => care.procedure)).size).to.equal(careWays.length)
  })

  for (const procedure of careWays.map((care) => care.procedure)) {
    it(`${procedure}: no hole in a sentence, whatever way is chosen`, () => {
      for (const { kind, care, way } of everyWay.filter((one) => one.care.procedure === procedure)) {
        const said = care.how(way).filter((part) => part !== null)
        const at = `${kind.id}, ${way.id}: ${said.join('; ')}`
        expect(said, at).to.not.have.length(0)
        for (const part of said) {
          expect(part, at).to.match(/\p{L}/u)
          expect(part, at).to.not.match(/undefined|NaN|null|Infinity|no detergent/)
          // A step that is not there would leave its commas and its colon standing.
          expect(part, at).to.not.match(/^\s|\s$|, ?,|[:,] ?$|^,/)
          expect(part, at).to.not.match(/\b0 (min|s|×|g)\b/)
        }
      }
    })
  }

  it('stands on the sheet with the rest, where it was chosen: other words for another way', () => {
    for (const { kind, care, way } of everyWay) {
      const sheet = careSheet(kind, {
        drinksPerOpenDay: 30,
        policy: 'usual',
        ways: { [care.procedure]: way.id },
      })
      const items = sheet.rhythms.flatMap(({ items: all }) => all)
      const line = items.filter(({ say }) => say.startsWith(care.say))
      // Of several that do the same only one is told.
      if (line.length === 0) continue
      const said = care.how(way).filter(Boolean).join('; ')
      expect(line.map(({ how }) => how?.toLowerCase()).join('\n'), `${kind.id}, ${way.id}`).to.contain(
        said.toLowerCase(),
      )
      expect(line.every(({ caution }) => Boolean(caution))).to.equal(true)
    }
  })

  it('tells each dose with its unit', () => {
    const doses = everyWay.flatMap(({ care, way }) =>
      ['detergent-backflush', 'wash-programme', 'parts-soak'].includes(care.procedure) ? care.how(way) : [],
    )
    const withFigure = doses.filter((part): part is string => /\d/.test(part ?? ''))
    expect(withFigure.length).to.be.above(20)
    for (const part of withFigure) expect(part).to.match(/\d[\d.,–½ ]*\s?(g|ml|L|scoops?|tablets?|min|s|×|%|°C)/)
  })
})
