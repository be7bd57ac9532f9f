import { fault, look, reading, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import type { Test } from '../../../faults/fault.ts'
import { supplyAsked, supplyFault, supplySaid, supplyShows, tapsLook } from '../../shared/faults/plumbed.ts'
import { steamBoiler } from '../../shared/faults/steam-boiler.ts'
import { dvFaults } from '../domestic-three-way-valve/faults.ts'

const ofSteam = steamBoiler({
  boiler: 'steam-boiler',
  fill: 'steam-boiler',
  gauge: 'steam-boiler',
  good: { from: 1, to: 1.5 },
  cold: ['steam-element'],
  cool: ['steam-low'],
  apart: true,
})
const metered: Pick<Test, 'tools' | 'needs' | 'hazard'> = { tools: ['multimeter'], needs: ['off', 'open'], hazard: 'mains' }
const seesOf = (test: string) => dvFaults.tests.find(({ id }) => id === test)!.sees
const plumbedSees = supplyShows(seesOf)

/** Two boilers, a 3-way valve and a touch menu: cold coffee says nothing of the steam. Shares of calls from memory. */
export const ptFaults = likeBook(dvFaults, {
  kind: 'pt',
  stations: { boiler: 'brew-boiler', 'steam-knob': 'steam-valve', thermostat: 'relay', protector: 'pump' },
  where: { 'fuse-open': 'heater', 'element-open': 'heater', fuse: 'heater', element: 'heater' },
  parts: { 'group-seal': 'group-gasket', screen: 'shower-screen', heater: 'heating-element', 'block-rings': 'element-gasket', thermostat: null, 'steam-knob': 'steam-seals' },
  without: { faults: ['protector-open'], tests: ['protector', 'steam-time'] },
  complaints: { 'boiler-chalked': { slow: 7, cold: 3 }, 'thermostat-low': { cold: 9, taste: 1 }, 'fuse-open': { cold: 9 }, 'element-open': { cold: 9 } },
  procedures: { descale: null, 'detergent-backflush': 'wash-programme' },
  words: [
    ['Pump with the steam knob open, over a jug', 'Run the pump with no handle in, over a jug'],
    ['Open the steam knob over a cup with the pump running: does water come?', 'Run it with no handle in, hands away: does water come?'],
    ['Open the steam knob over a cup and run the pump until water comes: twenty seconds at a time, then a rest.', 'Run it with no handle in until water comes: twenty seconds at a time, then a rest.'],
    ['Steam knob open, run until it draws', 'Group open, run in short spells until it draws'],
    ['Detergent backflush', 'Wash programme'],
    ['Backflush with detergent by its leaflet', 'Run its wash programme'],
    ['Boiler and its pipe chalked', 'Brew boiler and its pipes chalked'],
    ['Descale; shut altogether: opened', 'On the bench: opened and descaled'],
    ['Steam knob seal worn', 'Seals of the steam valve worn'],
    ['Thermostat or sensor off', 'Brew temperature set or sensed low'],
    ['New thermostat or sensor', 'Offset set against a thermometer, else new sensor'],
    ['Thermal fuse open', 'Cut-out of the brew boiler open'],
    ['Find why; new fuse, never bridged', 'Find why it tripped; reset or new, never bridged'],
    ['Through the thermal fuse', 'Through the brew boiler’s cut-out'],
    ['Heating element open', 'Element of the brew boiler open'],
    ['Resistance of the element alone', 'Resistance of the brew boiler’s element alone'],
    ['Stick-on probe on the boiler: where does it switch off?', 'Stick-on probe on the brew boiler: does the screen agree?'],
    ['Test hose on after the boiler', 'Test hose on in place of the group’s pipe'],
    ['New boiler or element', 'New element and gasket'],
  ],
  symptoms: [...ofSteam.symptoms, symptom('not-ready', 'It never gets ready', 'never ready, heats for ever, error', 'board')],
  besides: {
    ...plumbedSees,
    'open-flow': { ...plumbedSees['open-flow'], 'jet-blocked': { low: 0.8, none: 0.1 } },
    shot: { ...plumbedSees.shot, 'jet-blocked': { slow: 0.65 } },
    grind: { ...plumbedSees.grind, 'jet-blocked': { slow: 0.65 } },
    'pump-sound': { ...plumbedSees['pump-sound'], 'jet-blocked': { strained: 0.6 } },
    lamps: { ...seesOf('lamps'), 'steam-element': { never: 0.85 } },
    'relief-return': { ...seesOf('relief-return'), 'jet-blocked': { much: 0.4 } },
  },
  faults: [
    supplyFault,
    ...ofSteam.faults,
    fault('jet-blocked', 'Group jet chalked or blocked', 'jet', 4, { slow: 9, 'no-water': 1 }, repair('Jet out, cleared or new', 20), { traits: ['chalk', 'flakes'] }),
    fault('steam-element', 'Element or cut-out of the steam boiler open', 'heater', 3, { 'weak-steam': 7, 'not-ready': 3 }, repair('Find why; element or cut-out new, never bridged', 60), { traits: ['chalk'], part: 'cut-out' }),
    fault('steam-low', 'Steam temperature set low in the menu', 'board', 4, { 'weak-steam': 10 }, repair('Set in the menu with the customer', 4, { tell: true }), { traits: ['user'] }),
  ],
  tests: [
    tapsLook,
    ...ofSteam.tests,
    look('menu', 'Read both temperatures and what is switched on in the menu', 'board', 1, { usual: 'As usual', low: 'Steam set low' }, { 'steam-low': { low: 0.95 } }),
    reading(
      'steam-element',
      'Resistance of the steam boiler’s element through its cut-out',
      'heater',
      4,
      { unit: 'Ω', good: { from: 34, to: 46 } },
      [
        ['low', 'under 30', 0],
        ['right', '30 to 52', 30],
        ['open', 'over 52, or open', 52],
      ],
      { 'steam-element': { open: 0.96 } },
      metered,
    ),
    look('jet', 'Jet out, against the light', 'jet', 8, { open: 'Open', narrow: 'Narrow or shut' }, { 'jet-blocked': { narrow: 0.94 } }, { tools: ['spanners'], needs: ['off', 'cold', 'no-pressure'], hazard: 'pressure' }),
  ],
  phone: { ...supplyAsked, ...ofSteam.phone, menu: 'What does its menu say of both temperatures?' },
  customer: { ...supplySaid, ...ofSteam.customer, 'steam-low': 'Set steam back in its menu, wait ten minutes.' },
  toStand: { hot: 15, open: 12, cold: 45, 'no-pressure': 5 },
})
