import type { Entry } from '../core/ledger/entry.ts'
import { jot } from '../core/ledger/jot.ts'
import { fromDay } from '../core/quantity/local-day.ts'
import { dice } from './dice.ts'
import { asEntries } from './visit.ts'

/** What the firm asks, how it is reached, what the bakery's contract pays, the word of two places. Made up. */
export function housePapers(
  firmId: string,
  places: ReadonlyMap<string, { siteId: string; customerId: string }>,
  sinceDay: number,
): Entry[] {
  // Dice of its own: the rest of the world stays as it was thrown.
  const d = dice('harrowmere-papers')
  const at = { happenedOn: fromDay(sinceDay), atMs: sinceDay * 86_400_000 + 31_000_000 }
  const ofSite = (name: string) => ({ subjectKind: 'site' as const, subjectId: places.get(name)!.siteId, ...at })
  return [
    ...asEntries(
      d,
      [
        jot('setting', {
          setting: 'letterhead',
          phone: '0555 0142',
          email: 'hello@quillgate.example',
          address: 'Tanners’ Row 4, Harrowmere',
          numbers: 'Register of trades HM 2207',
        }),
        jot('setting', {
          setting: 'rates',
          currency: 'EUR',
          labourPerHourMinor: 6300,
          travelPerHourMinor: 4200,
          perKmMinor: 55,
          callOutMinor: 8500,
          taxBp: 1900,
          taxName: 'VAT',
        }),
        jot('setting', {
          setting: 'invoicing',
          name: 'Quillgate & Daughter, coffee machines',
          street: 'Tanners’ Row 4',
          postcode: 'HM1 1',
          town: 'Harrowmere',
          country: 'IE',
          taxNumber: 'IE0000000AB',
          registration: 'HM 2207',
          // The registry’s own example: no account of anybody.
          iban: 'IE64IRCE92050112345678',
          accountName: 'Quillgate & Daughter',
          dueDays: 14,
        }),
      ],
      { subjectKind: 'firm', subjectId: firmId, ...at },
    ),
    ...asEntries(
      d,
      [
        jot('setting', {
          setting: 'covers',
          name: 'of 2025',
          partsUpToMinor: 2500,
          labour: true,
          travel: true,
          used: true,
        }),
        jot('setting', { setting: 'site-word', word: '4711' }),
      ],
      ofSite('Thistle & Rye bakery'),
    ),
    ...asEntries(d, [jot('setting', { setting: 'tax-told', withTax: true })], {
      subjectKind: 'customer' as const,
      subjectId: places.get('Tollgate cottage')!.customerId,
      ...at,
    }),
    ...asEntries(d, [jot('setting', { setting: 'site-word', word: '2630' })], ofSite('Northlight offices')),
  ]
}

/** What the bakery noted between visits: weekly as a rule, and not in the week of the fair. */
export function theirCare(machines: Record<string, string>, endDay: number): Entry[] {
  const d = dice('harrowmere-care')
  const noted = (machine: string, what: string, everyDays: number, weeksBack: number[]) =>
    weeksBack.flatMap((back) => {
      const day = endDay - 7 * back + d.whole(0, 2)
      return asEntries(d, [jot('care-done', { what, everyDays })], {
        subjectKind: 'machine',
        subjectId: machines[machine]!,
        happenedOn: fromDay(day),
        atMs: day * 86_400_000 + 61_000_000,
      })
    })
  return [
    ...noted('Bakehouse', 'Tank washed', 7, [12, 11, 10, 9, 8, 6, 5, 4, 3, 2, 1]),
    ...noted('Bakehouse', 'Brew unit out and rinsed', 7, [11, 8, 5, 4, 1]),
    ...noted('Left bar', 'Hot water run, boiler refreshed', 14, [11, 9, 7, 5, 3, 1]),
    ...noted('Right bar', 'Hot water run, boiler refreshed', 14, [11, 9, 5, 1]),
  ]
}
