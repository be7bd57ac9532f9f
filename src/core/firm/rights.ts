export const roles = ['owner', 'technician'] as const
export type Role = (typeof roles)[number]

interface Right {
  /** Who may. */
  roles: readonly Role[]
  /** Who may is asked once more who they are, unless they showed it a moment ago. */
  asksAgain?: true
}

const everybody = roles
const owners = ['owner'] as const

/** Who may what: the one table that the code and its tests go by. */
const rights = {
  /** Look, and write into the ledger; keep customers, sites, machines, instruments. */
  work: { roles: everybody },
  /** What somebody signs in with: password, code app, passkeys, paper. */
  'own-proofs': { roles: everybody, asksAgain: true },
  'keep-people': { roles: owners, asksAgain: true },
  'keep-the-firm': { roles: owners },
  'make-a-link': { roles: owners, asksAgain: true },
  'end-others-sessions': { roles: owners },
  'forget-others-proofs': { roles: owners, asksAgain: true },
  'set-how-to-sign-in': { roles: owners, asksAgain: true },
  'read-who-signed-in': { roles: owners },
  'take-all-out': { roles: owners, asksAgain: true },
  /** Policies, limits and procedures of the whole firm. */
  'decide-for-the-firm': { roles: owners },
  /** Issue invoices and take them back: a number that is given stays given. */
  bill: { roles: owners },
  /** Which kind a machine is read as: it holds for all that is reckoned of it. */
  'choose-a-kind': { roles: owners },
  /** Whether backups and background work went well, and asking again for what failed. */
  'see-to-the-works': { roles: owners },
  /** Take out of the records who has left, or is no longer a customer. */
  'forget-people': { roles: owners, asksAgain: true },
} as const satisfies Record<string, Right>
export type Act = keyof typeof rights

/** @example may('technician', 'take-all-out') // false */
export const may = (role: Role, act: Act): boolean => (rights[act] as Right).roles.includes(role)

export const asksAgain = (act: Act): boolean => (rights[act] as Right).asksAgain ?? false
