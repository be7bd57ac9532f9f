import { fault, look, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { supplyAsked, supplyFault, supplySaid, supplyShows, tapsLook } from '../../shared/faults/plumbed.ts'
import { steamBoiler } from '../../shared/faults/steam-boiler.ts'
import { dvFaults } from '../domestic-three-way-valve/faults.ts'

const oneBoiler = steamBoiler({
  boiler: 'boiler',
  fill: 'fill-valve',
  gauge: 'gauge',
  good: { from: 0.9, to: 1.2 },
  cold: ['fuse-open', 'element-open'],
  cool: ['thermostat-low'],
})
const seesOf = (test: string) => dvFaults.tests.find(({ id }) => id === test)!.sees
const plumbedSees = supplyShows(seesOf)

/** Lever-operated circulating group on one boiler with exchanger. Shares of calls from memory. */
export const lvFaults = likeBook(dvFaults, {
  kind: 'lv',
  stations: { 'three-way': 'lever', 'steam-knob': 'steam-valve', thermostat: 'pressure', protector: 'pump' },
  where: { 'fuse-open': 'heater', 'element-open': 'heater', fuse: 'heater', element: 'heater' },
  parts: { 'group-seal': 'group-gasket', screen: 'shower-screen', heater: null, 'block-rings': 'element-gasket', thermostat: 'pressure-switch', 'steam-knob': 'steam-seals', 'three-way-valve': 'lever-seals' },
  without: { faults: ['protector-open', 'three-way-shut'], tests: ['protector', 'steam-time'] },
  procedures: { descale: null },
  words: [
    ['Pump with the steam knob open, over a jug', 'Run the pump with no handle in, over a jug'],
    ['Open the steam knob over a cup with the pump running: does water come?', 'Run it with no handle in, hands away: does water come?'],
    ['Open the steam knob over a cup and run the pump until water comes: twenty seconds at a time, then a rest.', 'Run it with no handle in until water comes: twenty seconds at a time, then a rest.'],
    ['Steam knob open, run until it draws', 'Group open, run in short spells until it draws'],
    ['3-way valve leaks to the tray', 'Lower lever valve leaks to the tray'],
    ['Exhaust of the valve blocked', 'Exhaust of the lever valve blocked'],
    ['3-way valve apart', 'Lever valves out'],
    ['Valve apart, seat cleaned or new', 'Lever valve out, new seal'],
    ['else valve apart', 'else lever valves out'],
    ['Boiler and its pipe chalked', 'Exchanger chalked'],
    ['Descale; shut altogether: opened', 'On the bench: opened and descaled'],
    ['Steam knob seal worn', 'Seals of the steam valve worn'],
    ['Thermostat or sensor off', 'Pressure switch or controller set low'],
    ['New thermostat or sensor', 'Set against a gauge, else new'],
    ['Thermal fuse open', 'Cut-out of the element open'],
    ['Find why; new fuse, never bridged', 'Find why it tripped; reset or new, never bridged'],
    ['Through the thermal fuse', 'Through the cut-out'],
    ['Stick-on probe on the boiler: where does it switch off?', 'Gauge on the boiler: where does the pressure switch open?'],
    ['Brew with an empty group', 'Lift the lever with an empty group'],
    ['Press the brew key with no handle in', 'Lift the lever with no handle in'],
    ['Test hose on after the boiler', 'Test hose on in place of the group’s pipe'],
    ['New boiler or element', 'New element and gasket'],
  ],
  symptoms: [...oneBoiler.symptoms, symptom('lever-stiff', 'Lever is stiff or squeaks', 'stiff, squeaks, lever hard', 'lever')],
  besides: {
    ...plumbedSees,
    'open-flow': { ...plumbedSees['open-flow'], 'jet-blocked': { low: 0.8, none: 0.1 } },
    shot: { ...plumbedSees.shot, 'jet-blocked': { slow: 0.65 } },
    grind: { ...plumbedSees.grind, 'jet-blocked': { slow: 0.65 } },
    'pump-sound': { ...plumbedSees['pump-sound'], 'jet-blocked': { strained: 0.6 } },
    'basket-temperature': { ...seesOf('basket-temperature'), relay: { cold: 0.92 }, 'vacuum-open': { low: 0.3 } },
    'boiler-hose': { ...seesOf('boiler-hose'), 'jet-blocked': { little: 0.1 } },
    lamps: { ...seesOf('lamps'), relay: { never: 0.8 } },
    'relief-return': { ...seesOf('relief-return'), 'jet-blocked': { much: 0.4 } },
    oil: { ...seesOf('oil'), 'cam-dry': { fresh: 0.92 } },
  },
  faults: [
    supplyFault,
    ...oneBoiler.faults,
    fault('jet-blocked', 'Group jet chalked or blocked', 'jet', 4, { slow: 9, 'no-water': 1 }, repair('Jet out, cleared or new', 20), { traits: ['chalk', 'flakes'], part: 'group-jet' }),
    fault('cam-dry', 'Cam of the lever dry', 'lever', 5, { 'lever-stiff': 10 }, repair('Cam greased with food-safe grease', 20, { procedure: 'cam-grease' }), { part: 'cam' }),
  ],
  tests: [
    tapsLook,
    ...oneBoiler.tests,
    look('lever-feel', 'Lever up and down, slowly', 'lever', 0.5, { smooth: 'Smooth', stiff: 'Stiff, squeaks' }, { 'cam-dry': { stiff: 0.93 }, 'cleaning-left': { smooth: 0.92 } }, { by: 'hand' }),
    look('jet', 'Jet out, against the light', 'jet', 8, { open: 'Open', narrow: 'Narrow or shut' }, { 'jet-blocked': { narrow: 0.94 } }, { tools: ['spanners'], needs: ['off', 'cold', 'no-pressure'], hazard: 'pressure' }),
  ],
  phone: { ...supplyAsked, ...oneBoiler.phone, 'lever-feel': 'Is the lever stiff, or does it squeak?' },
  customer: { ...supplySaid, ...oneBoiler.customer, 'cam-dry': 'Nothing: after powder it eases within days. Never oil it.' },
  toStand: { hot: 15, open: 10, cold: 60, 'no-pressure': 5 },
})
