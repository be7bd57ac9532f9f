import { isTotals } from '../../core/files/is-totals.ts'
import { filledIn, type Kept, recordSchemas } from '../../core/firm/records.ts'
import { jot } from '../../core/ledger/jot.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { treatmentKind } from '../../core/softener/treatment-kind.ts'
import { countWords } from '../../core/typed/count-words.ts'
import { readAs } from '../../core/typed/read-as.ts'
import { saysUnknown } from '../../core/typed/typed.ts'
import type { Trx } from '../../records/database.ts'
import { allKept, type KeptRecord } from '../../records/kept.ts'
import type { JudgedMachine } from '../../views/judged-row.ts'
import { fillIn } from './fill-in.ts'
import {
  type Cells,
  dayOfCell,
  entryOn,
  type ImportContext,
  idOf,
  meaningOf,
  type Plan,
  type Planned,
  plainName,
  refused,
} from './import-context.ts'

type Machine = NonNullable<JudgedMachine['machine']>

/** What the firm has already, by name. */
interface There {
  customers: Map<string, KeptRecord<'customer'>>
  sites: Map<string, KeptRecord<'site'>>
  /** By serial number, and by site and name where there is none. */
  machines: Set<string>
  softeners: Map<string, KeptRecord<'softener'>>
  customersById: Map<string, KeptRecord<'customer'>>
  /** Records of the list that were looked at. */
  fine: Set<string>
}

/** Judges a list of machines with the places they stand at. Rows of the same place make it once. */
export async function planMachines(trx: Trx, context: ImportContext, rows: Cells[]): Promise<Planned<JudgedMachine>[]> {
  const there = await thereNow(trx)
  return rows.map((cells) => planRow(cells, context, there))
}

async function thereNow(trx: Trx): Promise<There> {
  const [customers, sites, machines, softeners] = await Promise.all([
    allKept(trx, 'customer'),
    allKept(trx, 'site'),
    allKept(trx, 'machine'),
    allKept(trx, 'softener'),
  ])
  const siteNames = new Map(sites.map(({ id, name }) => [id, name]))
  return {
    customers: byName(customers),
    sites: byName(sites),
    machines: new Set(machines.flatMap((one) => keysOf(one.serial, siteNames.get(one.siteId) ?? '', one.name))),
    softeners: new Map(softeners.map((one) => [one.siteId, one])),
    customersById: new Map(customers.map((one) => [one.id, one])),
    fine: new Set(),
  }
}

/** Of several of one name the first: which of them is meant nobody can tell. */
const byName = <R extends { name: string }>(records: R[]) =>
  new Map([...records].reverse().map((record) => [plainName(record.name), record]))

const keysOf = (serial: string, site: string, name: string): string[] =>
  serial.trim() ? [`serial ${serial.trim().toLowerCase()}`] : [`at ${plainName(site)} ${plainName(name)}`]

function planRow(cells: Cells, context: ImportContext, there: There): Planned<JudgedMachine> {
  const read = readMachine(cells, context, there)
  if ('verdict' in read) return refused(read)
  const [key] = keysOf(read.serial, read.site, read.name)
  if (there.machines.has(key!))
    return refused({
      verdict: 'duplicate',
      machine: read,
      reason: read.serial
        ? 'its serial number is in the firm or the file already'
        : 'a machine of that name stands there already, here or further up in the file',
    })
  there.machines.add(key!)
  return writeMachine(read, context, there, key!)
}

