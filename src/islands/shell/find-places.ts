/** A page or a command of the find box: its name, other words for it, where it leads. */
export interface FindPlace {
  sort: 'page' | 'command'
  name: string
  /** Words that mean it too. */
  also?: string
  href?: string
  run?: 'print' | 'sign-out' | 'scan'
}

export const findPlaces: FindPlace[] = [
  { sort: 'page', name: 'Round: what is coming due', also: 'board overdue list today', href: '/round' },
  { sort: 'page', name: 'A call', also: 'telephone ring back customer rings', href: '/round/call' },
  { sort: 'page', name: 'Machines', href: '/machines' },
  { sort: 'page', name: 'Machines out of service', also: 'retired scrapped', href: '/machines?stage=retired' },
  { sort: 'page', name: 'Machines in the workshop', also: 'repair bench loan', href: '/machines?stage=workshop' },
  { sort: 'page', name: 'Sites', also: 'places addresses', href: '/sites' },
  { sort: 'page', name: 'Customers', also: 'people telephone', href: '/customers' },
  { sort: 'page', name: 'Water bench', also: 'hardness titration mix', href: '/water' },
  { sort: 'page', name: 'Water zones and their analyses', also: 'supplies waterworks', href: '/supplies' },
  { sort: 'page', name: 'Visits', also: 'calls came back', href: '/visits' },
  { sort: 'page', name: 'Invoices and credit notes', also: 'bills money books tax', href: '/invoices' },
  { sort: 'page', name: 'Letters and the mailbox', also: 'e-mail sent mail smtp', href: '/letters' },
  { sort: 'page', name: 'Instruments and reagents', also: 'calibration gauge pen', href: '/instruments' },
  { sort: 'page', name: 'Kinds of machine', also: 'models limits intervals', href: '/kinds' },
  { sort: 'page', name: 'What parts last', also: 'lives learned', href: '/parts' },
  { sort: 'page', name: 'Procedures', also: 'backflush descale how to', href: '/procedures' },
  { sort: 'page', name: 'Figures from memory', also: 'defaults assumptions', href: '/figures' },
  { sort: 'page', name: 'The firm and its people', also: 'settings units technicians log', href: '/firm' },
  { sort: 'page', name: 'Data in and out', also: 'export backup file import', href: '/data' },
  { sort: 'page', name: 'Lists that were brought in', also: 'imports take back', href: '/imports' },
  { sort: 'page', name: 'What waits on this device', also: 'offline unsent network outbox', href: '/waits' },
  { sort: 'page', name: 'Signing in', also: 'password passkey code devices', href: '/signing-in' },
  { sort: 'command', name: 'Machines from a spreadsheet', also: 'import list xlsx csv', href: '/import/machines' },
  { sort: 'command', name: 'Customers from a spreadsheet', also: 'import list xlsx csv', href: '/import/customers' },
  { sort: 'command', name: 'Past work from a spreadsheet', also: 'import history xlsx csv', href: '/import/work' },
  { sort: 'command', name: 'Readings from a spreadsheet', also: 'import counters xlsx csv', href: '/import/readings' },
  { sort: 'command', name: 'First steps', also: 'add place machine begin', href: '/first-steps' },
  { sort: 'command', name: 'Scan a label', also: 'camera qr code machine', run: 'scan' },
  { sort: 'command', name: 'Print this page', also: 'paper pdf', run: 'print' },
  { sort: 'command', name: 'Sign out', also: 'leave log off', run: 'sign-out' },
]
