import { expect } from 'chai'
import fc from 'fast-check'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import {
  comesNext,
  inCup,
  inHand,
  newSheet,
  onBench,
  type Sheet,
  type SheetEvent,
  sheetStep,
} from '../../../src/core/strip-down/sheet.ts'
import { heldAfter, ownThing, sheetBody, sheetFittings } from '../../../src/core/strip-down/sheet-record.ts'
import { fastenerWords, lieWords, type Thing } from '../../../src/core/strip-down/thing.ts'
import { knownStripDowns } from '../../../src/core/trade/strip-downs/known.ts'

const grinder = knownStripDowns[0]!
const off = (things: Thing[]): Sheet =>
  things.reduce((sheet, thing, i) => sheetStep(sheet, { at: i * 60_000, type: 'off', thing }), newSheet(0))

const someEvents = fc.array(
  fc.tuple(
    fc.constantFrom('off', 'off', 'stays', 'photo', 'note', 'turn', 'take', 'in', 'in', 'back', 'close'),
    fc.nat(30),
  ),
  { maxLength: 60 },
)
const eventOf = (type: string, n: number, at: number): SheetEvent => {
  if (type === 'off')
    return {
      at,
      type,
      thing: ownThing(`thing ${n}`, 'there', { fasteners: [{ drive: 'torx', size: 'T10', count: n % 4 }] }),
    }
  if (type === 'stays') return { at, type, name: `thing ${n}` }
  if (type === 'photo') return { at, type, photo: `p${n}` }
  if (type === 'note') return { at, type, words: n % 2 ? 'twisted' : ' ' }
  if (type === 'take') return { at, type, index: n % 12 }
  if (type === 'close') return { at, type, ...(n % 3 === 0 && { leftOver: 'a screw stays with the customer' }) }
  return { at, type } as SheetEvent
}

describe('a strip-down sheet', () => {
  it('loses nothing: what came off is on the bench or back in, and it never closes on a full bench without a word', () => {
    fc.assert(
      fc.property(someEvents, (events) => {
        let sheet = newSheet(0)
        events.forEach(([type, n], i) => {
          const before = sheet
          sheet = sheetStep(JSON.parse(JSON.stringify(sheet)), eventOf(type, n, i + 1))
          if (type !== 'back') expect(sheet.things.length).to.be.at.least(before.things.length)
          const screws = onBench(sheet).reduce((sum, { off: one }) => sum + (one.thing.fasteners[0]?.count ?? 0), 0)
          expect(inCup(sheet).reduce((sum, { count }) => sum + count, 0)).to.equal(screws)
          if (sheet.closed && onBench(sheet).length > 0)
            expect(sheet.closed.leftOver).to.be.a('string').and.not.equal('')
          if (sheet.turnedAt !== null && onBench(sheet).length > 0)
            expect(sheet.things[inHand(sheet)!]!.inAt).to.equal(null)
        })
      }),
      { numRuns: 400 },
    )
  })

  it('goes back in the order it came off, backwards', () => {
    let sheet = sheetStep(off(grinder.things), { at: 1e6, type: 'turn' })
    const order: string[] = []
    while (onBench(sheet).length > 0) {
      order.push(sheet.things[inHand(sheet)!]!.thing.name)
      sheet = sheetStep(sheet, { at: 1e6 + order.length, type: 'in' })
    }
    expect(order).to.deep.equal(grinder.things.map(({ name }) => name).reverse())
    expect(sheetStep(sheet, { at: 2e6, type: 'close' }).closed).to.deep.equal({ at: 2e6 })
  })

  it('counts the screws of the cup by sort', () => {
    expect(inCup(off(grinder.things))).to.deep.equal([
      { words: 'silver T10', count: 3 },
      { words: 'black T10', count: 2 },
      { words: 'cross-head', count: 1 },
    ])
  })

  it('with one part left over wants a word, and keeps it', () => {
    let sheet = sheetStep(off(grinder.things.slice(0, 2)), { at: 1e6, type: 'turn' })
    sheet = sheetStep(sheet, { at: 1e6 + 1, type: 'in' })
    expect(sheetStep(sheet, { at: 2e6, type: 'close' })).to.equal(sheet)
    const closed = sheetStep(sheet, { at: 2e6, type: 'close', leftOver: 'guard cracked, new one ordered' })
    expect(sheetBody(closed, 'Grinder service', grinder)).to.deep.include({
      known: 'grinder-service',
      station: grinder.station,
      minutes: 33.3,
      leftOver: 'guard cracked, new one ordered',
    })
  })

  it('puts off again what was taken for in by mistake', () => {
    let sheet = sheetStep(off(grinder.things.slice(0, 3)), { at: 1e6, type: 'turn' })
    sheet = sheetStep(sheet, { at: 1e6 + 1, type: 'in' })
    const back = sheetStep(sheet, { at: 1e6 + 2, type: 'back' })
    expect(onBench(back)).to.have.length(3)
    expect(inHand(back)).to.equal(2)
  })
})

