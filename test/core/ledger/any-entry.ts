import fc from 'fast-check'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { entryKindNames, entryKindOf } from '../../../src/core/ledger/entry-kinds.ts'
import { stages } from '../../../src/core/ledger/stage.ts'
import { fromDay } from '../../../src/core/quantity/local-day.ts'
import { procedureById } from '../../../src/core/trade/procedures/index.ts'
import { alongClocks } from '../../../src/core/wear/limits.ts'
import { asKept } from './told.ts'

/** A day of the two years that histories under test span. */
export const day = fc.integer({ min: 20_000, max: 20_783 }).map(fromDay)
export const uuid = fc.uuid({ version: 7 })
const group = fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined })
const slug = fc.constantFrom(
  ...kinds.flatMap((kind) => [...kind.parts.map((part) => part.id), ...kind.tasks.map((task) => task.id)]),
  'unheard-of',
)
/** A number with a fraction; what is nearer to nothing than any figure of the trade is nothing, and is refused. */
const fraction = (max: number) => fc.double({ min: 0, max, noNaN: true }).map((value) => (value < 1e-9 ? 0 : value))
const amount = fc.oneof(fc.nat({ max: 500_000 }), fraction(1000))

const chargeLine = fc.record({
  id: fc.uuid(),
  of: fc.constantFrom('part', 'labour', 'other'),
  name: fc.constantFrom('Group gasket', 'At the machines'),
  quantityMilli: fc.nat({ max: 100_000 }),
  unit: fc.constantFrom('piece', 'min'),
  priceMinor: fc.option(fc.nat({ max: 100_000 })),
  pays: fc.constantFrom('contract', 'customer', 'nobody'),
})

