import { expect } from 'chai'
import fc from 'fast-check'
import { movedStation, stationHeld, withoutStation, withStation } from '../../src/core/kinds/change-kind.ts'
import { kindById, kinds } from '../../src/core/kinds/index.ts'
import { type Kind, takesOneStation, withGroups, withOptions } from '../../src/core/kinds/kind.ts'
import { layOut, type PathLayout, type PlacedStation } from '../../src/islands/path/layout.ts'

interface Box {
  name: string
  left: number
  right: number
  top: number
  bottom: number
}

/** What hangs from a station: a name, a tube and a reading, about this large. */
function blockOf(layout: PathLayout, placed: PlacedStation): Box {
  const top = placed.hangs === 'band' ? layout.bandY : placed.hangs === 'beside' ? placed.at.y - 53 : placed.at.y - 24
  return { name: placed.station.id, left: placed.blockX, right: placed.blockX + 82, top, bottom: top + 42 }
}

const overlap = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

const drawn = (kind: Kind, without: string[] = [], keep?: string[]) =>
  layOut(kind, new Set(without), keep && new Set(keep))

/** Every kind as most have it, with all there is, with nothing besides; the first also with three and four groups. */
const drawnKinds: Kind[] = kinds.flatMap((kind) => {
  const all = (fitted: boolean) => withOptions(kind, new Map(kind.options.map(({ id }) => [id, fitted])))
  const [usual, most, least] = [withOptions(kind, new Map()), all(true), all(false)]
  return [
    { ...usual, id: kind.id },
    ...(kind.options.length > 0
      ? [
          { ...most, id: `${kind.id} with all` },
          { ...least, id: `${kind.id} with nothing besides` },
        ]
      : []),
    ...(kind.id === 'c2'
      ? [3, 4].map((groups) => ({ ...withGroups(usual, groups), id: `c2 of ${groups} groups` }))
      : []),
  ]
})