describe('what a strip-down leaves in the ledger', () => {
  const closedWith = (more: object, known = grinder): boolean => {
    const turned = sheetStep(off(known.things.slice(0, 1)), { at: 1e6, type: 'turn' })
    const back = sheetStep(turned, { at: 1e6 + 1, type: 'in' })
    return heldAfter(sheetStep(back, { at: 2e6, type: 'close', ...more }), known)
  }

  it('holds the machine where live parts were bare and nobody tested', () => {
    expect(grinder.opens).to.equal(true)
    expect(closedWith({ tested: true })).to.equal(false)
    expect(closedWith({ tested: false })).to.equal(true)
    expect(closedWith({})).to.equal(true)
  })

  it('holds nothing after work from outside the case', () => {
    const wand = knownStripDowns.find(({ id }) => id === 'wand-joint')!
    expect(closedWith({}, wand)).to.equal(false)
  })

  it('writes a new part as the old taken out and the new fitted, and nothing of one that went back', () => {
    const wand = knownStripDowns.find(({ id }) => id === 'wand-joint')!
    let sheet = sheetStep(off(wand.things), { at: 1e6, type: 'turn' })
    const fitted = [{ part: 'wand-pivot-ring', condition: 4, why: 'failed' as const }]
    sheet = sheetStep(sheet, { at: 1e6 + 1, type: 'in', fitted })
    sheet = sheetStep(sheet, { at: 1e6 + 2, type: 'in' })
    const written = sheetFittings(sheet)
    expect(written.map(({ kind }) => kind)).to.deep.equal(['removed', 'fitted'])
    for (const { body } of written) expect(body).to.include({ part: 'wand-pivot-ring' })
    const undone = sheetStep(sheetStep(sheet, { at: 1e6 + 3, type: 'back' }), { at: 1e6 + 4, type: 'back' })
    expect(onBench(undone)).to.have.length(wand.things.length)
    expect(sheetFittings(undone), 'taken back, nothing is fitted').to.deep.equal([])
  })
})

describe('what comes off next', () => {
  const screen = knownStripDowns.find(({ id }) => id === 'screen-by-screw')!.things
  const next = (sheet: Sheet) => comesNext(sheet, screen)?.name
  const at = 1e6

  it('is the next known one, whatever nobody listed came off between', () => {
    const between = sheetStep(off(screen.slice(0, 1)), { at, type: 'off', thing: ownThing('Jet', 'behind the screw') })
    expect(next(between)).to.equal('Shower screen')
    expect(next(off(screen.slice(0, 2)))).to.equal('Dispersion block')
    expect(next(off(screen))).to.equal(undefined)
  })

  it('passes over what stays on, which is neither on the bench nor on record', () => {
    const stays = sheetStep(off(screen.slice(0, 2)), { at, type: 'stays', name: 'Dispersion block' })
    expect(next(stays)).to.equal('Group seal')
    expect(onBench(stays)).to.have.length(2)
    let closed = sheetStep(stays, { at, type: 'turn' })
    while (onBench(closed).length > 0) closed = sheetStep(closed, { at, type: 'in' })
    closed = sheetStep(closed, { at, type: 'close' })
    expect((sheetBody(closed, 'Screen off').things as { name: string }[]).map(({ name }) => name)).to.deep.equal([
      'Screen screw',
      'Shower screen',
    ])
  })

  it('comes again where “stays on” is taken back, and before what came off earlier is', () => {
    const stays = sheetStep(off(screen.slice(0, 2)), { at, type: 'stays', name: 'Dispersion block' })
    const back = sheetStep(stays, { at, type: 'back' })
    expect(next(back)).to.equal('Dispersion block')
    expect(onBench(back)).to.have.length(2)
    expect(onBench(sheetStep(back, { at, type: 'back' }))).to.have.length(1)
    const offSince = sheetStep(stays, { at, type: 'off', thing: screen[3]! })
    expect(onBench(sheetStep(offSince, { at, type: 'back' }))).to.have.length(2)
    expect(next(sheetStep(offSince, { at, type: 'back' }))).to.equal('Group seal')
  })

  it('is nothing while things go back: what stays is said before', () => {
    const turned = sheetStep(off(screen.slice(0, 2)), { at, type: 'turn' })
    expect(sheetStep(turned, { at, type: 'stays', name: 'Dispersion block' })).to.equal(turned)
  })
})