/** A body that its schema should take, by kind. */
export const bodies: Record<string, fc.Arbitrary<Record<string, unknown>>> = {
  commissioned: fc.record({
    kind: fc.constantFrom('c2', 'sr', 'pk', 'exchanger', 'cartridge', 'membrane', 'carbon', 'other'),
    kindVersion: fc.constant(1),
    partsNew: fc.boolean(),
  }),
  'taken-over': fc.record({
    parts: fc.constantFrom('unknown', 'looks-right', 'good'),
    except: fc.array(slug, { maxLength: 4 }),
  }),
  'care-done': fc.record({
    what: fc.constantFrom('Tank washed', 'Hopper emptied'),
    everyDays: fc.integer({ min: 1, max: 60 }),
  }),
  reading: fc.record({
    counter: fc.constantFrom('shots', 'litres'),
    count: fc.nat({ max: 1_000_000 }),
    by: fc.option(fc.constant('customer' as const), { nil: undefined }),
  }),
  'water-test': fc.record({
    point: fc.constantFrom('raw', 'softened'),
    quantity: fc.constantFrom('total', 'carbonate'),
    method: fc.constant('drops'),
    unit: fc.constantFrom('dH', 'fH', 'gpg'),
    drops: fc.nat({ max: 60 }),
    perDrop: fc.constantFrom(0.5, 1),
  }),
  'water-figures': fc.record({
    point: fc.constantFrom('raw', 'softened', 'permeate'),
    by: fc.constantFrom('pen', 'works'),
    pH: fraction(14),
    conductivityUsCm: fc.nat({ max: 5000 }),
    calciumMgL: fc.nat({ max: 500 }),
  }),
  fitted: fc.record({ part: slug, group }),
  removed: fc.record({ part: slug, group, condition: fc.integer({ min: 0, max: 4 }) }),
  inspected: fc.record({ part: slug, group, condition: fc.integer({ min: 0, max: 4 }) }),
  cleaned: fc.record({ task: slug, group }),
  greased: fc.record({ task: slug }),
  checked: fc.record({ task: slug }),
  serviced: fc.record({ task: slug }),
  descaled: fc.record({
    task: fc.constant('descale'),
    spent: fc.option(fc.record({ hardnessMgL: fc.nat({ max: 50_000 }), litres: fc.constantFrom(0.5, 2) }), {
      nil: undefined,
    }),
  }),
  'salt-added': fc.record({ kg: fc.integer({ min: 1, max: 25 }) }),
  regenerated: fc.record({ saltKg: fraction(20) }),
  'cartridge-changed': fc.record({ capacityG: fc.integer({ min: 1, max: 2000 }) }),
  'membrane-changed': fc.record({}),
  'prefilter-changed': fc.record({}),
  'own-kind': fc.record({ kind: fc.constant({ ...kindById('pk')!, id: 'our-pk', basedOn: 'pk' }) }),
  compared: fc
    .tuple(fc.uniqueArray(uuid, { minLength: 2, maxLength: 4 }), fc.option(fc.nat({ max: 1 }), { nil: undefined }))
    .map(([entries, counts]) => ({ entries, ...(counts !== undefined && { counts: entries[counts]! }) })),
  'own-procedure': fc.record({
    procedure: fc.constant({ ...procedureById('wand-clean')!, id: 'our-wand-clean', basedOn: 'wand-clean' }),
    inUse: fc.boolean(),
  }),
  'tested-out': fc.record({
    passed: fc.boolean(),
    reason: fc.constant('no tester at hand'),
    looks: fc.constant(['complaint', 'dry']),
    electrical: fc.record({
      earthOhm: fraction(2),
      insulationMOhm: fc.nat({ max: 500 }),
    }),
  }),
  'test-seen': fc.record(
    {
      test: slug,
      outcome: slug,
      value: amount,
      times: fc.record({ n: fc.nat(9).map((n) => n + 1), of: fc.constant(20) }),
    },
    { requiredKeys: ['test', 'outcome'] },
  ),
  measured: fc.record({ measure: slug, state: fc.constantFrom('found', 'left'), value: amount }),
  run: fc.record({
    procedure: slug,
    version: fc.constant(1),
    way: slug,
    minutes: fc.nat({ max: 300 }),
    ended: fc.constantFrom('done', 'stopped', 'left'),
    steps: fc.array(
      fc.record({
        step: fc.constant('group.strokes'),
        group,
        how: fc.constantFrom('done', 'skipped', 'again', 'taken back', 'stopped'),
        atS: fc.nat({ max: 9000 }),
      }),
      { maxLength: 5 },
    ),
  }),
  'strip-down': fc.record({
    title: fc.constant('Grinder service'),
    minutes: fc.nat({ max: 300 }),
    things: fc.array(
      fc.record({
        name: fc.constant('Finger guard'),
        fasteners: fc.constant([{ drive: 'torx', size: 'T10', count: 3 }]),
        offS: fc.nat({ max: 9000 }),
        inS: fc.option(fc.nat({ max: 9000 }), { nil: undefined }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  }),
  certified: fc.record({
    outcome: fc.constantFrom('passed', 'remarks', 'refused'),
    inspector: fc.string({ minLength: 1, maxLength: 50 }),
    dueOn: day,
  }),
  held: fc.record({ why: fc.constantFrom('detergent', 'milk-cleaner', 'descaler'), group }),
  released: fc.record({ held: uuid }),
  'prompt-seen': fc.record({ task: fc.constantFrom('descale', 'clean') }),
  'fault-reported': fc.record({ text: fc.string({ minLength: 1, maxLength: 50 }) }),
  repaired: fc.record({ text: fc.string({ minLength: 1, maxLength: 50 }) }),
  pictured: fc.record({
    photos: fc.array(fc.constantFrom('a'.repeat(64), '0'.repeat(64)), { minLength: 1, maxLength: 3 }),
    part: slug,
  }),
  note: fc.record({ text: fc.string({ minLength: 1, maxLength: 50 }) }),
  stage: fc.record({ stage: fc.constantFrom(...stages) }),
  moved: fc.record({ fromSiteId: uuid, toSiteId: uuid, toSoftenerId: fc.option(uuid, { nil: undefined }) }),
  visit: fc.record({ technicianIds: fc.array(uuid, { minLength: 1, maxLength: 3 }), minutes: fc.nat({ max: 600 }) }),
  'visit-closed': fc.record({
    minutes: fc.array(fc.record({ subjectId: uuid, minutes: fc.nat({ max: 400 }) }), { maxLength: 3 }),
    roadMinutes: fc.option(fc.nat({ max: 200 }), { nil: undefined }),
    left: fc.array(
      fc.record({ subjectId: uuid, what: fc.constant('counter'), reason: fc.constant('display is dark') }),
      {
        maxLength: 2,
      },
    ),
    currency: fc.constantFrom('EUR', 'JPY'),
    taxBp: fc.nat({ max: 2500 }),
    reportByMail: fc.option(fc.boolean(), { nil: undefined }),
    lines: fc.array(chargeLine, { maxLength: 4 }),
    sentences: fc.constant([{ of: 'done', text: 'I was shown what was done here today.' }]),
    signed: fc.constantFrom(
      { how: 'nobody', at: '2026-11-26T12:02:00Z' },
      {
        how: 'signed',
        name: 'Bram Thistle',
        at: '2026-11-26T12:02:00Z',
        strokes: [[10, 10, 60, 30, 120, 12, 180, 40]],
      },
    ),
  }),
  quoted: fc.record(
    {
      quote: uuid,
      currency: fc.constantFrom('EUR', 'JPY'),
      taxBp: fc.nat({ max: 2500 }),
      validUntil: day,
      items: fc.array(
        fc.record({
          subjectId: uuid,
          name: fc.constantFrom('Control board', 'Vibratory pump'),
          waits: fc.array(
            fc.record({ by: day, chanceMilli: fc.nat({ max: 1000 }), addsMinor: fc.nat({ max: 20_000 }) }),
            { maxLength: 2 },
          ),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      callMinor: fc.nat({ max: 20_000 }),
      lines: fc.array(chargeLine, { maxLength: 4 }),
      answer: fc.record({ said: fc.constantFrom('yes', 'no', 'withdrawn'), on: day }),
    },
    { requiredKeys: ['quote', 'currency', 'taxBp', 'validUntil', 'items', 'lines'] },
  ),
  claimed: fc.record(
    {
      visit: uuid,
      line: fc.constant('part 1'),
      name: fc.constantFrom('Safety valve', 'Control board'),
      step: fc.constantFrom('kept', 'sent', 'refused', 'dropped'),
      by: fc.constant('the maker'),
    },
    { requiredKeys: ['visit', 'line', 'name', 'step'] },
  ),
  remark: fc.record({ text: fc.string({ minLength: 1, maxLength: 50 }) }),
  'remark-closed': fc.record({ remark: uuid }),
  call: fc.record(
    {
      text: fc.constant('It growls and then nothing comes'),
      caller: fc.constant('the new one at the bar'),
      phone: fc.constant('0555 0199'),
      end: fc.constantFrom('visit', 'solved', 'ring-back', 'done'),
      report: uuid,
    },
    { requiredKeys: ['end'] },
  ),
  appointment: fc.record({
    step: fc.constantFrom('proposed', 'asked', 'agreed', 'refused'),
    on: day,
    technicianId: uuid,
    minutes: fc.nat({ max: 600 }),
    tasks: fc.array(fc.record({ subjectId: uuid, key: slug }), { maxLength: 4 }),
  }),
  'day-order': fc.record({ on: day, technicianId: uuid, siteIds: fc.array(uuid, { maxLength: 5 }) }),
  calibrated: fc.record({ dueOn: day }),
  withdrawn: fc.record({}),
  setting: fc.oneof(
    fc.record({ setting: fc.constant('policy'), policy: fc.constantFrom('cautious', 'usual', 'longLife') }),
    fc.record({
      setting: fc.constant('opening'),
      openWeekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
    }),
    fc.record({
      setting: fc.constant('life'),
      task: slug,
      clock: fc.constantFrom('shots', 'litres', 'months', 'detergentCycles'),
      value: fc.integer({ min: 1, max: 100_000 }),
    }),
    fc.record({
      setting: fc.constant('budget'),
      mlPerDrink: fc.integer({ min: 1, max: 500 }),
      litresPerOpenDay: fc.integer({ min: 0, max: 50 }),
    }),
    fc.record({
      setting: fc.constant('exchanger'),
      resinL: fc.integer({ min: 1, max: 40 }),
      regenerates: fc.constantFrom('hand', 'itself'),
      saltGPerL: fc.integer({ min: 40, max: 300 }),
    }),
    fc.constantFrom(
      { setting: 'figure', figure: 'brew-stick', value: 0.5 },
      { setting: 'figure', figure: 'residual', value: 0 },
      { setting: 'figure', figure: 'calcium-share', value: 0 },
      { setting: 'figure', figure: 'boiler.waterL', value: 2 },
      { setting: 'figure', figure: 'thermoblock.limitMm', value: 0.05 },
    ),
    fc.record({
      setting: fc.constant('busy-months'),
      months: fc.array(fc.constantFrom(0.1, 0.8, 1, 1.7, 10), { minLength: 12, maxLength: 12 }),
    }),
    fc.record({ setting: fc.constant('way'), procedure: slug, way: slug }),
    fc.record({ setting: fc.constant('budget-factor'), factor: fc.constantFrom(0.2, 1.1, 5) }),
    fc.record({
      setting: fc.constant('hardness-setting'),
      classes: fc.constant([{ upToDh: 7, litres: 100 }, { litres: 30 }]),
      chosen: fc.integer({ min: 1, max: 2 }),
    }),
    fc.record({
      setting: fc.constant('cartridge'),
      capacityG: fc.integer({ min: 1, max: 2000 }),
      bypass: fc.constantFrom(0, 0.3, 0.6),
    }),
    fc.record({
      setting: fc.constant('membrane'),
      rawShare: fc.constantFrom(0, 0.25, 0.9),
      dosed: fc.option(fc.constant({ calciumMgL: 60, magnesiumMgL: 0, bicarbonateMgL: 50 }), { nil: undefined }),
    }),
    fc.record({ setting: fc.constant('prefilter'), fitted: fc.boolean(), litres: fc.integer({ min: 1, max: 20_000 }) }),
    fc.record({
      setting: fc.constant('kind-as'),
      kind: fc.constant('pk'),
      own: fc.constantFrom('our-pk', 'pk', 'none'),
    }),
    fc.record({
      setting: fc.constant('option'),
      option: fc.constantFrom('milk', 'supply', 'three-way'),
      fitted: fc.boolean(),
    }),
    fc.record({
      setting: fc.constant('hot-hours'),
      perOpenDay: fc.nat({ max: 24 }),
      perClosedDay: fc.nat({ max: 24 }),
    }),
    fc.record({
      setting: fc.constant('along-count'),
      clock: fc.constantFrom(...alongClocks),
      perDrink: fc.nat({ max: 50 }),
      perOpenDay: fc.nat({ max: 500 }),
    }),
    fc.constantFrom({ setting: 'detergent', perOpenDay: 0 }, { setting: 'detergent', everyDrinks: 40 }),
    fc.record({
      setting: fc.constant('counter-counts'),
      unit: fc.constant('portions'),
      each: fc.constantFrom(0.018, 1, 10),
    }),
    fc.record({
      setting: fc.constant('part-number'),
      model: fc.constant('Duo 2'),
      part: slug,
      number: fc.string({ minLength: 1, maxLength: 20 }),
    }),
    fc.record({ setting: fc.constant('warranty'), partsMonths: fc.nat({ max: 24 }), workMonths: fc.nat({ max: 12 }) }),
    fc.record({
      setting: fc.constant('visit-hours'),
      weekdays: fc.subarray([1, 2, 3, 4, 5, 6, 7]),
      hours: fc.constantFrom(
        [],
        [{ from: '06:30', to: '10:00' }],
        [
          { from: '07:00', to: '11:30' },
          { from: '14:00', to: '17:00' },
        ],
      ),
    }),
    fc.record({ setting: fc.constant('absence'), technicianId: uuid, from: day, to: fc.constant('2100-01-01') }),
    fc.record({
      setting: fc.constant('road'),
      toId: uuid,
      minutes: fc.option(fc.nat({ max: 90 }), { nil: undefined }),
    }),
    fc.record({
      setting: fc.constant('planning'),
      costsIn: fc.constantFrom('minutes', 'money'),
      stop: fc.integer({ min: 0, max: 120 }),
      detour: fc.constantFrom(1, 1.3, 2),
      wasteful: fc.constantFrom(1, 4),
      carryChance: fc.option(fc.integer({ min: 1, max: 90 }), { nil: undefined }),
    }),
    fc.record({
      setting: fc.constant('waits'),
      task: slug,
      for: fc.option(fc.constantFrom('part', 'price', 'yes'), { nil: undefined }),
      until: fc.option(day, { nil: undefined }),
    }),
    fc.constantFrom(
      { setting: 'contract' as const },
      { setting: 'contract' as const, everyMonths: 3, firstOn: '2026-12-15', within: 14, minutes: 20 },
    ),
    fc.constantFrom(
      { setting: 'rates' as const, currency: 'EUR', labourPerHourMinor: 6300, taxBp: 1900 },
      { setting: 'rates' as const, currency: 'JPY', callOutMinor: 8500, perKmMinor: 50, taxBp: 0, taxName: 'none' },
      { setting: 'covers' as const },
      {
        setting: 'covers' as const,
        until: '2026-12-31',
        partsUpToMinor: null,
        labour: true,
        travel: true,
        used: false,
      },
      { setting: 'tax-told' as const, withTax: true },
      { setting: 'invoicing' as const, name: 'A firm by law', country: 'NL', dueDays: 14, invoiceSeries: 'R{year}-' },
      {
        setting: 'letterhead' as const,
        phone: '0555 0142',
        email: 'hello@quillgate.example',
        address: 'Tanners’ Row 4',
      },
      { setting: 'letterhead' as const, numbers: 'HM 2207', logo: '0a'.repeat(32) },
      { setting: 'site-word' as const, word: '4711' },
      { setting: 'site-word' as const },
    ),
    fc.record({ setting: fc.constant('groups'), count: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ setting: fc.constant('descale-prompt'), litres: fc.integer({ min: 1, max: 500 }) }),
  ),
}

/** Any entry about one kind of subject. */
export const anEntry = (subjectKind: Entry['subjectKind']): fc.Arbitrary<Entry> => {
  const takes = entryKindNames.filter((kind) => entryKindOf(kind).about.includes(subjectKind) && kind !== 'withdrawn')
  return fc.tuple(uuid, day, fc.constantFrom(...takes)).chain(([id, on, kind]) =>
    bodies[kind]!.map(
      (body): Entry =>
        asKept({
          id,
          subjectKind,
          subjectId: '01939000-0000-7000-8000-000000000001',
          kind,
          happenedAt: `${on}T10:00:00Z`,
          happenedOn: on,
          body: JSON.parse(JSON.stringify({ v: 1, ...body })),
        }),
    ),
  )
}