/** What a row says, as it will be kept; or why it cannot be. */
function readMachine(cells: Cells, context: ImportContext, there: There): Machine | JudgedMachine {
  // "?" for a serial number is none: two such machines are not one.
  const text = (column: string) => (saysUnknown(cells(column)) ? '' : cells(column).replace(/\s+/g, ' ').trim())
  const unreadable = (reason: string): JudgedMachine => ({ verdict: 'unreadable', reason })
  const site = text('site')
  if (isTotals(site) || isTotals(text('name')) || isTotals(text('customer')))
    return { verdict: 'left-out', reason: 'a line of totals' }
  if (!site) return unreadable('the site is empty')
  const meaning = meaningOf(context.spec, 'kind', cells('kind'))
  if (meaning?.is === 'left-out') return { verdict: 'left-out', reason: `“${text('kind') || 'nothing'}” is left out` }
  const kind = meaning?.is === 'kind' ? context.kinds.find(({ id }) => id === meaning.kind) : undefined
  if (meaning?.is !== 'kind' || !kind)
    return unreadable(
      text('kind')
        ? `“${text('kind')}”: say above what it means`
        : 'no kind of machine stands here: say above what it is',
    )
  const zone = there.sites.get(plainName(site))?.timeZone ?? context.timeZone
  const takenOn = dayOfCell(cells('takenOn'), context, zone)
  if (takenOn.is === 'wrong') return unreadable(`taken on “${text('takenOn')}” ${takenOn.why}`)
  const servicedOn = dayOfCell(cells('servicedOn'), context, zone)
  if (servicedOn.is === 'wrong') return unreadable(`last service “${text('servicedOn')}” ${servicedOn.why}`)
  const readOn = dayOfCell(cells('readOn'), context, zone)
  if (readOn.is === 'wrong') return unreadable(`read on “${text('readOn')}” ${readOn.why}`)
  const count = readAs(cells('count'), { whole: true, unit: kind.counter.unit, words: countWords })
  if (count.is === 'wrong') return unreadable(`the counter “${text('count')}” ${count.why}`)
  if (count.is === 'either') return unreadable(`the counter “${text('count')}” can be ${count.values.join(' or ')}`)
  const unit = context.spec.unit ?? 'dH'
  const hardness = readAs(cells('hardness').replace(/^[<>≤≥]\s*/, ''), {
    unit: hardnessSymbol[unit],
    from: 0,
    mark: context.spec.mark,
  })
  if (hardness.is === 'wrong') return unreadable(`the hardness “${text('hardness')}” ${hardness.why}`)
  if (hardness.is === 'either')
    return unreadable(`the hardness “${text('hardness')}” can be ${hardness.values.join(' or ')}`)
  const groups = groupsOf(cells('groups'))
  if (groups === null) return unreadable(`“${text('groups')}” is not a number of groups from 1 to 4`)
  const treatment = text('softener') ? meaningOf(context.spec, 'softener', cells('softener')) : undefined
  if (text('softener') && !treatment) return unreadable(`“${text('softener')}”: say above what it means`)
  const name = text('name') || [text('maker'), text('model')].filter(Boolean).join(' ') || text('serial')
  if (!name) return unreadable('neither a name, a model nor a serial number says which machine it is')
  const hasGroups = kind.tasks.some(({ each }) => each === 'group')
  const saidGroups = groups ?? meaning.groups
  const machine: Machine = {
    customer: text('customer') || site,
    contact: text('contact'),
    phone: text('phone'),
    email: text('email'),
    site,
    area: text('area'),
    address: text('address'),
    access: text('access'),
    name,
    maker: text('maker'),
    model: text('model'),
    revision: text('revision'),
    serial: text('serial'),
    kind: kind.id,
    ...(hasGroups && saidGroups !== undefined && { groups: saidGroups }),
    ...(takenOn.is === 'value' && { takenOn: takenOn.value }),
    ...(servicedOn.is === 'value' && { servicedOn: servicedOn.value }),
    ...(count.is === 'value' && (kind.uncounted ? { noCounter: count.value } : { count: count.value })),
    unit: kind.counter.unit,
    readOn: readOn.is === 'value' ? readOn.value : { on: context.spec.readOn ?? dayAt(zone, context.now) },
    ...(hardness.is === 'value' && { hardness: { value: hardness.value, unit } }),
    ...(treatment?.is === 'treatment' && { treatment: treatment.treatment }),
    remark: cells('remark').trim(),
  }
  const wrong = wrongRecord(machine, context, there)
  return wrong ? unreadable(wrong) : machine
}

