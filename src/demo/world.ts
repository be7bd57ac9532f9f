/** Every kind of machine stands somewhere in the town. */
export type DemoKind = 'c2' | 'lv' | 'pt' | 'dv' | 'dn' | 'dg' | 'bt' | 'sr' | 'st' | 'sp' | 'pk' | 'pl' | 'pd' | 'gr'

/** The invented town of Harrowmere: who drinks coffee there, from which machines, in which water. */
export interface DemoMachine {
  name: string
  kind: DemoKind
  /** Drinks per open day. */
  pace: number
  softened?: boolean
  /** What its menu counts apart: shares of groups, of drinks, of rinses. */
  apart?: { groups?: number[]; drinks?: Record<string, number>; rinses?: number }
  /** What goes wrong with it, beyond the usual. */
  tale?:
    | 'board-swap'
    | 'perished-seal'
    | 'prompts-often'
    | 'typo-corrected'
    | 'typo-left'
    | 'rival-corrections'
    | 'new-last-spring'
    | 'never-read'
    | 'came-back'
    | 'winterised'
    | 'retired'
}

export interface DemoSite {
  customer: string
  name: string
  area: 'Chalkside' | 'Moorside' | 'Millrace'
  /** East and north of the yard. */
  fromYardKm: [east: number, north: number]
  openWeekdays: number[]
  technician: 'ines' | 'odile'
  accessNote: string
  softener?: {
    name: string
    resinL?: number
    /** Regenerates itself, from a brine tank of so many kilograms. */
    saltTankKg?: number
    cartridgeG?: number
    /** Reverse osmosis: share of raw water mixed in, and what it let through when new and now. */
    membrane?: { rawShare: number; passage: [whenNew: number, now: number] }
    /** Carbon alone, or before the rest. */
    carbon?: boolean
    spentEarly?: boolean
  }
  closures?: 'school' | 'christmas' | 'august'
  /** Weeks between planned visits. */
  visitWeeks: number
  tale?: 'skipped-a-year'
  machines: DemoMachine[]
}

const daily = [1, 2, 3, 4, 5, 6, 7]
const shop = [1, 2, 3, 4, 5, 6]
const office = [1, 2, 3, 4, 5]

const sr = (name: string, pace: number, more: Partial<DemoMachine> = {}): DemoMachine => ({
  name,
  kind: 'sr',
  pace,
  ...more,
})
const pk = (name: string, pace: number, more: Partial<DemoMachine> = {}): DemoMachine => ({
  name,
  kind: 'pk',
  pace,
  ...more,
})
const c2 = (name: string, pace: number, more: Partial<DemoMachine> = {}): DemoMachine => ({
  name,
  kind: 'c2',
  pace,
  ...more,
})

const other = (kind: DemoKind, name: string, pace: number): DemoMachine => ({ name, kind, pace })

