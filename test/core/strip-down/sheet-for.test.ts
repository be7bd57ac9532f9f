import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { sheetForFault, sheetsForPart } from '../../../src/core/strip-down/sheet-for.ts'
import type { Drive } from '../../../src/core/strip-down/thing.ts'
import { knownFor, knownStripDowns } from '../../../src/core/trade/strip-downs/known.ts'

/** What a drive is turned with, as a bag has it. */
const turnedBy: Record<Exclude<Drive, 'by hand'>, RegExp> = {
  hex: /hex/,
  torx: /torx|t\d/,
  wrench: /spanner|wrench/,
  'cross-head': /cross|drivers/,
  slot: /slot|flat|screwdriver|drivers/,
  Y: /y driver/,
  lever: /lever/,
  pick: /pick/,
  clip: /plier/,
}

/** What is opened for which fault, by kind: common practice, no source. */
const opened: Record<string, Record<string, string>> = {
  c2: {
    'three-way-leaks': 'three-way-valve',
    'three-way-coil': 'three-way-valve',
    'gasket-hard': 'screen-by-screw',
    'probe-chalked': 'level-probe',
    'steam-seat': 'steam-valve',
    'tip-blocked': 'steam-tip',
    'wand-joint': 'wand-joint',
  },
  lv: {
    'seal-hard': 'screen-and-seal',
    'pump-weak': 'pump-and-relief',
    'knob-leaks': 'steam-valve',
    'probe-chalked': 'level-probe',
  },
  pt: { 'three-way-shut': 'three-way-valve', 'pump-dead': 'pump-and-relief', 'wand-blocked': 'steam-tip' },
  dv: { 'three-way-leaks': 'three-way-valve', 'screen-clogged': 'screen-by-screw', 'pump-weak': 'pump-and-relief' },
  dn: { 'seal-hard': 'screen-by-screw', 'pump-dead': 'pump-and-relief' },
  sr: {
    'nozzle-seals': 'brew-unit-and-nozzle',
    'unit-ring': 'brew-unit-and-nozzle',
    'chute-clogged': 'grinder-service',
    'pump-weak': 'pump-and-hose',
    'frother-rings': 'milk-unit',
  },
  st: { 'valve-gaskets': 'unit-and-valve', 'unit-ring': 'unit-and-valve', 'contacts-off': 'grinder-service' },
  sp: {
    'nozzle-seals': 'lower-piston-gasket',
    'unit-ring': 'upper-piston-gasket',
    'unit-dry': 'guides-shield-bushing',
    'drive-nut': 'endless-screw',
    'group-heater': 'group-heater',
    'probe-chalked': 'level-probe',
    'air-jet': 'milk-unit',
  },
  pk: { 'needle-blocked': 'pod-head-and-needle', 'head-gasket': 'pod-head-and-needle' },
  pl: { 'outlet-blocked': 'pod-head-and-needle' },
  pd: { 'boiler-chalked': 'latte-machine-opened', 'joint-leaks': 'latte-machine-opened' },
  gr: { 'burrs-worn': 'grinder-burrs', stone: 'grinder-burrs', 'thread-stiff': 'grinder-burrs' },
}

describe('the sheet for a fault', () => {
  for (const [kind, faults] of Object.entries(opened))
    it(`of a ${kind} is the one that is opened for it`, () => {
      const book = bookOf(kind)!
      for (const [fault, sheet] of Object.entries(faults)) {
        expect(
          book.faults.some(({ id }) => id === fault),
          `${kind} has ${fault}`,
        ).to.equal(true)
        expect(sheetForFault(fault, kind)?.id, `${kind} ${fault}`).to.equal(sheet)
      }
    })

  it('is one written for the kind, whatever the fault', () => {
    for (const { id } of kinds)
      for (const fault of bookOf(id)?.faults ?? []) {
        const sheet = sheetForFault(fault.id, id)
        if (sheet) expect(sheet.kinds, `${id} ${fault.id}`).to.include(id)
      }
  })

  it('is none for what is no matter of the hands', () => {
    for (const fault of ['grind-fine', 'nothing', 'tank-empty', 'no-mains', 'not-a-fault'])
      expect(sheetForFault(fault, 'c2'), fault).to.equal(null)
  })

  it('is wanted by every sheet: none is written that no fault and no part leads to', () => {
    for (const { id } of knownStripDowns) {
      const byFault = kinds.some((kind) =>
        bookOf(kind.id)?.faults.some((fault) => sheetForFault(fault.id, kind.id)?.id === id),
      )
      const byPart = kinds.some((kind) =>
        kind.parts.some((part) => sheetsForPart(part.id, kind.id).some((one) => one.id === id)),
      )
      expect(byFault || byPart, id).to.equal(true)
    }
  })
})

