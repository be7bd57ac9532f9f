import type { ChargeLine } from '../core/close-out/charge-line.ts'
import { closeOut } from '../core/close-out/close-out.ts'
import { type Cover, coveredBy } from '../core/close-out/cover.ts'
import type { MachineThere } from '../core/close-out/left-subjects.ts'
import { signedOf } from '../core/close-out/signed-of.ts'
import type { Kept } from '../core/firm/records.ts'
import { kindById } from '../core/kinds/index.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { jot } from '../core/ledger/jot.ts'
import { upper } from '../core/ledger/phrases.ts'
import { sumWords } from '../core/money/minor-unit.ts'
import { type Dice, dice } from './dice.ts'
import { quoteHere } from './quote-here.ts'
import { asEntries } from './visit.ts'

/** A place as its history was laid down. */
export interface PlaceBehind {
  siteId: string
  customerId: string
  softener: { id: string; name: string } | null
  machines: { id: string; name: string; model: string; kind: string }[]
  entries: Entry[]
}

/** Whose last visits are closed: whoever signs there, or why nobody did. Made up. */
const signers: Record<string, { name: string; as: string } | null> = {
  'Thistle & Rye bakery': { name: 'Bram Thistle', as: 'owner' },
  'Kettle Lane hotel': { name: 'Hanneke Vos', as: 'manager on duty' },
  'Harrowmere town hall': null,
  'Tollgate cottage': { name: 'Petra Lund', as: 'tenant' },
  'Tram depot canteen': { name: 'Osric Vale', as: 'kitchen' },
}

/** Where bills go, of those that have been sent any. */
const bills: Record<string, { billStreet: string; billPostcode: string; billReference?: string }> = {
  'Thistle & Rye bakery': { billStreet: 'Mill Lane 3', billPostcode: 'HM1 2' },
  'Kettle Lane hotel': { billStreet: 'Kettle Lane 21', billPostcode: 'HM2 4', billReference: 'Housekeeping' },
  'Tram depot canteen': { billStreet: 'Depot Road 1', billPostcode: 'HM1 7', billReference: 'Canteen' },
  'Tollgate cottage': { billStreet: 'Tollgate 8', billPostcode: 'HM3 9' },
}

const currency = 'EUR'

/** What some parts cost that day, before tax: put in by hand, as where a price book has none yet. Made up. */
const pricesMinor: Record<string, number> = {
  'group-gasket': 520,
  'shower-screen': 890,
  'screen-screw': 240,
  basket: 1450,
  'wand-pivot-ring': 180,
  'safety-valve': 4100,
  'steam-valve-seat': 1260,
  'tank-filter': 1190,
  'tank-valve': 640,
  'pressure-switch': 3850,
  'multi-way-valve': 5200,
  'lower-gasket': 460,
  'softening-sachet': 780,
  thermoblock: 11_800,
  burrs: 5400,
}
/** What went in for a part that was fitted not long ago: its supplier pays, once the old one is back. Made up. */
const underWarranty: Record<string, string> = { 'Kettle Lane hotel': 'pressure-switch' }
/** A kilogram of descaler. */
const descalerMinor = 1400

/**
 * The last visit of some places, closed as its technician would have: what was done is in the ledger, who pays by rates
 * and contract, and somebody’s name under it. A visit with something in its way stays open.
 *
 * @param papers - what the firm and its places said of rates and contracts
 * @returns the entries, and the visits that are closed, by place
 */
export function closings(
  papers: Entry[],
  places: ReadonlyMap<string, PlaceBehind>,
): { entries: Entry[]; closed: { place: string; visitId: string }[] } {
  const d = dice('harrowmere-closings')
  const quotes = dice('harrowmere-quotes')
  const entries: Entry[] = []
  const closed: { place: string; visitId: string }[] = []
  for (const [place, signer] of Object.entries(signers)) {
    const behind = places.get(place)
    const visit = behind?.entries.filter(isKind('visit')).at(-1)
    if (!behind || !visit) continue
    const visitId = visit.visitId ?? visit.id
    const made = closing({ d, quotes }, papers, behind, visitId, signer, underWarranty[place])
    if (!made) continue
    entries.push(...made)
    closed.push({ place, visitId })
  }
  return { entries, closed }
}

/** What is kept of a customer of where their bills go; nothing of most. */
export function billsOf(place: string): Partial<Kept<'customer'>> {
  const to = bills[place]
  if (!to) return {}
  const billEmail = `bills@${place.toLowerCase().replaceAll(/[^a-z]+/g, '-')}.example`
  return { ...to, billTown: 'Harrowmere', billCountry: 'IE', billEmail }
}

