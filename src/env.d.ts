declare namespace App {
  interface Locals {
    db: import('./records/database.ts').Db
    requestId: string
    /** What this page's own styles are known by. */
    nonce: string
    signedIn: import('./services/sign-in.ts').SignedIn | null
    /** The instant the application goes by. */
    now: Date
  }
}
