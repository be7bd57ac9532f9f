import { array, object, string } from 'yup'
import { kinds } from '../core/kinds/index.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { numberIn } from '../core/typed/read-as.ts'
import { type DateForm, dateForms, dayOf } from '../core/typed/read-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { keptNamed } from '../records/kept.ts'
import { machinesBySerial } from '../records/machines.ts'
import type { JudgedMachine } from '../views/judged-row.ts'

const mostRows = 5000
const cell = () => string().max(200, 'must be at most 200 characters').defined()
const columns = [
  'customer',
  'site',
  'area',
  'address',
  'name',
  'maker',
  'model',
  'serial',
  'kind',
  'takenOn',
  'count',
] as const
type Row = Record<(typeof columns)[number], string>

const request = object({
  dateForm: string().oneOf(dateForms).required(),
  /** What a machine is where no column says so. */
  usualKind: string()
    .oneOf(kinds.map(({ id }) => id))
    .required(),
  rows: array(
    object(Object.fromEntries(columns.map((name) => [name, cell()])))
      .noUnknown()
      .required(),
  )
    .required()
    .max(mostRows, `must be at most ${mostRows} rows: split the file`),
}).noUnknown()

/** Judges a list of machines with their customers and sites. Nothing is written. */
export async function checkMachines(
  db: Db,
  firmId: string,
  timeZone: string,
  input: unknown,
  now: Date,
): Promise<{ ok: true; rows: JudgedMachine[] } | { ok: false; issues: Issue[] }> {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const rows = parsed.value.rows as unknown as Row[]
  const { dateForm, usualKind } = parsed.value
  const today = dayAt(timeZone, now)
  return withFirm(db, firmId, async (trx) => {
    const named = async (kind: 'customer' | 'site', names: string[]) =>
      new Map((await keptNamed(trx, kind, names)).map((record) => [plain(record.name), record]))
    const customers = await named('customer', rows.map(customerOf))
    const sites = await named(
      'site',
      rows.map(({ site }) => site.trim()),
    )
    const serials = new Set(
      (
        await machinesBySerial(
          trx,
          rows.map(({ serial }) => serial.trim()),
        )
      ).map(({ serial }) => plain(serial)),
    )
    const judged = rows.map((row): JudgedMachine => {
      const read = readRow(row, usualKind, dateForm as DateForm, today)
      if (read.verdict !== 'taken') return read
      const serial = plain(row.serial)
      if (serial && serials.has(serial))
        return { ...read, verdict: 'duplicate', reason: 'its serial number is in the firm or the file already' }
      serials.add(serial)
      const site = sites.get(plain(row.site))
      const customer = customers.get(plain(customerOf(row)))
      return { ...read, ...(customer && { customerId: customer.id }), ...(site && { siteId: site.id }) }
    })
    return { ok: true, rows: judged }
  })
}

const plain = (text: string) => text.trim().toLowerCase()
/** A list without customers names them by their places. */
const customerOf = (row: Row) => row.customer.trim() || row.site.trim()

function readRow(row: Row, usualKind: string, form: DateForm, today: string): JudgedMachine {
  const unreadable = (reason: string): JudgedMachine => ({ verdict: 'unreadable', reason })
  const text = (name: keyof Row) => row[name].trim()
  if (!text('site')) return unreadable('the site is empty')
  const kind = text('kind') ? kindNamed(text('kind')) : usualKind
  if (!kind) return unreadable(`"${text('kind')}" is no kind of machine known here`)
  const takenOn = text('takenOn') ? dayOf(text('takenOn'), form) : undefined
  if (takenOn === null) return unreadable(`"${text('takenOn')}" is not a date`)
  if (takenOn && takenOn > today) return unreadable(`${takenOn} is in the future`)
  const count = text('count') ? numberIn(text('count'), { whole: true }) : undefined
  if (count === null) return unreadable(`"${text('count')}" is not a count`)
  const name = text('name') || [text('maker'), text('model')].filter(Boolean).join(' ') || text('serial')
  if (!name) return unreadable('neither a name, a model nor a serial number says which machine it is')
  return {
    verdict: 'taken',
    machine: {
      customer: customerOf(row),
      site: text('site'),
      area: text('area'),
      address: text('address'),
      name,
      maker: text('maker'),
      model: text('model'),
      serial: text('serial'),
      kind,
      ...(takenOn && { takenOn }),
      ...(count !== undefined && { count }),
    },
  }
}

/** A kind by its short name or by words of its long one. @example kindNamed('two-group') // 'c2' */
function kindNamed(text: string): string | null {
  const words = plain(text)
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
  const found = kinds.filter(
    ({ id, name }) => id === plain(text) || words.every((word) => name.toLowerCase().includes(word)),
  )
  return found.length === 1 ? found[0]!.id : null
}
