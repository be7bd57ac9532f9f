import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { kinds } from '../../../src/core/kinds/index.ts'

/** What is measured or looked at on the electrical side, by kind: its mark sits on that rail, not on the water. */
const electrical: Record<string, Record<string, string>> = {
  c2: {
    element: 'heater',
    'cut-out': 'heater',
    contactor: 'contactor',
    probe: 'level',
    capacitor: 'motor',
    socket: 'board',
  },
  lv: { element: 'heater', fuse: 'heater', thermostat: 'pressure', relay: 'relay', probe: 'level', socket: 'board' },
  pt: {
    element: 'heater',
    fuse: 'heater',
    thermostat: 'relay',
    'steam-element': 'heater',
    probe: 'level',
    menu: 'board',
  },
  dv: { fuse: 'thermostat', thermostat: 'thermostat', protector: 'protector', socket: 'board' },
  dn: { fuse: 'thermostat', thermostat: 'thermostat', protector: 'protector' },
  dg: { fuse: 'thermostat', protector: 'protector', 'hopper-seat': 'switches' },
  bt: { fuse: 'thermostat', step: 'thermostat', 'hopper-seat': 'switches' },
  sr: { 'grinder-sound': 'grinder-motor', contacts: 'contacts', drive: 'drive', switch: 'door', display: 'board' },
  st: { 'grinder-sound': 'grinder-motor', contacts: 'contacts', drive: 'drive', switch: 'door' },
  sp: {
    element: 'heater',
    relay: 'heater',
    'group-heater': 'group-heater',
    probe: 'level',
    home: 'sensors',
    drive: 'spindle',
  },
  pk: { fuse: 'fuse', button: 'button', lock: 'lock', lamp: 'board' },
  pl: { fuse: 'fuse', button: 'button', lock: 'lock' },
  pd: { fuse: 'fuse', thermostat: 'fuse', socket: 'board' },
  gr: { switch: 'switch', capacitor: 'motor', timer: 'board' },
}

/** The grinder's and the milk's own: by the beans and by the frother, wherever the machine has them. */
const grinderAndMilk: Record<string, Record<string, string>> = {
  dg: { grind: 'burrs', 'grind-dose': 'burrs', chute: 'burrs', burrs: 'burrs', hopper: 'hopper' },
  bt: { grind: 'burrs', 'grind-dose': 'burrs', chute: 'burrs', burrs: 'burrs', hopper: 'hopper' },
  sr: {
    'puck-weight': 'burrs',
    chute: 'burrs',
    burrs: 'burrs',
    hopper: 'hopper',
    foam: 'frother',
    jet: 'air-jet',
    rings: 'frother',
  },
  st: { chute: 'burrs', burrs: 'burrs', foam: 'frother', jet: 'air-jet', rings: 'frother' },
  sp: { chute: 'burrs', burrs: 'burrs', hopper: 'hopper', foam: 'frother', jet: 'air-jet', rings: 'frother' },
  gr: { burrs: 'burrs', sound: 'burrs', ring: 'thread', chute: 'chute' },
}

describe('where a test lies on the drawing', () => {
  for (const { id, lines, stations } of kinds) {
    const book = bookOf(id)!
    const rail = new Set(lines.filter(({ medium }) => medium === 'control').flatMap((line) => line.stations))

    it(`of a ${id}: electrical tests on the electrical rail`, () => {
      for (const [test, station] of Object.entries(electrical[id]!)) {
        const found = book.tests.find((one) => one.id === test)
        expect(found?.station, `${id} ${test}`).to.equal(station)
        expect(rail.has(station), `${id} ${station}`).to.equal(true)
      }
    })

    it(`of a ${id}: the grinder’s by the beans, the milk’s by the frother`, () => {
      const branches = new Set(
        lines.filter(({ medium }) => medium === 'beans' || medium === 'milk').flatMap((line) => line.stations),
      )
      for (const [test, station] of Object.entries(grinderAndMilk[id] ?? {})) {
        expect(book.tests.find((one) => one.id === test)?.station, `${id} ${test}`).to.equal(station)
        expect(branches.has(station), `${id} ${station}`).to.equal(true)
      }
    })

    it(`of a ${id}: what is opened lies where a fault it tells of lies`, () => {
      for (const { id: test, station, needs, sees } of book.tests) {
        expect(
          stations.some((one) => one.id === station),
          `${id} ${test}`,
        ).to.equal(true)
        if (!needs.includes('open')) continue
        const told = book.faults.filter((fault) => sees[fault.id]).map((fault) => fault.station)
        expect(told, `${id} ${test} at ${station}`).to.include(station)
      }
    })

    it(`of a ${id}: every fault that can be found has a test, or shows by what is seen`, () => {
      for (const { id: fault } of book.faults) {
        if (fault === 'nothing') continue
        const tests = book.tests.filter(({ sees }) => Object.keys(sees[fault] ?? {}).length > 0)
        expect(tests.length, `${id} ${fault}`).to.be.above(0)
      }
    })
  }
})
