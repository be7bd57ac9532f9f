/** Who belongs to a firm, and where they are signed in. */
export interface PeoplePage {
  people: {
    id: string
    name: string
    initials: string
    role: 'owner' | 'technician'
    leftOn?: string
    /** The address they sign in with; absent until they have joined. */
    email?: string
    /** Shows more than a password; told to the owner, who alone can let them in without. */
    hasSecond?: true
    /** A one-time link that still waits. */
    link?: { purpose: 'join' | 'reset'; expiresAt: string }
  }[]
  sessions: {
    id: string
    technicianId: string
    device: string
    createdAt: string
    seenAt: string
    /** The one this page is seen with. */
    own: boolean
  }[]
}
