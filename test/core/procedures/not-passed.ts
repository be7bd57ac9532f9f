/**
 * What is answered when something is not as it should be, and what follows: the run ends there, goes back to a step,
 * or goes on with the machine held. None of these may ever pass. Where ways differ, each has its own.
 */
export const notPassed: Record<string, Record<string, Record<string, string>>> = {
  'detergent-backflush': {
    clear: { cloudy: 'again rinse-basket', never: 'ends' },
    gone: { left: 'again strokes' },
  },
  'wash-programme': {
    clear: { cloudy: 'again blind-again', broken: 'ends' },
  },
  'tablet-programme': {
    'tablet-gone': { left: 'again lock' },
    clear: { foam: 'again purge' },
    lamp: { asks: 'again lock', maker: 'ends' },
  },
  'group-clean': {
    shiny: { dull: 'again wipe', foam: 'again wipe-again' },
    runs: { odd: 'again out' },
    towel: { brown: 'again groove' },
  },
  'oil-removal': {
    dissolved: { left: 'again menu' },
    clear: { foam: 'again rinse' },
    lamp: { asks: 'again menu', maker: 'ends' },
  },
  'pod-clean': {
    'no-capsule': { there: 'again empty' },
  },
  'pod-needle': {
    stream: { drips: 'ends' },
  },
  'brew-unit': {
    cup: { tray: 'again home' },
  },
  'milk-hygiene': {
    clear: { foam: 'again rinse' },
    foam: { coarse: 'again strip' },
  },
  'motor-group': {
    free: { stiff: 'again lower-in' },
    drink: { leak: 'again cool' },
  },
  'shop-service': {
    'may-run-open': { no: 'ends' },
    leak: { elsewhere: 'again unplug' },
    dissolved: { left: 'again menu' },
    clear: { foam: 'again rinse' },
    lamp: { asks: 'again menu or again fresh', maker: 'ends' },
    flow: { drops: 'ends' },
    rinsed: { sour: 'again fresh', strips: 'again fresh' },
    'milk-dry': { none: 'ends', uneven: 'ends' },
    dry: { wet: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'parts-soak': {
    'all-out': { dirty: 'again soak' },
  },
  'seal-seating': {
    tight: { drops: 'again lock', never: 'ends' },
  },
  'wand-every-use': {
    bare: { skin: 'again purge' },
  },
  'wand-clean': {
    bare: { skin: 'again water', days: 'ends' },
    clear: { foam: 'again jug' },
    jet: { some: 'again tip' },
    holes: { some: 'again prick or again unplug', none: 'ends' },
  },
  'steam-tip': {
    'see-through': { shut: 'again soak' },
    jet: { some: 'again back', none: 'ends' },
  },
  'hot-water-screen': {
    flow: { weak: 'ends' },
  },
  'boiler-refresh': {
    probe: { no: 'ends' },
    second: { one: 'again off' },
    grains: { many: 'again off', 'no-flow': 'ends' },
  },
  'cam-grease': {
    zero: { some: 'again zero' },
    moves: { weeps: 'again off' },
  },
  'tank-sanitised': {
    acid: { yes: 'ends' },
    smell: { smells: 'again rinse' },
  },
  descale: {
    flow: { drops: 'ends' },
    rinsed: { sour: 'again fresh', strips: 'again fresh' },
    lamp: { asks: 'again fresh', maker: 'ends' },
    empty: { left: 'again portion or again group' },
  },
  'passage-freed': {
    neutral: { sour: 'again flush' },
    stream: { drops: 'ends', wet: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'grinder-calibration': {
    agree: { off: 'again on', scatter: 'ends' },
  },
  'burrs-and-zero': {
    agree: { off: 'again first' },
  },
  'doser-clean': {
    star: { hangs: 'ends' },
    agree: { off: 'again dose-1' },
  },
  'regenerate-softener': {
    'nothing-runs': { runs: 'again vent' },
    brine: { salty: 'again rinse' },
    soft: { hard: 'ends' },
  },
  'automatic-softener': {
    bridge: { dry: 'ends' },
  },
  'change-cartridge': {
    clear: { dusty: 'again flush' },
  },
  'change-prefilter': {
    clear: { dusty: 'again flush' },
  },
  'start-of-day': {
    pressure: { low: 'again run' },
  },
  calibration: {
    warm: { cold: 'ends' },
    agree: { set: 'again dose-1', scatter: 'ends' },
  },
  'pressure-setting': {
    set: { set: 'again brewing', inside: 'ends', cannot: 'ends' },
    right: { again: 'again off', cannot: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'leak-check': {
    'paper-dry': { spot: 'again paper', leak: 'ends' },
  },
  'set-hardness': {
    kept: { not: 'again keys' },
  },
  'set-temperature': {
    kept: { not: 'again keys' },
  },
  'set-dose': {
    kept: { not: 'again keys' },
  },
  'set-energy': {
    kept: { not: 'again keys' },
  },
  'set-factory': {
    kept: { not: 'again keys' },
  },
  'electrical-test': {
    qualified: { no: 'ends' },
    look: { damaged: 'ends' },
    passed: { no: 'ends' },
  },
  'safety-look': {
    breaker: { later: 'ends' },
    valve: { weeps: 'ends' },
    'cut-out': { tripped: 'ends', bridged: 'ends' },
  },
  'level-probe-clean': {
    zero: { some: 'again zero' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'supply-guards': {
    backflow: { fails: 'ends' },
    'leak-stop': { open: 'ends' },
  },
  'group-jet': {
    zero: { some: 'again zero' },
    round: { later: 'ends' },
    tight: { wet: 'again off', bad: 'ends' },
  },
  'dispersion-block': {
    runs: { odd: 'again back' },
  },
  'expansion-valve': {
    drops: { stream: 'ends' },
  },
  'steam-seals': {
    zero: { some: 'again zero' },
    what: { stem: 'ends' },
    tight: { wet: 'again off', bad: 'ends' },
  },
  'hot-water-seal': {
    zero: { some: 'again zero' },
    seal: { later: 'ends' },
    tight: { wet: 'again off', bad: 'ends' },
  },
  'three-way-strip': {
    zero: { some: 'again zero' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'lever-group-valves': {
    zero: { some: 'again zero' },
    tight: { wet: 'again off', bad: 'ends' },
  },
  'pump-change': {
    zero: { some: 'again zero' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'flow-meter-clean': {
    zero: { some: 'again zero' },
    whole: { later: 'ends' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'block-rings': {
    zero: { some: 'again zero' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'spouts-and-container': {
    runs: { one: 'again spouts' },
  },
  'powder-mixer': {
    seal: { later: 'ends' },
  },
  'bench-descale': {
    zero: { some: 'again zero' },
    ventilated: { no: 'ends' },
    foams: { left: 'again charge' },
    neutral: { sour: 'again flush' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  'spindle-and-heater': {
    zero: { some: 'again zero' },
    heater: { later: 'ends' },
    tight: { wet: 'again off', bad: 'ends' },
    electrical: { later: 'held', failed: 'ends' },
  },
  commissioning: {
    backflow: { missing: 'ends' },
    drain: { none: 'again drain' },
    earth: { fail: 'ends' },
  },
  moving: {
    zero: { some: 'again zero' },
  },
  standstill: {
    zero: { some: 'again zero' },
  },
  'return-from-standstill': {
    frost: { burst: 'ends' },
    stood: { later: 'ends' },
    tight: { weeps: 'ends' },
  },
  'pod-run-dry': {
    'no-capsule': { there: 'again empty' },
  },
}
