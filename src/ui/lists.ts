/** Where somebody can be, and whose pages belong there. */
export const places = [
  { id: 'round', name: 'Round', href: '/round' },
  { id: 'machines', name: 'Machines', href: '/machines' },
  { id: 'water', name: 'Water bench', href: '/water' },
  { id: 'procedures', name: 'Procedures', href: '/procedures' },
] as const
export type PlaceId = (typeof places)[number]['id']

/** A list that stands beside others on one bar. */
interface List {
  id: string
  name: string
  href: string
}

/** Whom we go to, and what stands there. */
const machines: List[] = [
  { id: 'machines', name: 'Machines', href: '/machines' },
  { id: 'sites', name: 'Sites', href: '/sites' },
  { id: 'customers', name: 'Customers', href: '/customers' },
]

/** Where somebody was and goes. */
const round: List[] = [
  { id: 'due', name: 'Coming due', href: '/round' },
  { id: 'weeks', name: 'Weeks ahead', href: '/round/weeks' },
  { id: 'day', name: 'The day', href: '/round/day' },
  { id: 'visits', name: 'Visits made', href: '/visits' },
  { id: 'invoices', name: 'Invoices', href: '/invoices' },
  { id: 'letters', name: 'Letters', href: '/letters' },
]

/** What is set up once. */
export const setUpLists: List[] = [
  { id: 'firm', name: 'The firm and its people', href: '/firm' },
  { id: 'kinds', name: 'Kinds', href: '/kinds' },
  { id: 'parts', name: 'What parts last', href: '/parts' },
  { id: 'figures', name: 'Figures from memory', href: '/figures' },
  { id: 'places', name: 'Places and roads', href: '/places' },
  { id: 'supplies', name: 'Water zones', href: '/supplies' },
  { id: 'instruments', name: 'Instruments', href: '/instruments' },
  { id: 'data', name: 'Data in and out', href: '/data' },
  { id: 'signing-in', name: 'Signing in', href: '/signing-in' },
]

const all = [machines, round, setUpLists]

/** The lists a list stands among. @example listsAround('sites').map(({ id }) => id) // machines, sites, customers */
export const listsAround = (id: string): List[] => all.find((lists) => lists.some((list) => list.id === id)) ?? []
