import { expect } from 'chai'
import { checkKind } from '../../../src/core/kinds/check-kind.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import type { Kind } from '../../../src/core/kinds/kind.ts'

const asFile = (kind: Kind): Kind => JSON.parse(JSON.stringify(kind))
const changed = (change: (kind: Kind) => void, id = 'pk') => {
  const kind = asFile(kindById(id)!)
  change(kind)
  const checked = checkKind(kind)
  return checked.ok ? [] : checked.issues.map(({ path, message }) => `${path} ${message}`)
}

describe('a kind of machine as a file', () => {
  for (const kind of kinds)
    it(`${kind.id} goes out and comes in again as it was`, () => {
      const checked = checkKind(asFile(kind))
      expect(checked.ok, JSON.stringify(checked).slice(0, 400)).to.equal(true)
      expect(checked.ok && JSON.parse(JSON.stringify(checked.value))).to.deep.equal(asFile(kind))
    })

  it('is refused at its place where it names what is not there', () => {
    expect(
      changed((kind) => {
        kind.tasks[0]!.station = 'nowhere'
      }),
    ).to.deep.equal(['tasks[0].station is no station of this kind'])
    expect(
      changed((kind) => {
        kind.prompts[0]!.asksFor = 'dance'
      }),
    ).to.deep.equal(['prompts[0].asksFor is no task of this kind'])
    expect(
      changed((kind) => {
        kind.parts[0]!.with = 'wings'
      }),
    ).to.deep.equal(['parts[0].with is no option of this kind'])
    expect(
      changed((kind) => {
        kind.stations.push({ id: 'spare', name: 'Spare', symbol: 'valve' })
      }),
    ).to.deep.equal([`stations[${kindById('pk')!.stations.length}].id stands on no line`])
    expect(
      changed((kind) => {
        kind.lines[1]!.stations.push('tank')
      })[0],
    ).to.contain('stands on a line already')
    expect(
      changed((kind) => {
        kind.lines[0]!.lane = 1
      }),
    ).to.deep.equal(['lines must have one main line, in lane 0'])
    expect(
      changed((kind) => {
        kind.tasks.push(kind.tasks[0]!)
      })[0],
    ).to.contain('is there already')
    expect(
      changed((kind) => {
        kind.vessels[0]!.inside = 'moon'
      })[0],
    ).to.contain('is no vessel of this kind')
  })

  it('is refused where its figures cannot be', () => {
    expect(
      changed((kind) => {
        kind.tasks[0]!.limits.shots = { cautious: 9, usual: 5, longLife: 7 }
      })[0],
    ).to.contain('must not fall')
    expect(
      changed((kind) => {
        kind.tasks[0]!.limits = {}
      })[0],
    ).to.contain('at least one clock')
    expect(
      changed((kind) => {
        kind.budget.drinks[0]!.share = 0.9
      })[0],
    ).to.contain('1 in all')
    expect(
      changed((kind) => {
        kind.groupShares = [0.5, 0.5]
      })[0],
    ).to.contain('one share a group')
    expect(
      changed((kind) => {
        kind.measures[0]!.good = { from: 9, to: 3 }
      })[0],
    ).to.contain('from low to high')
    expect(
      changed((kind) => {
        kind.detergent = { everyDrinks: { cautious: 1 } } as never
      })[0],
    ).to.contain('by policy')
    expect(
      changed((kind) => {
        ;(kind as unknown as Record<string, unknown>).wheels = 4
      })[0],
    ).to.contain('is not a field here')
    expect(checkKind('c2').ok).to.equal(false)
  })
})