export const demoSites: DemoSite[] = [
  {
    customer: 'Thistle & Rye',
    name: 'Thistle & Rye bakery',
    area: 'Chalkside',
    fromYardKm: [2.0, 2.4],
    openWeekdays: shop,
    technician: 'ines',
    accessNote: 'Yard door, ring twice. Machine free from 10:30.',
    softener: { name: 'Back-room softener', resinL: 12 },
    closures: 'christmas',
    visitWeeks: 3,
    machines: [
      c2('Left bar', 212, { softened: true, apart: { groups: [0.58, 0.42] } }),
      c2('Right bar', 148, { softened: true, tale: 'typo-corrected' }),
      sr('Bakehouse', 22),
      other('gr', 'Bar grinder', 5.4),
    ],
  },
  {
    customer: 'Lantern Quay Ferries',
    name: 'Lantern Quay ferry kiosk',
    area: 'Millrace',
    fromYardKm: [-2.3, 1.6],
    openWeekdays: daily,
    technician: 'ines',
    accessNote: 'Key at the ticket window. No visits around the 12:10 sailing.',
    visitWeeks: 5,
    machines: [sr('Kiosk counter', 64), sr('Crew room', 24), pk('Harbour master', 7, { tale: 'winterised' })],
  },
  {
    customer: 'Bellfounders',
    name: "Bellfounders' law office",
    area: 'Chalkside',
    fromYardKm: [0.9, 0.5],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'Reception calls the lift. Quiet after 14:00.',
    closures: 'christmas',
    visitWeeks: 7,
    machines: [sr("Clerks' kitchen", 38, { tale: 'perished-seal' }), sr('Second floor', 29), pk('Partners', 9)],
  },
  {
    customer: 'Moorside Hospice',
    name: 'Moorside hospice',
    area: 'Moorside',
    fromYardKm: [1.2, 6.1],
    openWeekdays: daily,
    technician: 'odile',
    accessNote: 'Sign in at the desk. Families first: step aside when asked.',
    visitWeeks: 5,
    machines: [
      c2('Garden café', 96),
      sr('Day room', 49, { tale: 'came-back' }),
      pk('Family room', 18),
      pk('Night desk', 11),
    ],
  },
  {
    customer: 'Harrowmere Trams',
    name: 'Tram depot canteen',
    area: 'Chalkside',
    fromYardKm: [4.6, 0.8],
    openWeekdays: daily,
    technician: 'ines',
    accessNote: 'Canteen free from 13:30. High-visibility vest in the yard.',
    softener: { name: 'Canteen softener', resinL: 8, spentEarly: true },
    visitWeeks: 4,
    machines: [
      c2('Canteen', 186, { softened: true }),
      sr('Drivers’ room', 57),
      sr('Workshop', 31, { tale: 'board-swap' }),
    ],
  },
  {
    customer: 'Paper Lantern',
    name: 'Paper Lantern bookshop',
    area: 'Millrace',
    fromYardKm: [-1.4, 0.6],
    openWeekdays: shop,
    technician: 'ines',
    accessNote: 'Between 12:15 and 13:00, behind the poetry.',
    visitWeeks: 6,
    machines: [c2('Reading bar', 58), pk('Back counter', 12)],
  },
  {
    customer: 'Weir House School',
    name: 'Weir House staff room',
    area: 'Moorside',
    fromYardKm: [-0.9, 5.2],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'Caretaker has the key. Closed in the holidays.',
    closures: 'school',
    visitWeeks: 8,
    machines: [sr('Staff room', 44), pk('Office', 10), other('dg', 'Head’s study', 3)],
  },
  {
    customer: 'Glasshouse',
    name: 'Glasshouse studio',
    area: 'Millrace',
    fromYardKm: [-1.8, 3.0],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'Ring the bell in the arch.',
    visitWeeks: 10,
    machines: [sr('Studio', 21), other('bt', 'Loft', 4), pk('Darkroom', 4, { tale: 'never-read' })],
  },
  {
    customer: 'A. Marl',
    name: 'Tollgate cottage',
    area: 'Chalkside',
    fromYardKm: [11.8, 3.6],
    openWeekdays: daily,
    technician: 'ines',
    accessNote: 'A home: telephone the day before.',
    visitWeeks: 17,
    tale: 'skipped-a-year',
    machines: [pk('Kitchen', 4), other('lv', 'Scullery', 6)],
  },
  {
    customer: 'Saltmarsh Library',
    name: 'Saltmarsh library café',
    area: 'Millrace',
    fromYardKm: [-4.1, -1.2],
    openWeekdays: [2, 3, 4, 5, 6],
    technician: 'odile',
    accessNote: 'Closed on Mondays: best day to work.',
    softener: { name: 'Café carbon filter', carbon: true },
    visitWeeks: 5,
    machines: [c2('Café', 74, { softened: true }), sr('Staff kitchen', 19)],
  },
  {
    customer: "Cooper's Yard",
    name: "Cooper's Yard workshops",
    area: 'Chalkside',
    fromYardKm: [-0.3, 2.9],
    openWeekdays: shop,
    technician: 'ines',
    accessNote: 'Gate code changes monthly: ask Bettany.',
    closures: 'august',
    visitWeeks: 6,
    machines: [sr('Joinery', 33), sr('Foundry', 41, { tale: 'prompts-often' }), other('pl', 'Gate office', 5)],
  },
  {
    customer: 'Long Gallery Trust',
    name: 'Long Gallery museum café',
    area: 'Millrace',
    fromYardKm: [-1.7, 0.2],
    openWeekdays: [2, 3, 4, 5, 6, 7],
    technician: 'odile',
    accessNote: 'Trade entrance, before 10:00.',
    softener: { name: 'Café cartridge', cartridgeG: 875 },
    visitWeeks: 4,
    machines: [c2('Front bar', 164, { softened: true }), c2('Courtyard', 88, { softened: true }), sr('Curators', 16)],
  },
  {
    customer: 'Fernhill Surgery',
    name: 'Fernhill surgery',
    area: 'Moorside',
    fromYardKm: [2.9, 5.4],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'After surgery hours, from 17:00.',
    visitWeeks: 9,
    machines: [sr('Waiting room', 35), pk('Nurses', 14), pk('Doctors', 9), other('dv', 'Dispensary', 4)],
  },
  {
    customer: 'Harrowmere Town Council',
    name: 'Harrowmere town hall',
    area: 'Chalkside',
    fromYardKm: [0.5, 1.3],
    openWeekdays: office,
    technician: 'ines',
    accessNote: 'Badge from the porter. Trolley in the basement.',
    closures: 'christmas',
    softener: { name: 'Basement membrane', membrane: { rawShare: 0.25, passage: [0.035, 0.078] }, carbon: true },
    visitWeeks: 5,
    machines: [
      c2('Council bar', 68, { softened: true, tale: 'typo-left' }),
      sr('Ground floor', 52),
      sr('Registry', 28),
      sr('Planning', 33, { tale: 'rival-corrections' }),
      sr('Treasury', 26),
      pk('Mayor', 5),
    ],
  },
  {
    customer: 'Orchard Row',
    name: 'Orchard Row nursery',
    area: 'Moorside',
    fromYardKm: [0.3, 4.6],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'Not at nap time, 12:30 to 14:30.',
    visitWeeks: 10,
    machines: [sr('Kitchen', 15), pk('Office', 6), other('dn', 'Staff corner', 3)],
  },
  {
    customer: 'Kettle Lane Hotel',
    name: 'Kettle Lane hotel',
    area: 'Chalkside',
    fromYardKm: [2.7, 1.1],
    openWeekdays: daily,
    technician: 'ines',
    accessNote: 'Goods lift. Breakfast bar free from 11:00.',
    softener: { name: 'Kitchen softener', resinL: 16, saltTankKg: 50 },
    visitWeeks: 3,
    machines: [
      c2('Breakfast bar', 238, { softened: true }),
      c2('Lounge', 121, { softened: true }),
      sr('Conference', 46),
      sr('Staff', 30),
      pk('Suite 1', 3),
      pk('Suite 2', 3),
      other('sp', 'Buffet', 118),
      other('gr', 'Lounge grinder', 2.1),
      pk('Reception', 13),
    ],
  },
  {
    customer: 'Northlight Assurance',
    name: 'Northlight offices',
    area: 'Millrace',
    fromYardKm: [-2.8, 0.9],
    openWeekdays: office,
    technician: 'odile',
    accessNote: 'Visitors’ badge; freight door for parts.',
    closures: 'christmas',
    visitWeeks: 6,
    machines: [
      sr('Floor 1', 47),
      sr('Floor 2', 51, { apart: { drinks: { espresso: 0.45, coffee: 0.45, 'double coffee': 0.1 }, rinses: 0.07 } }),
      sr('Floor 3', 39, { tale: 'new-last-spring' }),
      sr('Floor 4', 44),
      pk('Boardroom', 8, { tale: 'retired' }),
      other('st', 'Atrium', 41),
    ],
  },
  {
    customer: 'Q. Ashdown',
    name: 'Ropewalk house',
    area: 'Millrace',
    fromYardKm: [-3.1, 2.0],
    openWeekdays: daily,
    technician: 'odile',
    accessNote: 'A home: dog in the garden.',
    visitWeeks: 16,
    machines: [pk('Landing', 5), other('pt', 'Study', 7), other('pd', 'Nursery', 2)],
  },
]