/** Empty or unknown says nothing; null where it is none. */
function groupsOf(cell: string): number | undefined | null {
  const read = readAs(cell.replace(/\s*(gr|grp|group|groups|gruppen|gruppe|groupes?|gruppi|gruppig)\.?\s*$/i, ''), {
    whole: true,
    from: 1,
    to: 4,
  })
  if (read.is === 'empty' || read.is === 'unknown') return undefined
  return read.is === 'value' ? read.value : null
}

/** Names too long, mail that is none: said before anything is written. The same customer or place is looked at once. */
function wrongRecord(machine: Machine, { technicianId: id, timeZone }: ImportContext, { fine }: There): string | null {
  // Whom they point at is made with them: any id will do to look at the rest.
  const records = {
    customer: customerOf(machine),
    site: { ...siteOf(machine), customerId: id, technicianId: id, timeZone },
    machine: { ...machineOf(machine), siteId: id },
  }
  for (const [kind, record] of Object.entries(records)) {
    const key = kind === 'machine' ? null : JSON.stringify(record)
    if (key && fine.has(key)) continue
    const read = parseStrict(recordSchemas[kind as keyof typeof records], record)
    if (!read.ok) return `the ${kind}’s ${read.issues[0]!.path} ${read.issues[0]!.message}`
    if (key) fine.add(key)
  }
  return null
}

const customerOf = ({ customer, contact, phone, email }: Machine) =>
  filledIn('customer', { name: customer, contact, phone, email })
const siteOf = ({ site, area, address, access }: Machine) => ({ name: site, area, address, accessNote: access })
const machineOf = ({ name, maker, model, revision, serial, kind }: Machine) => ({
  name,
  maker,
  model,
  revision,
  serial,
  kind,
})

/** Customer, site and machine of a row, as far as they are new, with what it says of them. */
function writeMachine(machine: Machine, context: ImportContext, there: There, key: string): Planned<JudgedMachine> {
  const plan: Plan = { records: [], fills: [], entries: [] }
  const filled: string[] = []
  const site = there.sites.get(plainName(machine.site))
  const customer = site ? there.customersById.get(site.customerId) : there.customers.get(plainName(machine.customer))
  const add = <K extends 'customer' | 'site'>(
    kind: K,
    map: Map<string, KeptRecord<K>>,
    name: string,
    record: Kept<K>,
  ) => {
    const id = idOf(context, `${kind} ${plainName(name)}`)
    plan.records.push({ kind, id, record })
    const kept = { id, version: 1, ...record } as KeptRecord<K>
    map.set(plainName(name), kept)
    if (kind === 'customer') there.customersById.set(id, kept as KeptRecord<'customer'>)
    return kept
  }
  const fill = <K extends 'customer' | 'site'>(
    kind: K,
    map: Map<string, KeptRecord<K>>,
    record: KeptRecord<K>,
    given: object,
  ) => {
    const done = fillIn(record, given)
    if (!done) return
    plan.fills.push({ kind, id: record.id, before: done.before, after: done.after })
    filled.push(...Object.keys(done.after))
    const full = { ...record, ...done.after }
    map.set(plainName(record.name), full)
    if (kind === 'customer') there.customersById.set(record.id, full as KeptRecord<'customer'>)
  }
  const { contact, phone, email } = machine
  if (customer) fill('customer', there.customers, customer, { contact, phone, email })
  const keptCustomer = customer ?? add('customer', there.customers, machine.customer, customerOf(machine))
  if (site)
    fill('site', there.sites, site, { area: machine.area, address: machine.address, accessNote: machine.access })
  const keptSite =
    site ??
    add('site', there.sites, machine.site, {
      ...siteOf(machine),
      customerId: keptCustomer.id,
      technicianId: context.technicianId,
      timeZone: context.timeZone,
    })
  const softener = softenerOf(machine, context, there, keptSite, plan)
  const id = idOf(context, `machine ${key}`)
  plan.records.push({
    kind: 'machine',
    id,
    record: { ...machineOf(machine), siteId: keptSite.id, ...(softener && { softenerId: softener }) },
  })
  plan.entries.push(...entriesOf(machine, context, id, keptSite))
  return {
    row: {
      verdict: 'taken',
      machine,
      ...(!customer && { newCustomer: true }),
      ...(!site && { newSite: true }),
      ...(filled.length > 0 && { filled }),
    },
    plan,
  }
}