describe('laying out the water path', () => {
  for (const kind of drawnKinds) {
    it(`${kind.id}: places every station once, inside the drawing`, () => {
      const layout = drawn(kind)
      expect(layout.stations.map((placed) => placed.station.id)).to.have.members(
        kind.stations.map((station) => station.id),
      )
      for (const { station, at } of layout.stations) {
        expect(at.x, station.id).to.be.within(0, layout.width)
        expect(at.y, station.id).to.be.within(layout.top, layout.top + layout.height)
      }
    })

    it(`${kind.id}: lets no name or lifeline cover another`, () => {
      const layout = drawn(kind)
      const blocks = layout.stations.filter((placed) => placed.hasTasks).map((placed) => blockOf(layout, placed))
      const clashes = blocks.flatMap((a, i) =>
        blocks.slice(i + 1).flatMap((b) => (overlap(a, b) ? [`${a.name} over ${b.name}`] : [])),
      )
      expect(clashes).to.deep.equal([])
      for (const block of blocks) expect(block.right, block.name).to.be.at.most(layout.width + 8)
    })

    it(`${kind.id}: draws every line from data, the water before the coffee`, () => {
      const layout = drawn(kind)
      const ids = layout.lines.map((line) => line.id)
      expect(ids).to.include.members(kind.lines.map((line) => line.id))
      const [water, coffee] = ['main', 'coffee'].map((id) => layout.lines.find((line) => line.id === id))
      // A grinder makes no coffee.
      if (kind.stations.some(({ symbol }) => symbol === 'cup'))
        expect(water!.points.at(-1)).to.deep.equal(coffee!.points[0])
      else expect(coffee).to.equal(undefined)
      for (const line of layout.lines)
        for (const { x, y } of line.points) expect([x, y].every(Number.isFinite), line.id).to.equal(true)
    })

    it(`${kind.id}: folds to a phone's width around any station, and counts what it folds away`, () => {
      for (const station of kind.lines[0]!.stations.slice(0, -1)) {
        const layout = drawn(kind, [], [station])
        const shown = layout.stations.filter(
          (placed) => placed.hangs === 'band' && kind.lines[0]!.stations.includes(placed.station.id),
        )
        expect(shown.map((placed) => placed.station.id)).to.include(station)
        const folded = layout.pleats.reduce((sum, pleat) => sum + pleat.count, 0)
        expect(folded + shown.length).to.equal(kind.lines[0]!.stations.length)
        expect(layout.width).to.be.at.most(420)
      }
    })
  }

  it('leaves out what a machine does not have, and closes the gap', () => {
    const c2 = kinds.find((kind) => kind.id === 'c2')!
    const layout = drawn(c2, ['softener'])
    expect(layout.stations.map((placed) => placed.station.id)).not.to.include('softener')
    expect(layout.width).to.equal(drawn(c2).width)
  })

  it('gives each group a row', () => {
    const [two, one] = ['c2', 'pk'].map((id) => drawn(kinds.find((kind) => kind.id === id)!))
    expect([two!.rows, one!.rows]).to.deep.equal([2, 1])
    expect(two!.railY - one!.railY).to.equal(34)
  })

  it('draws a kind it never saw, from its data alone', () => {
    const invented: Kind = {
      ...kinds.find((kind) => kind.id === 'pk')!,
      id: 'invented',
      stations: [
        { id: 'tank', name: 'Tank', symbol: 'tank' },
        { id: 'pump', name: 'Pump', symbol: 'pump' },
        { id: 'boiler', name: 'Boiler', symbol: 'boiler' },
        { id: 'basket', name: 'Basket', symbol: 'basket' },
        { id: 'cup', name: 'Cup', symbol: 'cup' },
        { id: 'steam', name: 'Steam valve', symbol: 'hand-valve' },
        { id: 'tap', name: 'Tap', symbol: 'tap' },
        { id: 'switch', name: 'Switch', symbol: 'switch' },
      ],
      lines: [
        { id: 'main', medium: 'water', lane: 0, stations: ['tank', 'pump', 'boiler', 'basket', 'cup'] },
        { id: 'steam', medium: 'steam', lane: -2, stations: ['steam'], from: { station: 'boiler', port: 'top' } },
        { id: 'tap', medium: 'hot-water', lane: 1, stations: ['tap'], from: { station: 'boiler', port: 'bottom' } },
        { id: 'rail', medium: 'control', lane: 2, stations: ['switch'] },
      ],
    }
    const layout = drawn(invented)
    expect(layout.stations).to.have.length(8)
    const xs = ['tank', 'pump', 'boiler', 'basket', 'cup'].map(
      (id) => layout.stations.find((placed) => placed.station.id === id)!.at.x,
    )
    expect(xs).to.deep.equal([...xs].sort((a, b) => a - b))
  })

  it('places every station once, inside the drawing, whatever a firm adds, moves or leaves out', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds.map(({ id }) => id)),
        fc.array(fc.tuple(fc.constantFrom('add', 'move', 'leave out'), fc.nat(1000)), { maxLength: 12 }),
        (id, steps) => {
          const kind = kindById(id)!
          const changed = steps.reduce(
            (now, [step, n]) => {
              const { id: station } = now.stations[n % now.stations.length]!
              if (step === 'move') return movedStation(now, station, n % 2 ? 1 : -1)
              if (step === 'leave out') return stationHeld(now, station) ? now : withoutStation(now, station)
              const line = now.lines[n % now.lines.length]!
              return takesOneStation(line) ? now : withStation(now, line.id, { name: 'Joint', symbol: 'valve' })
            },
            withOptions(kind, new Map()),
          )
          const layout = drawn(changed)
          expect(layout.stations.map(({ station }) => station.id)).to.have.members(changed.stations.map(({ id }) => id))
          for (const { station, at } of layout.stations) {
            expect(at.x, station.id).to.be.within(0, layout.width)
            expect(at.y, station.id).to.be.within(layout.top, layout.top + layout.height)
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})
