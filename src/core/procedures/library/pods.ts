import type { Procedure } from '../procedure.ts'
import type { Step } from '../step.ts'
import {
  check,
  cutOff,
  earthBack,
  electricalTest,
  figure,
  hands,
  hotTray,
  hotWater,
  pierces,
  startedByKeys,
  steam,
  wait,
} from '../step-parts.ts'

const ready = { power: 'on', heat: 'hot', tray: 'in', tank: 'in' } as const

const emptied = hands('empty', 'Head open, capsule out; empty bin and tray, back in', 45, {
  at: ['head', 'tray'],
  state: { tray: 'in' },
  caution: pierces,
  besides: [hotTray],
})

/** Whether a capsule is inside: with one nothing runs as it should. */
const noCapsule = (from: string): Step =>
  check(
    'no-capsule',
    'Look into the head',
    'Is a capsule inside?',
    [
      ['none', 'None', 'pass'],
      ['there', 'One is there', 'repeat', from, 'A capsule inside blocks the run: take it out.'],
    ],
    { at: ['head'], gate: true, caution: pierces },
  )

/** Cleaning of a pod machine, led by one button. */
export const podClean: Procedure = {
  id: 'pod-clean',
  version: 2,
  family: 'brewing',
  name: 'Cleaning programme of a pod machine',
  about: 'Water only, driven through head and outlet; no capsule inside.',
  kinds: ['pk'],
  writes: [{ entry: 'cleaned', task: 'cleaning-programme', by: ['keys', 'runs'] }],
  schools: [
    {
      id: 'water-seven-minutes',
      name: 'water only, seven minutes',
      reason: 'Nothing strong goes into a path this narrow; unlike a descale it may be stopped by its button.',
      usualFor: ['pk'],
      every: { words: 'every three months, or 300 coffees', days: 91, drinks: 300, mark: 'M' },
      figures: [
        figure('Cleaner', 'none; nothing abrasive, strong or solvent'),
        figure('Water', 'first after about 2 min'),
        figure('Time', '7 min'),
      ],
      tools: [{ name: 'Container, 1 L' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            hands('tank', 'Rinse tank and lid, fresh drinking water', 60, { at: ['tank'], state: { tank: 'in' } }),
            emptied,
            noCapsule('empty'),
            hands('lock', 'Container under it, close and lock', 15, { at: ['lock', 'head'], takes: ['vessel'] }),
            wait('heats', 'It heats', 'its lamp stands still', 30, {
              at: ['heater', 'button'],
              state: ready,
              watched: true,
            }),
            startedByKeys(
              'keys',
              'Start its cleaning programme',
              'clean',
              {
                pk: {
                  from: 'ready',
                  keys: ['the button'],
                  way: 'press',
                  times: 5,
                  withinS: 4,
                  answers: 'the lamp blinks twice and pauses',
                },
              },
              { at: ['button'], state: ready },
            ),
            wait('runs', 'It runs by itself', 'its lamp stands still', 420, {
              normal: 'Water comes only after about two minutes. Its button stops it.',
              at: ['pump', 'heater', 'needle', 'head'],
              state: ready,
              caution: hotWater,
            }),
            hands('away', 'Container away, tray emptied and back', 30, {
              at: ['tray'],
              gives: ['vessel'],
              caution: hotTray,
            }),
          ],
        },
      ],
    },
  ],
}