describe('known strip-downs', () => {
  it('name parts their kinds have, and tell the work to do while all is off', () => {
    for (const { id, kinds, things, turning } of knownStripDowns) {
      expect(turning.length, id).to.be.above(0)
      const parts = kinds.flatMap((kind) => kindById(kind)!.parts.map((part) => part.id))
      for (const { parts: named = [] } of things)
        for (const part of named) expect(parts, `${id}: ${part}`).to.include(part)
      // By its name a sheet knows what is off already.
      expect(new Set(things.map(({ name }) => name)).size, id).to.equal(things.length)
    }
  })

  it('make it dead before the first screw, and where live parts are bared a test comes after', () => {
    for (const { id, opens, first, after } of knownStripDowns) {
      if (opens) expect(first.join(' '), id).to.match(/plug|isolator/i)
      expect(/electrical/i.test(after.join(' ')), id).to.equal(opens === true)
    }
  })

  it('have a drawing for everything that comes off: a frame stands only for what nobody listed', () => {
    for (const { id, things } of knownStripDowns)
      for (const { name, symbol } of things) expect(symbol, `${id}: ${name}`).to.not.equal('part')
    expect(ownThing('Wire holder', 'beside the motor').symbol).to.equal('part')
  })

  it('stand on a station their kinds have', () => {
    for (const { id, kinds, station } of knownStripDowns)
      for (const kind of kinds)
        expect(
          kindById(kind)!.stations.map((one) => one.id),
          `${id} on ${kind}`,
        ).to.include(station)
  })

  it('there is one for every kind of machine', () => {
    const covered = new Set(knownStripDowns.flatMap(({ kinds }) => kinds))
    for (const kind of kinds) expect(covered.has(kind.id), kind.id).to.equal(true)
  })

  it('are for kinds there are, each thing once, each with somewhere it sits', () => {
    for (const { kinds, things, tools, first, after } of knownStripDowns) {
      for (const kind of kinds) expect(kindById(kind), kind).to.not.equal(null)
      expect(new Set(things.map(({ name }) => name)).size).to.equal(things.length)
      for (const { where } of things) expect(where.length).to.be.above(3)
      expect([tools, first, after].every((list) => list.length > 0)).to.equal(true)
    }
  })

  it('the grinder: 1 cross-head, 3 silver and 2 black T10, ring at 3 of 6, in this order (common practice, no source)', () => {
    expect(grinder.things.map(({ name }) => name)).to.deep.equal([
      'Finger guard',
      'Hopper, gasket',
      'Black screws of the top',
      'Top of the case',
      'Upper burr plate',
      'Rubber piece',
      'Grinder, 2 plugs',
      'Spring',
      'Chute piece',
    ])
    expect(lieWords(grinder.things[1]!)).to.equal('mark: ring at 3 of 6')
    expect(lieWords({ way: 'mesh down' })).to.equal('mesh down')
    expect(lieWords({})).to.equal('')
    expect(grinder.things[1]!.fasteners.map(fastenerWords)).to.deep.equal(['silver T10'])
  })

  it('the motor group: 4 mm, 2.5 mm, 21 mm nut (common practice, no source)', () => {
    const words = knownStripDowns
      .filter(({ kinds }) => kinds.includes('sp'))
      .flatMap(({ things }) => things.flatMap(({ fasteners }) => fasteners.map(fastenerWords)))
    expect(words).to.include.members(['4 mm hex', '2.5 mm hex', '21 mm nut'])
  })
})