describe('the sheets of a part', () => {
  it('are those it comes off on, of its kind alone', () => {
    expect(sheetsForPart('level-probe', 'c2').map(({ id }) => id)).to.deep.equal(['level-probe'])
    expect(sheetsForPart('three-way-coil', 'c2').map(({ id }) => id)).to.deep.equal(['three-way-valve'])
    expect(sheetsForPart('level-probe', 'pk')).to.deep.equal([])
    for (const { id, parts } of kinds)
      for (const part of parts) for (const sheet of sheetsForPart(part.id, id)) expect(knownFor(id)).to.include(sheet)
  })

  it('name only parts that the kinds of their sheet have', () => {
    for (const { id, kinds: on, things } of knownStripDowns)
      for (const { parts = [], name } of things)
        for (const part of parts)
          expect(
            on.some((kind) => kinds.find((one) => one.id === kind)!.parts.some((one) => one.id === part)),
            `${id}: ${name}, ${part}`,
          ).to.equal(true)
  })

  it('let a new one be said on every kind the sheet is written for', () => {
    for (const { id, kinds: on, things } of knownStripDowns)
      for (const kind of on) {
        // A home machine’s tip has no clock of its own: nothing is dated by a new one.
        if (id === 'steam-tip' && kind !== 'c2') continue
        const here = new Set(kinds.find((one) => one.id === kind)!.parts.map((part) => part.id))
        const said = things.filter(({ parts = [] }) => parts.some((part) => here.has(part)))
        // The motor group’s own steam valve is one piece.
        if (id === 'steam-valve' && kind === 'sp') continue
        expect(said, `${id} on ${kind}`).to.not.have.length(0)
      }
  })

  it('date what the sheet is opened for: a seal by name on every machine with a group', () => {
    for (const [kind, part, sheet] of [
      ['c2', 'group-gasket', 'screen-by-screw'],
      ['c2', 'shower-screen', 'screen-by-screw'],
      ['dv', 'group-seal', 'screen-by-screw'],
      ['lv', 'group-gasket', 'screen-and-seal'],
      ['pt', 'screen-seal', 'screen-and-seal'],
      ['lv', 'steam-seals', 'steam-valve'],
      ['sr', 'piston-ring', 'brew-unit-and-nozzle'],
      ['sr', 'chute', 'grinder-service'],
      ['pd', 'clip-rings', 'latte-machine-opened'],
      ['c2', 'steam-tip', 'steam-tip'],
    ] as const)
      expect(
        sheetsForPart(part, kind).map(({ id }) => id),
        `${part} of ${kind}`,
      ).to.include(sheet)
  })
})

describe('a sheet’s bag of tools', () => {
  for (const { id, tools, things } of knownStripDowns)
    it(`of ${id} has a tool for every fastener, in its size`, () => {
      const bag = tools.map(({ name }) => name.toLowerCase()).join('; ')
      for (const { name, fasteners } of things)
        for (const { drive, size, count } of fasteners) {
          expect(count, name).to.be.at.least(0)
          if (drive === 'by hand') continue
          expect(bag, `${name}: ${drive}`).to.match(turnedBy[drive])
          if (size && (drive === 'hex' || drive === 'torx'))
            expect(bag, `${name}: ${size}`).to.include(size.replace(' mm', '').toLowerCase())
        }
    })

  it('is told before the first screw: off and dead where live parts are bared', () => {
    for (const { id, opens, first, after } of knownStripDowns) {
      if (!opens) continue
      expect(first.join(' '), id).to.match(/plug out|dead/i)
      expect(after.join(' '), id).to.match(/electrical safety/i)
    }
  })

  it('leads over a turning point: something is looked at, cleaned or measured while all is off', () => {
    for (const { id, turning, after, things } of knownStripDowns) {
      expect(turning.length, id).to.be.above(0)
      expect(after.length, id).to.be.above(0)
      expect(new Set(things.map(({ name }) => name)).size, id).to.equal(things.length)
    }
  })
})