/** A pod machine emptied for storing or carrying. */
export const podEmpty: Procedure = {
  id: 'pod-empty',
  version: 2,
  family: 'place',
  name: 'Pod machine emptied',
  about: 'Water out of pump and heater, before it is stored, carried or stands in the cold.',
  kinds: ['pk'],
  once: true,
  writes: [],
  schools: [
    {
      id: 'held-while-plugged-in',
      name: 'emptied by its own programme',
      reason: 'What stays in a heater freezes and bursts it, or stands and smells: its own programme blows it out.',
      usualFor: ['pk'],
      figures: [figure('Time', 'about 30 s'), figure('Before', 'storing, carrying, frost')],
      tools: [{ name: 'Container' }, { name: 'Cloth' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Emptying',
          steps: [
            hands('tank', 'Tank emptied and back', 20, { at: ['tank'] }),
            { ...emptied, say: 'Capsule out, bin and tray emptied, back in' },
            hands('lock', 'Closed and locked, container under it', 15, { at: ['lock'], takes: ['vessel'] }),
            cutOff('unplug', 10, { at: ['button'] }),
            startedByKeys(
              'hold',
              'Start its emptying',
              'empty',
              {
                pk: {
                  from: 'off',
                  keys: ['the button'],
                  way: 'hold-plug',
                  seconds: 5,
                  answers: 'the lamp flickers',
                },
              },
              { at: ['button'] },
            ),
            wait('runs', 'It blows itself empty', 'it switches itself off', 30, {
              at: ['pump', 'heater', 'head'],
              state: { power: 'on' },
              watched: true,
              caution: { ...steam, say: 'Steam and hot drops from the outlet: hands away until it is off.' },
            }),
            cutOff('dry', 40, { say: 'Plug out, wipe, lid open to dry', gives: ['vessel'] }),
          ],
        },
      ],
    },
  ],
}

/** The same where no such programme is: run dry by hand. */
export const podRunDry: Procedure = {
  id: 'pod-run-dry',
  version: 1,
  family: 'place',
  name: 'Pod machine run empty by hand',
  about: 'One that has no programme for it: the tank off, cycles until nothing comes, never longer.',
  kinds: ['pl'],
  once: true,
  writes: [],
  schools: [
    {
      id: 'run-until-air',
      name: 'run until air comes',
      reason:
        'A pump that runs dry for long is spoilt, a heater with water in it bursts in the frost: seconds, then off.',
      usualFor: ['pl'],
      figures: [figure('Dry running', 'some seconds, no more', 'M'), figure('Before', 'storing, carrying, frost')],
      tools: [{ name: 'Container' }, { name: 'Cloth' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Emptying',
          steps: [
            emptied,
            noCapsule('empty'),
            hands('tank', 'Tank emptied and back, container under it', 25, { at: ['tank'], takes: ['vessel'] }),
            hands('cycle', 'One cycle without capsule: stop it when air comes', 20, {
              at: ['pump', 'heater', 'head'],
              state: ready,
              caution: steam,
              wrong: 'The pump rattles dry: off at once.',
            }),
            cutOff('off', 20, { say: 'Off, plug out, lever open to dry', gives: ['vessel'] }),
          ],
        },
      ],
    },
  ],
}

/** Head and jug of a pod machine with a whisk. */
export const podHead: Procedure = {
  id: 'pod-head',
  version: 2,
  family: 'brewing',
  name: 'Head rinsed, frother cleaned',
  about: 'A cycle without capsule, the jug steamed empty, listed parts washed.',
  kinds: ['pl'],
  writes: [{ entry: 'cleaned', task: 'head-rinse', by: ['rinse'] }],
  schools: [
    {
      id: 'rinse-and-steam',
      name: 'rinsed, then steamed empty',
      reason:
        'Ten coffees fill the bin; a cycle of water rinses the head, and ten seconds of steam through the empty jug clear its path.',
      usualFor: ['pl'],
      every: { words: 'after about 10 coffees', drinks: 10, mark: 'T' },
      figures: [figure('Bin emptied', 'after about 10 coffees'), figure('Jug steamed empty', '10 to 15 s')],
      tools: [{ name: 'Cup or vessel' }],
      materials: [],
      parts: [
        {
          id: 'head',
          name: 'Head',
          steps: [
            hands('bin', 'Capsules and waste water out', 40, {
              at: ['tray'],
              state: { tray: 'in' },
              how: 'Back in before any water runs. Bin and collection parts may go in the dishwasher where the leaflet lists them.',
              caution: pierces,
              besides: [hotTray],
            }),
            hands('rinse', 'No capsule, one long cycle into the vessel', 40, {
              at: ['head', 'needle', 'heater'],
              state: ready,
              caution: hotWater,
            }),
            hands('jug', 'Jug attached and empty, steam it 10 to 15 s', 20, {
              at: ['frother', 'steam-path'],
              where: ['frother'],
              state: ready,
              caution: { hazard: 'scald', say: 'Steam from the jug’s spout: hands and face away.' },
            }),
            hands('wash', 'Jug and whisk washed', 60, {
              where: ['frother'],
              how: 'In the dishwasher what its leaflet lists: jug, whisk, collection parts. A steel cup rack is not on it.',
              caution: {
                hazard: 'milk',
                say: 'Milk spoils within hours: jug and whisk are washed the same day.',
              },
            }),
          ],
        },
      ],
    },
  ],
}

