/**
 * The figures that stand beside each other where a way is chosen, as the trade has them: common practice, no source,
 * or from memory. What is read off a step is held against that step elsewhere.
 */
export const figuresOf: Record<string, Record<string, string>> = {
  'detergent-backflush, full-scoop-long-soak': {
    'Water first': '5 s, once',
    Detergent: 'a full scoop',
    'Soak locked in': '2 to 5 min',
    'Detergent strokes': '5 to 7 s on, 5 s off, 10 ×',
    'Rinse strokes': '5 to 10 s on, 5 s off, 5 to 10 ×',
    Besides: 'seal scrubbed, run over half locked',
  },
  'detergent-backflush, half-scoop-short-pauses': {
    'Water first': 'none',
    Detergent: 'half a scoop',
    'Soak locked in': 'none',
    'Detergent strokes': '10 s on, 2 s off, 5 ×',
    'Rinse strokes': '5 s on, 2 s off, 5 ×',
    Besides: 'none',
  },
  'detergent-backflush, one-scoop-even-strokes': {
    'Water first': 'none',
    Detergent: 'a full scoop',
    'Soak locked in': 'none',
    'Detergent strokes': '5 to 10 s on, 5 to 10 s off, 5 ×',
    'Rinse strokes': '5 to 10 s on, 5 to 10 s off, 5 ×',
    Besides: 'group run open 5 s',
  },
  'detergent-backflush, light-dose-long-strokes': {
    'Water first': 'none',
    Detergent: '3 to 3.5 g',
    'Soak locked in': 'none',
    'Detergent strokes': '15 s on, 5 s off, 5 ×',
    'Rinse strokes': '15 s on, 5 s off, 5 ×',
    Besides: 'on until nothing brown comes',
  },
  'detergent-backflush, even-tens-swirled': {
    'Water first': 'none',
    Detergent: '4 g',
    'Soak locked in': 'none',
    'Detergent strokes': '10 s on, 10 s off, 5 ×',
    'Rinse strokes': '10 s on, 10 s off, 5 ×',
    Besides: 'swirled between strokes',
  },
  'detergent-backflush, fingernail-and-a-pause': {
    'Water first': 'none',
    Detergent: 'the tip of a teaspoon',
    'Soak locked in': 'none',
    'Detergent strokes': '4 to 5 s on, 5 s off, 5 ×, 30 s after the first',
    'Rinse strokes': '4 to 5 s on, 5 s off, 1 ×',
    Besides: 'group run open 5 to 10 s',
  },
  'detergent-backflush, short-strokes-spared-pump': {
    'Water first': 'none',
    Detergent: '3 to 5 g',
    'Soak locked in': 'none',
    'Detergent strokes': '3 to 5 s on, 5 to 10 s off, 5 ×, 30 to 40 s after the first',
    'Rinse strokes': '3 to 5 s on, 5 to 10 s off, 5 ×',
    Besides: 'stopped when the pump strains',
  },
  'water-backflush, even-strokes-in-the-shift': {
    Strokes: '5 to 10 s on, 5 to 10 s off, 5 ×',
  },
  'water-backflush, every-two-hours': {
    Strokes: '5 s on, 2 s off, 5 ×',
  },
  'water-backflush, long-lifts-at-the-end': {
    Strokes: '15 s on, 5 s off, 2 to 3 ×',
  },
  'water-backflush, five-short-strokes': {
    Strokes: '3 to 5 s on, 5 s off, 5 ×',
  },
  'wash-programme, dissolved-fifteen-and-five': {
    Detergent: 'about 1.5 g, dissolved in warm boiler water',
    'Soak locked in': '2 min',
    'Detergent strokes': '15, by the machine',
    'Rinse strokes': '5, by the machine, without portafilter; then 4 by hand against the blind basket',
  },
  'tablet-programme, one-tablet-again-if-left': {
    Detergent: '1 tablet',
    Time: 'about 5 min',
    Tank: 'full; half at least',
  },
  'tablet-programme, without-a-tablet': {
    Detergent: 'none',
    Time: 'about 5 min',
    Tank: 'full; half at least',
  },
  'group-clean, soaked-cloth': {
    Detergent: 'some, in hot water',
    'Screen off and soaked': 'no; that is the deep way',
  },
  'group-clean, screen-off-and-soaked': {
    Detergent: 'some, in hot water',
    'Screen off and soaked': '10 to 15 min',
  },
  'group-clean, cold-and-unplugged': {
    Detergent: 'none',
    'Screen off and soaked': 'no',
  },
  'oil-removal, as-it-asks': {
    Detergent: '1 tablet',
    Water: 'about 0.8 L; 2 L in a large machine',
  },
  'pod-clean, water-seven-minutes': {
    Cleaner: 'none; nothing abrasive, strong or solvent',
    Water: 'first after about 2 min',
    Time: '7 min',
  },
  'pod-head, rinse-and-steam': {
    'Bin emptied': 'after about 10 coffees',
    'Jug steamed empty': '10 to 15 s',
  },
  'pod-needle, brushed-and-picked': {
    Tools: 'soft brush, thin pick, torch',
    Never: 'a finger, or a drill',
  },
  'brew-unit, water-and-coloured-places': {
    'Washed with': 'warm water, by hand',
    Grease: 'food-grade silicone, on coloured places',
    Seals: 'two in the nozzle, looked at',
  },
  'milk-hygiene, strip-and-log': {
    Cleaner: 'milk cleaner, by its label',
    Cooler: '2 to 5 °C; above 7 °C the milk is thrown away',
  },
  'milk-hygiene, cleaner-only': {
    Cleaner: 'milk cleaner, by its label',
    Cooler: '2 to 5 °C; above 7 °C the milk is thrown away',
  },
  'motor-group, by-its-own-motor': {
    Interval: '15,000 cycles',
    Tools: 'hex 2, 2.5, 3, 4 mm; 21 mm wrench',
    Guides: 'dry, no lubricant',
    'Lower gasket': 'one drop of high-temperature food grease, PTFE tape on the thread',
  },
  'shop-service, tight-first-then-clean': {
    Order: 'leaks, unit, cleaning, descale, drinks, electrical test',
    Grease: 'guides and coloured places, thin',
    Cleaning: '1 tablet',
    Drinks: 'milk drink dry, hot water, espresso',
  },
  'parts-soak, bowl-at-closing': {
    Detergent: 'powder, stirred',
    'What goes in': 'portafilters but the one with the blind basket, baskets, screens and their screws',
    Time: '20 min',
  },
  'parts-soak, screens-weekly': {
    Detergent: '10 g per litre',
    'What goes in': 'screens, baskets, an all-metal portafilter',
    Time: '10 to 15 min',
  },
  'parts-soak, measured-litre': {
    Detergent: '10 g per litre',
    'What goes in': 'basket, an all-metal portafilter',
    Time: '15 min',
  },
  'seal-seating, seated-by-the-handle': {
    Seal: '58 mm on many prosumer groups',
    'Seated by': 'an empty portafilter, locked in firmly',
    Tried: 'again with the basket in it',
  },
  'wand-every-use, purge-then-wipe': {
    Purge: '2 s at least',
    Wipe: 'all round, the back too',
  },
  'wand-every-use, purge-before-and-after': {
    Purge: 'before, and 2 s after',
    Wipe: 'all round, the back too',
  },
  'wand-clean, hot-water-drawn-up': {
    Cleaner: 'none',
    'Drawn up': 'about 1 min, 3 times',
  },
  'wand-clean, cleaner-drawn-up': {
    Cleaner: '1 part to 16 of water, or 1 tablet by its label',
    'Drawn up': 'about 1 min, 3 times',
  },
  'wand-clean, brushed-inside': {
    Cleaner: 'none',
    Tool: 'wand brush',
    Not: 'hard in a wand with inner tube',
  },
  'wand-clean, soaked-in-place': {
    Cleaner: 'none',
    Soak: '15 min',
  },
  'wand-clean, skin-off': {
    Cleaner: 'none',
    Goes: '2, the second with fresh water',
  },
  'wand-clean, overnight': {
    Cleaner: 'none',
    Soak: 'overnight',
  },
  'steam-tip, detergent-bath': {
    Bath: '10 g detergent per litre',
    Time: '15 min',
    'Through the holes': 'blunt needle, then a finer one',
  },
  'steam-tip, detergent-bath-at-home': {
    Bath: '10 g detergent per litre',
    Time: '15 min',
    'Through the holes': 'blunt needle, then a finer one',
  },
  'steam-tip, milk-cleaner-cup': {
    Bath: 'a little milk cleaner in a cup of hot water',
    Time: '10 min, up to 30',
    'Through the holes': 'awl or hex key of 0.5 to 1 mm',
  },
  'steam-tip, cup-of-detergent': {
    Bath: 'half a scoop in a cup of warm water',
    Time: '5 min',
    'Through the holes': 'if one is shut',
  },
  'hot-water-screen, dipped-in-mild-acid': {
    Dip: 'a little clear vinegar or mild descaler',
  },
  'boiler-refresh, two-or-three-fills': {
    Fills: '2, perhaps 3',
  },
  'cam-grease, thin-film': {
    Grease: 'food-grade silicone, high-temperature',
  },
  'tray-and-body, rinsed-and-dried': {
    Stains: 'residue spray, about 1 min',
  },
  'tank-sanitised, washed-then-sanitised': {
    Agent: 'one meant for what is drunk from, by its label',
    Contact: 'as its label says; 10 min where it says nothing',
    Never: 'chlorine with acid: it gives off gas',
  },
  'descale, two-halves': {
    'Water for the dose': '1 L',
    Phases: 'group, then wand',
    Time: 'its own',
    Rinse: '2 L',
  },
  'descale, by-hand-in-portions': {
    'Water for the dose': '1 L',
    Phases: 'a cup through each outlet, 5 min rest; in turns',
    Time: '20 to 30 min of contact',
    Rinse: '2 L, through each outlet',
  },
  'descale, turn-by-turn': {
    'Water for the dose': 'tank to its mark',
    Phases: 'group about 20 s, hot water about 8 s, wand; in turns',
    Time: 'until the tank is empty',
    Rinse: 'one full tank, in the same turns',
  },
  'descale, two-phases-by-knob': {
    'Water for the dose': '1 L or more',
    Phases: 'steam about 2 min, then all about 5 min',
    Not: 'rice vinegar; white vinegar by its own ratio',
    Rinse: 'one full tank, the second phase, then the group',
  },
  'descale, led-by-its-display': {
    'Water for the dose': 'to its mark',
    'Water in all': 'about 2.5 L with the rinse',
    'Milk side': 'rinsed as well',
    Rinse: 'its own, one full tank',
  },
  'descale, window-and-lock': {
    'Water for the dose': '0.5 L',
    Phases: 'acid, then a fresh tank',
    Time: 'about 20 min, not to be interrupted',
    Afterwards: '10 min to dry',
    Rinse: 'one full tank, by the programme',
  },
  'descale, half-hour-by-two-keys': {
    'Water for the dose': 'tank to its mark',
    Phases: 'its own',
    Time: '30 min',
    'Milk side': 'the frother’s path too',
    Rinse: 'half a tank',
  },
  'passage-freed, blown-through-and-picked': {
    Order: 'blow, pick, soak, flush, close',
    Soak: 'citric 5 %, lukewarm, half an hour at most',
  },
  'grinder-calibration, three-doses-weighed': {
    Doses: '3, on record',
    Within: '0.3 to 0.8 g by kind',
    Order: 'vacuum first, then air',
  },
  'burrs-and-zero, zero-by-hand': {
    Grease: 'food-grade, on the thread only',
    Zero: 'by hand, plug out; back a quarter turn before it runs',
  },
  'doser-clean, brushed-and-weighed': {
    Cleaned: 'dry',
    Portions: '3, within 0.5 g',
  },
  'regenerate-softener, rinsed-by-the-pen': {
    Salt: '1.0, 1.5 or 2.0 kg for 8, 12 or 16 L',
    Rinse: 'about 40 min at 1 to 1.5 L a minute',
    'Done when': 'conductivity within 10 % of the feed’s',
  },
  'automatic-softener, salt-clock-drops': {
    Salt: 'tablets, a third of the tank at least',
    Outlet: 'at most 1.5 °dH',
  },
  'change-cartridge, flushed-five-litres': {
    Flush: '5 L (2 to 10)',
    Bypass: '50, 40, 30, 20 % by carbonate hardness',
    'Whatever the litres': '12 months',
  },
  'change-prefilter, flushed-until-clear': {
    Flush: '10 L and until it is clear',
    'Whatever the litres': '12 months',
  },
  'change-membrane, by-conductivity': {
    Spent: 'permeate above a tenth of the feed',
    'First permeate': 'an hour or 20 L away',
  },
  'start-of-day, run-and-season': {
    'Hot water': 'run until it is hot and clear',
    Coffee: 'one a group, thrown away',
  },
  'calibration, measured-at-coffee-flow': {
    'Flow meter': '500 ml by weight; again at 2 ml/s',
    Doses: '3 a key, within 5 % or 2 ml',
    Temperature: 'in the stream, machine warm',
  },
  'pressure-setting, bypass-outside': {
    Brewing: '9 bar (8.5 to 9.5)',
    Set: 'while it brews, from outside',
    'Safety valve': 'sealed, never adjusted',
  },
  'pressure-setting, relief-inside': {
    'Relief, vibratory pump': '9 to 12 bar dead-head',
    Set: 'off and dead; read running, shut',
    'Safety valve': 'sealed, never adjusted',
  },
  'leak-check, ten-minutes-hot': {
    Time: '10 min hot at pressure; 5 for small ones',
  },
  'set-hardness, read-set-read': {
    'Set to': 'the class above the measured water',
    Keys: 'of this model; its leaflet',
  },
  'set-temperature, read-set-read': {
    'Set to': 'a step at a time; where there are five, 88 to 96 °C, 92 as it comes',
    Keys: 'of this model; its leaflet',
  },
  'set-dose, read-set-read': {
    'Set to': 'with coffee in; three doses to be sure',
    Keys: 'of this model; its leaflet',
  },
  'set-energy, read-set-read': {
    'Set to': 'as short as the place allows',
    Keys: 'of this model; its leaflet',
  },
  'set-factory, read-set-read': {
    'Set to': 'everything written down first',
    Keys: 'of this model; its leaflet',
  },
  'electrical-test, look-then-measure': {
    Earth: '0.3 Ω at most, 0.1 Ω more for each long lead',
    Insulation: '1 MΩ at least, heaters 0.3; only as its maker allows',
    Leakage: 'protective conductor 3.5 mA at most, touch 0.5 mA',
  },
  'safety-look, looked-at-running': {
    'Vacuum breaker': 'shuts by itself as it heats, opens as it cools',
    'Safety valve': 'dry, sealed, in date; new after any weep',
  },
  'level-probe-clean, out-and-wiped': {
    Cleaned: 'fine wool or vinegar, rinsed',
    Seal: 'new, or PTFE tape, as it was',
  },
  'inlet-strainer, rinsed-backwards': {
    Rinsed: 'from inside out',
  },
  'supply-guards, tried-both': {
    Preventer: 'its relief opens and shuts; its drain free',
    'Leak stop': 'shuts when it is tried',
  },
  'group-jet, against-the-light': {
    'Cleared by': 'citric and air; never a wire, it widens',
    'Open flow': '65 to 110 ml in 10 s',
  },
  'dispersion-block, off-and-soaked': {
    Soak: '20 min in detergent',
  },
  'expansion-valve, read-at-rest': {
    'At rest': '8 to 12 bar',
    Outlet: 'drops while it heats, then dry',
  },
  'steam-seals, rings-and-seat': {
    Grease: 'food-grade silicone',
    Stem: 'looked at for grooves',
  },
  'hot-water-seal, seal-new': {
    Grease: 'food-grade silicone',
  },
  'three-way-strip, plunger-and-seat': {
    Plunger: 'free, both seals whole',
    Order: 'photographed: spring’s narrow end',
  },
  'lever-group-valves, both-valves': {
    Seals: 'new where they are flat',
    Springs: 'each its own length: photographed',
  },
  'pump-change, pump-and-hose': {
    Arrow: 'of flow, as the old one',
    Never: 'dry for more than seconds',
  },
  'flow-meter-clean, wheel-freed': {
    Wheel: 'turns at a breath',
    Magnets: 'clean of rust',
  },
  'block-rings, rings-at-every-opening': {
    Screws: 'crosswise, in two rounds',
    Rings: 'new, dry or as its maker says',
  },
  'spouts-and-container, brushed-and-dried': {
    'Washing-up liquid': 'yes, rinsed',
    Dishwasher: 'only what its leaflet lists',
  },
  'powder-mixer, washed-and-dried': {
    Dry: 'wholly, before any powder',
    'Shaft seal': 'whole, no powder behind it',
  },
  'bench-descale, open-bath-on-the-bench': {
    Strength: 'citric 5 % usual, 3 % least, lukewarm',
    Contact: '20 to 30 min a charge, then a fresh one while it still foams',
    Room: 'headspace, no lid, window open; never in a cellar',
    Gaskets: 'new at every opening',
  },
  'spindle-and-heater, with-the-group-out': {
    Spindle: 'three 2.5 mm at the top',
    Guides: 'two 3 mm; dry',
    'Shield, bushing': 'two and four 2.5 mm',
    Heater: 'one 2 mm loosened; two 2 mm behind',
  },
  'settings-sheet, photographed-and-read': {
    Read: 'counter, doses, temperatures, hardness, times',
  },
  'commissioning, water-then-heat': {
    Mains: '2 to 6 bar, reducer at 2.5 to 3',
    Drain: 'open, with an air gap',
    Earth: 'tested before use, as local rules ask',
    'First water': 'thrown away',
  },
  'commissioning, tank-then-heat': {
    Tank: 'rinsed, filled fresh; its filter in and flushed, if it has one',
    Earth: 'tested before use, as local rules ask',
    'First water': 'thrown away',
  },
  'moving, cold-and-empty': {
    Before: 'cold, pressure 0, emptied',
    Carried: 'by as many as its weight asks: see its plate',
  },
  'standstill, drained-and-open': {
    From: '3 weeks standing, or frost',
    'Back again': 'two vessel volumes flushed, filter new',
  },
  'return-from-standstill, filled-cold-then-flushed': {
    Flush: 'two vessel volumes, each outlet',
    New: 'tank filter or cartridge',
    Watched: '10 min cold, then 10 min hot',
  },
  'pod-empty, held-while-plugged-in': {
    Time: 'about 30 s',
    Before: 'storing, carrying, frost',
  },
  'pod-run-dry, run-until-air': {
    'Dry running': 'some seconds, no more',
    Before: 'storing, carrying, frost',
  },
}