const make = (maker: string, model: string, prefix: string) => ({ maker, model, prefix })

export const makers: Record<DemoKind, { maker: string; model: string; prefix: string }[]> = {
  c2: [make('Varnholt', 'Duo 2', 'VD2'), make('Imbrel', 'Tandem', 'IT')],
  lv: [make('Varnholt', 'Lever One', 'VL1')],
  pt: [make('Tarn & Quoy', 'Slate', 'TQS')],
  dv: [make('Imbrel', 'Home 3', 'IH3')],
  dn: [make('Pellamy', 'Basic', 'PB')],
  dg: [make('Ostrel', 'Mill & Cup', 'OMC')],
  bt: [make('Ostrel', 'Mill Plus', 'OMP')],
  sr: [make('Ostrel', 'S4', 'OS4'), make('Tarn & Quoy', 'K2', 'TK2')],
  st: [make('Tarn & Quoy', 'K6', 'TK6')],
  sp: [make('Varnholt', 'Piston 9', 'VP9')],
  pk: [make('Pellamy', 'P1', 'PP1'), make('Imbrel', 'A2', 'IA2')],
  pl: [make('Pellamy', 'P5 Milk', 'PP5')],
  pd: [make('Pellamy', 'Latte 1', 'PL1')],
  gr: [make('Imbrel', 'Burr 65', 'IB65'), make('Varnholt', 'Conic 68', 'VC68')],
}