/** The piercing needle and the passage behind it, by hand. */
export const podNeedle: Procedure = {
  id: 'pod-needle',
  version: 1,
  family: 'service',
  name: 'Piercing needle and outlet freed',
  about: 'Cold and unplugged: grounds brushed off the needle, its holes picked free, the outlet wiped.',
  kinds: ['pk', 'pl'],
  writes: [{ entry: 'cleaned', task: 'needle-clean', by: ['needle'] }],
  schools: [
    {
      id: 'brushed-and-picked',
      name: 'brushed, then picked where it is shut',
      reason:
        'Grounds sit in the holes of the needle long before chalk does: a brush and a thin pick, no force, no acid.',
      usualFor: ['pk', 'pl'],
      every: { words: 'at each service, or when it only drips', days: 182, mark: 'M' },
      figures: [figure('Tools', 'soft brush, thin pick, torch'), figure('Never', 'a finger, or a drill')],
      tools: [{ name: 'Soft brush' }, { name: 'Thin pick' }, { name: 'Torch' }, { name: 'Cut-proof glove' }],
      materials: [],
      parts: [
        {
          id: 'needle',
          name: 'Needle',
          steps: [
            cutOff('off', 20, { at: ['button'] }),
            hands('cold', 'Let it cool', 20, {
              at: ['heater', 'head'],
              state: { heat: 'cold' },
              gate: true,
              how: 'Cold to the touch at the head: half an hour after the last coffee.',
              caution: { hazard: 'scald', say: 'The head stays hot after it is off.' },
            }),
            hands('open', 'Head open, torch on the needle', 15, { at: ['head', 'needle'], caution: pierces }),
            hands('needle', 'Brush it, pick each hole free', 60, {
              at: ['needle'],
              how: 'From outside in; what is loosened falls into the bin. No drill: a widened hole changes every cup.',
              caution: pierces,
            }),
            hands('gasket', 'Wipe seat and seal of the head', 30, {
              at: ['head'],
              how: 'A seal that is torn or flat leaks beside the capsule.',
              caution: pierces,
            }),
            check(
              'seal',
              'How is the seal of the head?',
              'Torch all round it',
              [
                ['whole', 'Whole', 'pass'],
                ['new', 'Torn or flat: a new one is in', 'pass', { fits: ['head-gasket'] }],
                ['later', 'Torn or flat: no new one here', 'pass'],
              ],
              { at: ['head'], caution: pierces },
            ),
            hands('rinse', 'Plug in, warm up, two cycles without capsule', 150, {
              at: ['pump', 'heater', 'needle', 'head'],
              state: ready,
              caution: hotWater,
            }),
            check(
              'stream',
              'How does it run?',
              'The second cycle',
              [
                ['even', 'An even stream', 'pass'],
                ['drips', 'Only drops still', 'stop', 'Then it is not the needle: pump or heater, on the Fault lens.'],
              ],
              { at: ['head'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** Heater and passage of a small machine blown through and freed by hand. */
export const passageFreed: Procedure = {
  id: 'passage-freed',
  version: 1,
  family: 'service',
  name: 'Heater and its passage freed by hand',
  about: 'Where acid cannot circulate any more: hoses off, blown through, picked, soaked, tried before it is closed.',
  kinds: ['pk', 'pl', 'pd'],
  once: true,
  writes: [{ entry: 'cleaned', task: 'boiler-passage-clean', by: ['pick'] }],
  schools: [
    {
      id: 'blown-through-and-picked',
      name: 'blown through, picked, then soaked',
      reason: 'A shut passage is not opened by acid poured after it: it is opened by hand, link by link, and rinsed.',
      usualFor: ['pk', 'pl', 'pd'],
      figures: [
        figure('Order', 'blow, pick, soak, flush, close'),
        figure('Soak', 'citric 5 %, lukewarm, half an hour at most', 'M'),
      ],
      tools: [
        { name: 'Drivers for its screws' },
        { name: 'Pick, bent at the end' },
        { name: 'Piece of hose', why: 'to blow through' },
        { name: 'Camera' },
      ],
      materials: [{ name: 'Citric acid' }, { name: 'O-rings of its joints', why: 'they pop out and are lost' }],
      parts: [
        {
          id: 'open',
          name: 'Open',
          steps: [
            cutOff('off', 20, { at: ['button'] }),
            hands('cold', 'Let it cool', 20, {
              at: ['heater', 'boiler'],
              state: { heat: 'cold', pressure: 'none' },
              gate: true,
              caution: { hazard: 'scald', say: 'Heater and hoses stay hot: half an hour after it is off.' },
            }),
            hands('case', 'Case open, photo of every hose and cable tie', 300, {
              at: ['board', 'heater'],
              state: { cover: 'open' },
              puts: 'electrical',
              gate: true,
              caution: { hazard: 'mains', say: 'Prove it dead before a hand goes in.' },
              how: 'A strip-down sheet beside it: clips with two rings each.',
            }),
            hands('hoses', 'Hoses off before and after the heater', 120, {
              at: ['heater', 'boiler', 'joints', 'pump'],
              how: 'Legs of the clip bent apart, clip drawn, hose off; two rings a joint into the cup.',
            }),
            check(
              'blow',
              'Blow through the heater',
              'Through a clean piece of hose, never by mouth on the metal',
              [
                ['free', 'Air passes freely', 'pass'],
                ['slow', 'Hardly any, or none', 'pass'],
              ],
              { at: ['heater'] },
            ),
            hands('pick', 'Pick the passage free', 240, {
              at: ['heater', 'boiler', 'exit-valve', 'non-return'],
              how: 'Chalk breaks off in pellets: tap them out, never push them further in.',
              caution: { hazard: 'sharp', say: 'The pick slips: away from the other hand.' },
            }),
            hands('soak-in', 'Fill it with lukewarm citric 5 %, standing open', 60, {
              at: ['heater', 'boiler'],
              state: { path: 'acid' },
              puts: 'descaler',
              gate: true,
              caution: {
                hazard: 'acid',
                say: 'Acid off skin, eyes and stone; it foams out of an open passage.',
                how: 'Gloves and glasses; window open. Aluminium: half an hour at most, no sulfamic or mineral acid.',
              },
            }),
            {
              id: 'soak',
              say: 'Let it work',
              act: 'soak',
              what: 'Acid in the heater',
              seconds: 1500,
              mostS: 1800,
              handsS: 0,
              at: ['heater', 'boiler'],
            },
            hands('flush', 'Pour it out, flush with clear water until it is neutral', 180, {
              at: ['heater', 'boiler'],
              caution: { hazard: 'acid', say: 'Spent acid still bites: gloves on.' },
            }),
            check(
              'neutral',
              'Is the acid out?',
              'Strip in the last of the water',
              [
                ['same', 'Same colour as the tap’s', 'pass'],
                ['sour', 'Redder than the tap’s', 'repeat', 'flush', 'Acid is left: flush once more.'],
              ],
              { gate: true, clears: 'descaler', at: ['heater', 'boiler'], state: { path: 'water' } },
            ),
            hands('rings', 'Rings on, hoses on, clips in, ties as in the photos', 240, {
              at: ['heater', 'boiler', 'joints', 'pump'],
              fits: ['clip-rings'],
            }),
            earthBack('earth'),
            hands('shut', 'Case shut, nothing in the cup', 240, { at: ['board'], state: { cover: 'shut' } }),
            hands('run', 'Plug in, two cycles, nothing in the head', 120, {
              at: ['pump', 'heater', 'head'],
              state: ready,
              caution: hotWater,
            }),
            check(
              'stream',
              'How does it run?',
              'Stream, and dry paper below',
              [
                ['good', 'An even stream, paper dry', 'pass'],
                ['drops', 'Only drops', 'stop', 'Not free yet: it does not go back like this.'],
                ['wet', 'Wet below', 'stop', 'A joint leaks: open again, rings first.'],
              ],
              { at: ['heater', 'head'], caution: hotWater },
            ),
            electricalTest('electrical'),
          ],
        },
      ],
    },
  ],
}
