import { fault, look, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { dnFaults } from '../domestic-without-valve/faults.ts'

/** Pump latte machine: the small pump machine with an exit valve, clip joints and a jug. Shares of calls from memory. */
export const pdFaults = likeBook(dnFaults, {
  kind: 'pd',
  stations: { 'brew-valve': 'exit-valve', screen: 'group', 'steam-knob': 'steam-path', wand: 'frother', thermostat: 'fuse', tray: 'joints', relief: 'pump' },
  parts: { 'group-seal': 'portafilter-seal', screen: null, heater: null, 'block-rings': 'clip-rings', thermostat: 'thermal-fuse', 'steam-knob': null, 'brew-valve': 'boiler-passage' },
  without: { faults: ['relief-low', 'protector-open', 'screen-clogged'], tests: ['relief-return', 'protector', 'screen'] },
  procedures: { 'seal-seating': null, 'steam-tip': null, 'pressure-setting': null, 'parts-soak': 'group-clean' },
  words: [
    ['Brew valve stuck shut', 'Exit valve shut by chalk'],
    ['Brew valve does not close', 'Exit valve does not close'],
    ['Brew valve apart', 'Exit valve apart'],
    ['rubber and spring new', 'passage cleared, rings new'],
    ['Wand or its holes', 'Frother'],
    ['Holes cleared, wand soaked', 'Frother apart, soaked'],
    ['Wand: look through its holes', 'Frother apart: look through it'],
    ['Leave the wand in hot water', 'Leave the frother in hot water'],
    ['Tank valve or its hose shut', 'Spring plug of the tank or its hose shut'],
    ['wipe the screen', 'wipe the head'],
  ],
  symptoms: [symptom('jug-leaks', 'Milk or steam beside the jug', 'jug leaks, milk runs out', 'frother')],
  faults: [fault('jug-seal', 'Seal of the jug worn', 'frother', 4, { 'jug-leaks': 9, 'weak-steam': 1 }, repair('New seal', 5), { part: 'jug-seal' })],
  tests: [look('jug-rim', 'Jug running with water: look round its joint', 'frother', 1, { dry: 'Dry', hisses: 'It hisses or drips' }, { 'jug-seal': { hisses: 0.92 } }, { needs: ['hot'], hazard: 'scald' })],
  phone: { 'jug-rim': 'Does it hiss or drip where the jug is?' },
  toStand: { open: 15 },
})
