import { expect } from 'chai'
import { kindById } from '../../src/core/kinds/index.ts'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { entryKindNames } from '../../src/core/ledger/entry-kinds.ts'
import { stationOf } from '../../src/core/ledger/station-of.ts'
import { entryWords } from '../../src/ui/entry-words.ts'

const entry = (kind: string, body: Record<string, unknown>, subjectKind = 'machine'): Entry =>
  ({
    id: 'x',
    subjectKind,
    subjectId: 'm',
    kind,
    happenedAt: '2026-11-26T09:00:00Z',
    happenedOn: '2026-11-26',
    body: { v: 1, ...body },
  }) as Entry

const words: [kind: string, body: Record<string, unknown>, said: string][] = [
  ['commissioned', { kind: 'c2', partsNew: false }, 'Taken on, parts of unknown age'],
  ['taken-over', { parts: 'unknown' }, 'Taken over, ages not known: a first look is due'],
  ['taken-over', { parts: 'good' }, 'Known good: full service done'],
  ['taken-over', { parts: 'looks-right', except: ['pump-head'] }, 'Seen: all looks right, but for 1 part'],
  ['reading', { counter: 'shots', count: 184_220 }, 'Counter 184,220 shots'],
  ['reading', { counter: 'litres', count: 790 }, 'Water meter 790 L'],
  [
    'water-test',
    { point: 'raw', quantity: 'total', method: 'drops', unit: 'dH', drops: 19, perDrop: 1 },
    'Water raw, total hardness: 19 drops of 1 °dH',
  ],
  [
    'water-test',
    { point: 'softened', quantity: 'total', method: 'strip', unit: 'fH', low: 4, high: 7 },
    'Water after treatment, total hardness: strip, 4–7 °fH',
  ],
  [
    'water-test',
    { point: 'raw', quantity: 'carbonate', method: 'figure', unit: 'mmolL', value: 2.7 },
    'Water raw, carbonate hardness: 2.7 mmol/L',
  ],
  ['fitted', { part: 'group-gasket', group: 1, variant: 'silicone' }, 'Fitted: Group gasket, group 1, silicone'],
  [
    'removed',
    { part: 'steam-valve-seat', group: 1, condition: 3 },
    'Took out: Steam valve seat, left: 3 of 4, cracked',
  ],
  [
    'inspected',
    { part: 'pump-head', condition: 0, note: 'quiet' },
    'Looked at: Rotary pump head: 0 of 4, as new. quiet',
  ],
  [
    'fitted',
    { part: 'inlet-valve', warrantyUntil: '2027-11-26' },
    'Fitted: inlet-valve, under warranty until 26 Nov 2027',
  ],
  [
    'certified',
    { outcome: 'remarks', inspector: 'E. Marrow', number: 'PV 88', dueOn: '2028-11-26', note: 'Gauge hard to read' },
    'Pressure vessel inspected: passed with remarks, E. Marrow, certificate PV 88, next by 26 Nov 2028. Gauge hard to read',
  ],
  ['certified', { outcome: 'refused', inspector: 'E. Marrow' }, 'Pressure vessel inspected: refused, E. Marrow'],
  ['held', { why: 'milk', only: 'milk' }, 'Its milk not for use: milk side not clean or not cold'],
  ['held', { why: 'vessel' }, 'Not for use: pressure vessel refused by its inspector'],
  ['pictured', { photos: ['a'.repeat(64)], text: 'scale in the jet' }, 'Photo: scale in the jet'],
  [
    'pictured',
    { photos: ['a'.repeat(64), 'b'.repeat(64)], part: 'group-gasket', group: 2, internal: true },
    '2 photos, for us alone, Group gasket, group 2',
  ],
  ['pictured', { photos: ['a'.repeat(64)], of: 'x' }, 'Photo, added to an entry'],
  ['remark', { text: 'They pay late', internal: true }, 'Left open, for us alone: They pay late'],
  ['note', { text: 'They pay late', internal: true }, 'For us alone: They pay late'],
  ['inspected', { part: 'shower-screen', condition: 3 }, 'Looked at: Shower screen: 3 of 4, mostly blocked'],
  ['setting', { setting: 'counter-counts', unit: 'tens', each: 10 }, 'Its counter counts tens: one is 10 shots'],
  ['stage', { stage: 'workshop' }, 'In the workshop'],
  [
    'setting',
    {
      setting: 'part-number',
      maker: 'Varnholt',
      model: 'Duo 2',
      part: 'pump-head',
      number: '47-11',
      serialFrom: 'B1000',
    },
    'Number of pump head, Varnholt Duo 2: 47-11, from serial B1000',
  ],
  [
    'setting',
    { setting: 'warranty', partsMonths: 12, workMonths: 6 },
    'Our own warranty: parts 12 months, work 6 months',
  ],
  ['cleaned', { task: 'dispersion-block-clean', group: 2 }, 'Cleaned: Dispersion block, group 2'],
  ['checked', { task: 'electrical-test' }, 'Checked: Electrical safety test'],
  ['serviced', { task: 'full-service' }, 'Given: Full service'],
  ['greased', { task: 'no-longer-known' }, 'Greased: no longer known'],
  ['descaled', { task: 'descale', acid: 'citric', grams: 50 }, 'Descaled with citric, 50 g'],
  [
    'descaled',
    { task: 'descale', acid: 'citric', grams: 50, spent: { hardnessMgL: 12_000, litres: 1.5 } },
    'Descaled with citric, 50 g; 18 g of chalk in the spent solution',
  ],
  [
    'water-figures',
    { point: 'raw', by: 'pen', pH: 7.4, conductivityUsCm: 640 },
    'Water raw: pH 7.4, conductivity 640 µS/cm',
  ],
  [
    'water-figures',
    { point: 'softened', by: 'works', testTempC: 12, calciumMgL: 270, chlorideMgL: 24, silicaMgL: 8, ironMgL: 0.05 },
    'Water after treatment: temperature 12 °C, calcium 15.1 °dH, chloride 24 mg/L, silica 8 mg/L, iron 0.05 mg/L',
  ],
  ['setting', { setting: 'budget-factor', factor: 1.12 }, 'Counts × 1.12: what the meter showed'],
  [
    'setting',
    { setting: 'exchanger', resinL: 16, regenerates: 'itself', saltTankKg: 50 },
    'Softener with 16 L of resin, regenerates itself',
  ],
  ['setting', { setting: 'prices', saltPerKg: 0.6 }, 'Prices of water work'],
  ['setting', { setting: 'figure', figure: 'wall-over', value: 30 }, 'Wall of a flow heater over its outlet: 30 K'],
  ['setting', { setting: 'figure', figure: 'regenerate-days', value: 10 }, 'Regenerate whatever the litres: 10 days'],
  ['setting', { setting: 'figure', figure: 'exchanger.wettedCm2', value: 400 }, 'exchanger, wetted surface: 400 cm²'],
  ['salt-added', { kg: 25 }, 'Salt filled up, 25 kg'],
  ['setting', { setting: 'figure', figure: 'boiler.limitMm', value: 0.8 }, 'boiler, chalk it may carry: 0.8 mm'],
  ['setting', { setting: 'figure', figure: 'brew-stick', value: 0.2 }, 'Share that sticks in a brew path: 0.2'],
  [
    'setting',
    { setting: 'hardness-setting', classes: [{ upToDh: 7, litres: 100 }, { litres: 30 }], chosen: 2 },
    'Hardness setting 2 of 2: asks every 30 L',
  ],
  ['regenerated', { saltKg: 1.5 }, 'Softener regenerated with 1.5 kg salt'],
  ['cartridge-changed', {}, 'Cartridge changed'],
  ['membrane-changed', { note: 'new seals' }, 'Membrane changed. new seals'],
  ['prefilter-changed', {}, 'Carbon filter changed'],
  [
    'water-figures',
    { point: 'permeate', by: 'pen', conductivityUsCm: 31 },
    'Water behind the membrane: conductivity 31 µS/cm',
  ],
  [
    'measured',
    { measure: 'open-flow', group: 1, state: 'found', value: 58 },
    'Open flow, 10 s, group 1 as found: 58 ml',
  ],
  ['prompt-seen', { task: 'descale' }, 'The machine asked: descale'],
  ['removed', { part: 'basket', condition: 3, why: 'worn' }, 'Took out: Basket: 3 of 4, badly worn, worn'],
  [
    'fitted',
    { part: 'group-gasket', group: 2, variant: 'silicone', size: '8.5 mm' },
    'Fitted: Group gasket, group 2, silicone, 8.5 mm',
  ],
  ['fault-reported', { text: 'Coffee short' }, 'Fault reported: Coffee short'],
  ['repaired', { text: 'New seal' }, 'Repaired: New seal'],
  ['note', { text: 'Tray full' }, 'Tray full'],
  ['stage', { stage: 'still', note: 'holidays' }, 'Switched off: stands still. holidays'],
  ['moved', { fromSiteId: 'a', toSiteId: 'b' }, 'Moved to another site'],
  ['moved', { fromSiteId: 'a', toSiteId: 'b', loan: true }, 'Moved here on loan'],
  ['moved', { fromSiteId: 'a', toSiteId: 'a', toSoftenerId: 's' }, 'Put behind a softener'],
  ['visit', { terms: 'warranty', minutes: 45 }, 'Visit, under warranty, 45 min'],
  [
    'visit-closed',
    {
      minutes: [],
      currency: 'EUR',
      taxBp: 1900,
      lines: [
        { id: '1', of: 'part', name: 'Valve', quantityMilli: 1000, unit: 'piece', priceMinor: 4100, pays: 'customer' },
        { id: '2', of: 'part', name: 'Seat', quantityMilli: 1000, unit: 'piece', priceMinor: 1840, pays: 'contract' },
      ],
      sentences: [{ of: 'done', text: 'x' }],
      left: [{ subjectId: 'm', what: 'counter', reason: 'display is dark' }],
      isolated: [{ subjectId: 'm', how: 'plug out' }],
      signed: { how: 'signed', name: 'Bram Thistle', at: '2026-11-26T12:02:00Z' },
    },
    'Visit closed; one line charged; signed by Bram Thistle; isolated and tagged; a counter not read',
  ],
  [
    'visit-closed',
    { minutes: [], currency: 'EUR', taxBp: 0, lines: [], sentences: [], signed: { how: 'refused', at: 'x' } },
    'Visit closed; nothing charged; not signed: the customer did not want to',
  ],
  [
    'quoted',
    {
      quote: 'x',
      currency: 'EUR',
      taxBp: 1900,
      withTax: true,
      validUntil: '2026-12-26',
      items: [{ subjectId: 'x', name: 'Control board' }],
      lines: [
        { id: '1', of: 'part', name: 'Board', quantityMilli: 1000, unit: 'piece', priceMinor: 18000, pays: 'customer' },
      ],
      answer: { said: 'yes', on: '2026-11-30', name: 'Bram Thistle' },
    },
    'Quote for control board: they said yes, Bram Thistle, 30 Nov 2026',
  ],
  [
    'claimed',
    { visit: 'x', line: '1', name: 'Safety valve', step: 'sent', by: 'the maker' },
    'Warranty of safety valve: the old part went back, the maker',
  ],
  ['remark', { text: 'hose chafes' }, 'Left open: hose chafes'],
  ['remark-closed', { remark: 'x' }, 'Closed what was left open'],
  [
    'appointment',
    { step: 'agreed', on: '2026-12-09', from: '10:30', technicianId: 'x', minutes: 91, tasks: [{}, {}] },
    'Visit on 9 Dec 2026 at 10:30, agreed: 2 tasks, 91 min',
  ],
  [
    'appointment',
    { step: 'refused', on: '2026-12-09', technicianId: 'x', minutes: 30, tasks: [{}], note: 'Rather a Tuesday' },
    'Visit on 9 Dec 2026, they said no: 1 task, 30 min. Rather a Tuesday',
  ],
  [
    'appointment',
    {
      step: 'agreed',
      on: '2026-12-09',
      technicianId: 'x',
      minutes: 55,
      tasks: [],
      repair: { report: 'x', minutes: 40 },
    },
    'Visit on 9 Dec 2026, agreed: the fault, 0 tasks, 55 min',
  ],
  [
    'call',
    { end: 'ring-back', text: 'Nothing comes', caller: 'The new one', phone: '0555 0199' },
    'Call, The new one, 0555 0199: Nothing comes. To be rung back',
  ],
  ['call', { end: 'done', answers: 'x' }, 'Rung back: Nothing more to do'],
  ['day-order', { on: '2026-12-09', technicianId: 'x', siteIds: ['a', 'b'] }, 'Order of 9 Dec 2026 set, 2 stops'],
  [
    'setting',
    {
      setting: 'visit-hours',
      weekdays: [1, 2, 3, 4],
      hours: [
        { from: '07:00', to: '11:30' },
        { from: '14:00', to: '17:00' },
      ],
      note: 'Lunch is theirs',
    },
    'We may come Mon, Tue, Wed, Thu, 07:00 to 11:30, 14:00 to 17:00. Lunch is theirs',
  ],
  ['setting', { setting: 'visit-hours', weekdays: [1, 2, 3, 4, 5, 6, 7], hours: [] }, 'We may come any day, any hour'],
  [
    'setting',
    { setting: 'absence', technicianId: 'x', from: '2026-12-21', to: '2026-12-24', name: 'leave' },
    'Away 21 Dec 2026 to 24 Dec 2026, leave',
  ],
  ['setting', { setting: 'road', toId: 'x', toName: 'Ropewalk', minutes: 18 }, 'Road to Ropewalk: 18 min'],
  ['setting', { setting: 'road', toId: 'x', toName: 'Ropewalk' }, 'Road to Ropewalk: as it is reckoned'],
  ['setting', { setting: 'planning', stop: 20 }, 'What visits are planned by'],
  [
    'setting',
    { setting: 'waits', task: 'gasket@1', taskName: 'Gasket, group 1', for: 'part', until: '2026-12-03' },
    'Gasket, group 1 waits for a part until 3 Dec 2026',
  ],
  [
    'setting',
    { setting: 'waits', task: 'descale', for: 'yes', note: 'The bursar' },
    'descale waits for their yes. The bursar',
  ],
  ['setting', { setting: 'waits', task: 'descale', taskName: 'Descale' }, 'Descale waits no longer'],
  [
    'setting',
    { setting: 'contract', everyMonths: 3, firstOn: '2026-12-15', within: 14 },
    'Contract visit every 3 months from 15 Dec 2026, 14 days before or after',
  ],
  [
    'setting',
    { setting: 'rates', currency: 'EUR', labourPerHourMinor: 6300, perKmMinor: 50, callOutMinor: 8500, taxBp: 1900 },
    'Rates: work 63.00 EUR an hour, 0.50 EUR a kilometre, the call 85.00 EUR, tax 19 %',
  ],
  [
    'setting',
    {
      setting: 'covers',
      name: 'of 2024',
      until: '2026-12-31',
      partsUpToMinor: 2500,
      labour: true,
      travel: false,
      used: true,
    },
    'Contract of 2024 pays for work, parts up to a price each, what is used up until 31 Dec 2026',
  ],
  ['setting', { setting: 'covers' }, 'No contract pays any more'],
  [
    'setting',
    { setting: 'tax-told', withTax: false, taxNumber: 'QG 12', exempt: 'small firm' },
    'Prices told before tax, tax number QG 12, without tax: small firm',
  ],
  [
    'setting',
    { setting: 'letterhead', phone: '0555 0142', email: 'hello@quillgate.example' },
    'Letterhead: 0555 0142, hello@quillgate.example',
  ],
  ['setting', { setting: 'letterhead' }, 'Letterhead: nothing'],
  [
    'setting',
    {
      setting: 'invoicing',
      name: 'Quillgate & Daughter Ltd',
      town: 'Quillgate',
      iban: 'DE75512108001245126199',
      dueDays: 14,
    },
    'Invoices: Quillgate & Daughter Ltd, Quillgate, paid to DE75512108001245126199, within 14 days',
  ],
  ['setting', { setting: 'invoicing' }, 'Invoices: nothing said'],
  ['care-done', { what: 'Tank washed', everyDays: 7 }, 'Done between visits: Tank washed'],
  ['reading', { counter: 'litres', count: 12 }, 'Water meter 12 L'],
  ['setting', { setting: 'site-word', word: '4711' }, 'Four-figure word of the place set'],
  ['setting', { setting: 'site-word' }, 'No four-figure word of the place any more'],
  ['setting', { setting: 'contract', note: 'They went elsewhere' }, 'No contract visits any more. They went elsewhere'],
  ['calibrated', { dueOn: '2027-05-01' }, 'Calibrated, good until 1 May 2027'],
  ['setting', { setting: 'groups', count: 3 }, '3 groups'],
  ['withdrawn', { reason: 'other machine' }, 'Withdrawn: other machine'],
  ['setting', { setting: 'opening', openWeekdays: [1, 2, 6] }, 'Open Mon, Tue, Sat'],
  [
    'setting',
    { setting: 'closure', from: '2026-12-24', to: '2027-01-02', name: 'Christmas' },
    'Closed 24 Dec 2026 to 2 Jan 2027, Christmas',
  ],
  ['setting', { setting: 'policy', policy: 'longLife' }, 'How early: long life'],
  [
    'setting',
    { setting: 'busy-months', months: [1, 1, 1, 1, 1, 1, 1.5, 1.5, 1, 1, 1, 0.8] },
    'Busy months: Jul ×1.5, Aug ×1.5, Dec ×0.8',
  ],
  ['setting', { setting: 'way', procedure: 'wand-clean', way: 'overnight' }, 'Wand clean: overnight'],
  [
    'setting',
    {
      setting: 'way',
      procedure: 'parts-soak',
      way: 'screens-weekly',
      name: 'screens, weekly',
      rhythm: { tasks: ['screen-soak'], words: 'weekly in a bar', days: 7 },
    },
    'Parts soak: screens, weekly, weekly in a bar',
  ],
  ['setting', { setting: 'part-price', kind: 'sr', part: 'piston-ring', price: 4.5 }, 'Price of piston ring: 4.5'],
  [
    'setting',
    {
      setting: 'causes',
      kind: 'sr',
      counts: [
        { fault: 'unit-ring', n: 3 },
        { fault: 'airlock', n: 1 },
      ],
    },
    'Confirmed causes adopted: 4 repairs',
  ],
  [
    'run',
    {
      procedure: 'detergent-backflush',
      way: 'one-scoop-even-strokes',
      minutes: 9.4,
      ended: 'done',
      steps: [{ how: 'done' }, { how: 'skipped' }],
    },
    'Run, done: detergent backflush, one scoop even strokes, 9.4 min, 1 skipped',
  ],
  [
    'run',
    {
      procedure: 'dispersion-block',
      name: 'Dispersion block out and cleaned',
      way: 'off-and-soaked',
      minutes: 27,
      ended: 'done',
      steps: [{ how: 'done', group: 2 }, { how: 'done' }, { how: 'done', group: 2 }],
    },
    'Run, done: dispersion block out and cleaned, off and soaked, group 2, 27 min',
  ],
  [
    'run',
    {
      procedure: 'water-backflush',
      way: 'every-two-hours',
      minutes: 8,
      ended: 'left',
      why: 'called away',
      steps: [
        { how: 'done', group: 2 },
        { how: 'done', group: 1 },
      ],
    },
    'Run, left: water backflush, every two hours, group 1 and 2, 8 min; called away',
  ],
  ['held', { why: 'descaler' }, 'Not for use: acid in it'],
  ['held', { why: 'detergent', group: 2 }, 'Not for use: detergent in it, group 2'],
  ['released', { held: 'x' }, 'For use again'],
  [
    'strip-down',
    {
      title: 'Grinder service',
      things: [{ name: 'Finger guard' }, { name: 'Hopper', inS: 9, photos: ['a', 'b'] }],
      leftOver: 'cracked',
    },
    'Stripped down: Grinder service, 2 things off, left over: finger guard (cracked), 2 photos',
  ],
  ['setting', { setting: 'life', task: 'group-gasket', clock: 'months', value: 9 }, 'Group gasket: 9 months'],
  [
    'setting',
    { setting: 'life', task: 'vacuum-breaker', clock: 'heatUps', value: 900 },
    'Vacuum breaker: 900 heat-ups',
  ],
  ['setting', { setting: 'policy', policy: 'cautious', task: 'basket' }, 'How early, basket: cautious'],
  ['setting', { setting: 'option', option: 'supply', fitted: false }, 'Supply set looked after by us: has it not'],
  [
    'setting',
    { setting: 'along-count', clock: 'openings', perDrink: 1.2, perOpenDay: 3 },
    'Openings: 1.2 a drink, 3 openings an open day besides',
  ],
  ['compared', { entries: ['a', 'b'], counts: 'a' }, 'Compared what two lines say: one counts'],
  ['compared', { entries: ['a', 'b', 'c'] }, 'Compared what 3 lines say: all of them stand'],
  [
    'own-procedure',
    { procedure: { name: 'Backflush as we do it', version: 2 }, inUse: false },
    'Our own procedure: Backflush as we do it, version 2, out of use',
  ],
  ['tested-out', { passed: true }, 'Tested out: all right'],
  [
    'tested-out',
    { passed: true, looks: ['complaint', 'dry'], electrical: { earthOhm: 0.12, insulationMOhm: 40 } },
    'Tested out: all right; earth 0.12 Ω, insulation 40 MΩ',
  ],
  ['tested-out', { passed: false, reason: 'no tester' }, 'Closed without a passed test-out: no tester'],
  ['test-seen', { test: 'open-flow', outcome: 'low', value: 42 }, 'Tested. Open flow: low, 42'],
  [
    'test-seen',
    { test: 'open-flow', outcome: 'low', times: { n: 3, of: 10 } },
    'Tested. Open flow: low, 3 of 10 times',
  ],
  ['test-seen', { test: 'ask-often', outcome: 'sometimes', said: true }, 'Told. Ask often: sometimes'],
  ['own-kind', { kind: { name: 'our pod machine' } }, 'Our own kind: our pod machine'],
  ['setting', { setting: 'kind-as', kind: 'pk', own: 'our-pk' }, 'pod machine, locking head: our own version'],
  ['setting', { setting: 'kind-as', kind: 'pk', own: 'pk' }, 'pod machine, locking head: as it ships'],
  ['setting', { setting: 'detergent', everyDrinks: 40 }, 'Cleaned with detergent every 40 drinks'],
  ['setting', { setting: 'detergent', perOpenDay: 2 }, 'Cleaned with detergent 2 times an open day'],
  [
    'setting',
    { setting: 'hot-hours', perOpenDay: 10, perClosedDay: 0 },
    'Hot 10 h on an open day, 0 h on a closed one',
  ],
  ['setting', { setting: 'life', task: 'descale', clock: 'litres', value: 200 }, 'descale: 200 L'],
  ['setting', { setting: 'group-share', shares: [0.6, 0.4] }, 'Shares of the groups: 0.6 / 0.4'],
  ['setting', { setting: 'budget', mlPerDrink: 120, litresPerOpenDay: 2 }, 'Water: 120 ml a drink and 2 L an open day'],
  ['setting', { setting: 'exchanger', resinL: 12 }, 'Softener with 12 L of resin'],
  ['setting', { setting: 'cartridge', capacityG: 500, bypass: 0.3 }, 'Cartridge of 500 g at 30 % bypass'],
  ['setting', { setting: 'membrane', rawShare: 0.25 }, 'Membrane with 25 % of raw water mixed in'],
  [
    'setting',
    { setting: 'prefilter', fitted: true, catalytic: true, litres: 9000 },
    'Carbon filter before it, catalytic, 9,000 L',
  ],
  ['setting', { setting: 'prefilter', fitted: false }, 'No carbon filter before it'],
  ['setting', { setting: 'descale-prompt', litres: 60 }, 'The machine asks for a descale every 60 L'],
]

describe('entries in words', () => {
  for (const [kind, body, said] of words)
    it(said, () => expect(entryWords(entry(kind, body), kindById('c2'))).to.equal(said))

  it('leave no kind without words', () => {
    expect(new Set(words.map(([kind]) => kind))).to.deep.equal(new Set(entryKindNames))
  })

  it('find the station an entry touched', () => {
    expect(stationOf(entry('fitted', { part: 'three-way-valve', group: 1 }), kindById('c2'))).to.equal('three-way')
    expect(stationOf(entry('cleaned', { task: 'hot-water-screen' }), kindById('c2'))).to.equal('hot-water')
    expect(stationOf(entry('descaled', { task: 'descale' }), kindById('sr'))).to.equal('thermoblock')
    expect(stationOf(entry('regenerated', {}, 'softener'), kindById('c2'))).to.equal('softener')
    expect(stationOf(entry('note', { text: 'x' }), kindById('c2'))).to.equal(null)
    expect(stationOf(entry('fitted', { part: 'nonsense' }), kindById('c2'))).to.equal(null)
    expect(stationOf(entry('fitted', { part: 'needle' }), null)).to.equal(null)
  })
})
