import { createHash } from 'node:crypto'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { photosIn } from '../../src/core/ledger/photos-in.ts'
import { sameEntry } from '../../src/core/ledger/same-body.ts'
import { shutOutHeader } from '../../src/views/shut-out.ts'

type Fault = 'none' | 'unreachable' | 'answer lost' | 'busy' | 'signed out'

/** A ledger that takes entries as the server does: once by id, a visit whole or not at all. */
export class Ledger {
  entries: Entry[] = []
  /** Whoever is signed in. */
  by = 'ines'
  /** What befalls each request in turn; none where nothing is left. */
  faults: Fault[] = []
  /** The same of each knock at the door, before anything is sent. */
  doorFaults: Fault[] = []
  asked = 0
  /** The server's clock, ms since 1970. */
  nowMs = Date.parse('2026-11-26T09:00:00Z')
  isShutOut: false | 'left' | 'lost' = false
  /** How far writers said that they knew it, by entry. */
  known = new Map<string, number>()
  refuses: (entry: Entry) => string | null = () => null

  /** Photos by the names they were given here, with what was sent. */
  photos = new Map<string, string>()
  refusesPhotos = false

  fetch = (async (url: string, init: RequestInit) => {
    const isDoor = url === '/api/clock'
    if (!isDoor) this.asked += 1
    const fault = (isDoor ? this.doorFaults : this.faults).shift() ?? 'none'
    if (fault === 'unreachable') throw new TypeError('Failed to fetch')
    if (fault === 'busy') return Response.json({ issues: [] }, { status: 503 })
    if (this.isShutOut === 'lost')
      return Response.json({ issues: [] }, { status: 401, headers: { [shutOutHeader]: 'lost' } })
    if (fault === 'signed out') return Response.json({ issues: [] }, { status: 401 })
    if (isDoor)
      return Response.json({
        ...{ now: new Date(this.nowMs).toISOString(), technicianId: this.by, isLeaving: this.isShutOut === 'left' },
      })
    const body = JSON.parse(String(init.body))
    const answer = url === '/api/photos' ? this.takePhoto(body) : this.take(body)
    if (fault === 'answer lost') throw new TypeError('Failed to fetch')
    return answer
  }) as typeof fetch

  private takePhoto({ image }: { image: string }): Response {
    if (this.refusesPhotos) return Response.json({ issues: [issue('is no picture')] }, { status: 422 })
    // Drawn anew: what it holds, and so its name, is another.
    const known = [...this.photos].find(([, sent]) => sent === image)?.[0]
    const name = known ?? createHash('sha256').update(`drawn anew ${image}`).digest('hex')
    this.photos.set(name, image)
    return Response.json({ name })
  }

  private take({
    entries,
    by,
    known,
  }: {
    entries: Entry[]
    by: string
    known?: { id: string; seq: number }[]
  }): Response {
    for (const { id, seq } of known ?? []) this.known.set(id, seq)
    if (by !== this.by)
      return Response.json(
        { issues: [{ path: 'by', code: 'somebody_else', message: 'is somebody else' }] },
        { status: 409 },
      )
    const groups = new Map<string, Entry[]>()
    for (const entry of entries) {
      const key = entry.visitId ?? entry.id
      groups.set(key, [...(groups.get(key) ?? []), entry])
    }
    const verdictOf = new Map<string, object>()
    for (const group of groups.values()) {
      const verdicts = group.map((entry) => {
        const there = this.entries.find(({ id }) => id === entry.id)
        const lost = photosIn(entry).some(({ name }) => !this.photos.has(name))
        const why = lost ? 'names a photo that is not here' : this.refuses(entry)
        if (there)
          return sameEntry(there, entry) ? { verdict: 'already' } : { verdict: 'conflict', issues: [issue('taken')] }
        return why ? { verdict: 'refused', issues: [issue(why)] } : { verdict: 'saved' }
      })
      const isHeld = verdicts.some(({ verdict }) => verdict === 'refused' || verdict === 'conflict')
      for (const [i, entry] of group.entries()) {
        const { verdict } = verdicts[i]!
        if (verdict === 'saved' && !isHeld) this.entries.push(entry)
        verdictOf.set(entry.id, {
          id: entry.id,
          ...(verdict === 'saved' && isHeld ? { verdict: 'held' } : verdicts[i]),
        })
      }
    }
    return Response.json({ verdicts: entries.map(({ id }) => verdictOf.get(id)), seq: this.entries.length })
  }
}

const issue = (message: string) => ({ path: 'body', code: 'no', message })