function closing(
  { d, quotes }: { d: Dice; quotes: Dice },
  papers: Entry[],
  { siteId, customerId, softener, machines, entries }: PlaceBehind,
  visitId: string,
  signer: { name: string; as: string } | null,
  warrantyOf: string | undefined,
): Entry[] | null {
  const about = (subjectId: string) => [...entries, ...papers].filter((entry) => entry.subjectId === subjectId)
  const there = machines.map(
    (machine): MachineThere => ({
      id: machine.id,
      name: machine.name,
      model: machine.model,
      kind: kindById(machine.kind),
      ledgers: {
        machine: about(machine.id),
        site: about(siteId),
        customer: about(customerId),
        firm: papers.filter(({ subjectKind }) => subjectKind === 'firm'),
        ...(softener && { softener: about(softener.id) }),
      },
      softener,
      underWay: [],
    }),
  )
  const last = entries
    .filter((entry) => entry.visitId === visitId)
    .sort((a, b) => (a.happenedAt < b.happenedAt ? -1 : 1))
  const on = last.at(-1)!.happenedOn
  const atMs = Date.parse(last.at(-1)!.happenedAt) + 25 * 60_000
  const at = new Date(atMs).toISOString()
  const roadMinutes = d.whole(9, 24)
  const left = closeOut({ visitId, on, now: at, machines: there, currency }, { roadMinutes })
  if (left.ways.some(({ closesAs }) => closesAs !== 'reason')) return null
  const told = left.open.map((one) => ({ ...one, until: null }))
  const lines = left.charges.map((line) => priced(line, left.cover, warrantyOf))
  const sentences = signedOf(
    { ...left, taxBp: left.rates.taxBp, lines, told, isolated: [] },
    { day: (day) => day, sum: (minor) => sumWords(minor, currency) },
  )
  const atTheSite = { subjectKind: 'site' as const, subjectId: siteId, happenedOn: on, visitId }
  const quoteMs = atMs + 4 * 60_000
  const quoteId = quotes.uuid(quoteMs)
  const quote = quoteHere(quoteId, { visitId, on, left, machines: there, currency, pricesMinor, roadMinutes })
  const closing = asEntries(
    d,
    [
      jot('visit-closed', {
        minutes: left.subjects
          .filter(({ kind }) => kind === 'machine')
          .map(({ id, minutes }) => ({ subjectId: id, minutes })),
        roadMinutes,
        ...(left.ways.length > 0 && {
          left: left.ways.map(({ subjectId }) => ({
            subjectId,
            what: 'counter' as const,
            reason: 'in use all morning',
          })),
        }),
        ...(told.length > 0 && {
          open: told.map(({ subjectId, name, part }) => ({
            subjectId,
            name: upper(name).slice(0, 160),
            ...(part && { part }),
          })),
        }),
        currency,
        taxBp: left.rates.taxBp,
        ...(left.withTax && { withTax: true }),
        lines,
        sentences,
        signed: signer ? { how: 'signed' as const, ...signer, at, strokes: scrawl(d) } : { how: 'nobody' as const, at },
      }),
    ],
    { ...atTheSite, atMs },
  )
  const claim = lines.find(({ pays }) => pays === 'warranty')
  if (claim)
    closing.push(
      ...asEntries(
        quotes,
        [jot('claimed', { visit: visitId, line: claim.id, name: claim.name, step: 'kept', by: 'Harrowmere Spares' })],
        { ...atTheSite, atMs: quoteMs + 120_000 },
      ),
    )
  if (!quote) return closing
  return [
    ...closing,
    ...asEntries(quotes, [quote], { ...atTheSite, atMs: quoteMs }).map((entry) => ({ ...entry, id: quoteId })),
  ]
}

/** A line with the price somebody put in; a contract pays for what is no dearer than it takes. */
function priced(line: ChargeLine, cover: Cover | null, warrantyOf: string | undefined): ChargeLine {
  if (line.priceMinor !== null) return line
  const changed = 'price of the day'
  if (line.of === 'used') return { ...line, priceMinor: descalerMinor, per: 1000, changed }
  const priceMinor = pricesMinor[line.part ?? '']
  if (priceMinor === undefined) return line
  if (line.part === warrantyOf) return { ...line, priceMinor, changed: 'failed within its year', pays: 'warranty' }
  const isPaid = cover !== null && coveredBy(cover, { of: line.of, part: line.part, priceMinor }).pays
  return { ...line, priceMinor, changed, pays: isPaid ? 'contract' : line.pays }
}

/** A name as a hand writes it on glass: a few loops to the right, and a line under it. */
function scrawl(d: Dice): number[][] {
  const width = d.whole(380, 620)
  const phase = d.next() * 6
  const loops = Array.from({ length: 34 }, (_, i) => {
    const t = i / 33
    return [
      140 + t * width + 26 * Math.sin(t * 38 + phase),
      170 - 58 * Math.sin(t * 31 + phase) * (1 - 0.6 * t) - 14 * Math.sin(t * 67),
    ].map(Math.round)
  })
  const under = [130, 262, 300, 248, 130 + width, 236 + d.whole(0, 16)]
  return [loops.flat(), under]
}