/** What the water of a place is led through: one a place. */
function softenerOf(
  { treatment }: Machine,
  context: ImportContext,
  there: There,
  site: KeptRecord<'site'>,
  plan: Plan,
): string | undefined {
  const kind = treatment === undefined ? null : treatmentKind(treatment)
  if (!kind) return undefined
  const known = there.softeners.get(site.id)
  if (known) return known.id
  const id = idOf(context, `softener ${site.id}`)
  const record = {
    siteId: site.id,
    name: kind === 'exchanger' ? 'Softener' : `${kind[0]!.toUpperCase()}${kind.slice(1)}`,
  }
  plan.records.push({ kind: 'softener', id, record })
  there.softeners.set(site.id, { id, version: 1, ...record })
  const about = { kind: 'softener' as const, id, timeZone: site.timeZone }
  plan.entries.push(
    entryOn(
      context,
      `${id} taken`,
      about,
      // Since when it stands there, and what it has taken up, nobody knows.
      dayAt(site.timeZone, context.askedAt),
      jot('commissioned', { kind, kindVersion: 1, partsNew: false }),
    ),
  )
  return id
}

function entriesOf(
  machine: Machine,
  context: ImportContext,
  id: string,
  site: { id: string; timeZone: string },
): Plan['entries'] {
  const { kind, groups, takenOn, servicedOn, readOn, count, hardness, remark } = machine
  const about = { kind: 'machine' as const, id, timeZone: site.timeZone }
  const on = takenOn?.on ?? readOn.on
  const { version: kindVersion, groups: usualGroups } = context.kinds.find((one) => one.id === kind)!
  const write = (slot: string, day: string, jotting: Parameters<typeof entryOn>[4]) =>
    entryOn(context, `${id} ${slot}`, about, day, jotting)
  return [
    write('taken', on, jot('commissioned', { kind, kindVersion, partsNew: false })),
    // Nothing that nobody knows is overdue: it waits for a first look, from today on.
    write('over', dayAt(site.timeZone, context.askedAt), jot('taken-over', { parts: 'unknown' })),
    ...(servicedOn ? [write('serviced', servicedOn.on, jot('taken-over', { parts: 'good' }))] : []),
    ...(groups !== undefined && groups !== usualGroups
      ? [write('groups', on, jot('setting', { setting: 'groups', count: groups }))]
      : []),
    ...(count === undefined ? [] : [write('read', readOn.on, jot('reading', { counter: 'shots', count }))]),
    ...(remark ? [write('remark', readOn.on, jot('note', { text: remark }))] : []),
    ...(takenOn?.known
      ? [
          write(
            'about',
            on,
            jot('note', {
              text: `Taken on ${takenOn.on.slice(0, takenOn.known === 'year' ? 4 : 7)}: the list says no more.`,
            }),
          ),
        ]
      : []),
    ...(hardness
      ? [
          entryOn(
            context,
            `${site.id} ${readOn.on} ${hardness.value} water`,
            { kind: 'site', id: site.id, timeZone: site.timeZone },
            readOn.on,
            jot('water-test', { point: 'raw', quantity: 'total', method: 'figure', ...hardness }),
          ),
        ]
      : []),
  ]
}
