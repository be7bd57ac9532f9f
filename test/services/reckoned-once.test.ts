import { expect } from 'chai'
import { reckonBundle } from '../../src/islands/machine/reckon-bundle.ts'
import type { Db } from '../../src/records/database.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { reckonedOnce } from '../../src/services/reckoned-once.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what is reckoned once', () => {
  let db: Db
  let firm: SmallFirm
  const bundleOf = async (id: string): Promise<MachineBundle> => (await machineBundle(db, firm.firmId, id))!
  const write = (...entries: object[]) =>
    writeEntries(db, { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' }, entries, { now: testNow })
  /** What is kept is what is made anew, whatever was written: @returns whether it was made anew. */
  const isMade = async (id: string): Promise<boolean> => {
    const bundle = await bundleOf(id)
    let made = false
    const kept = reckonedOnce(bundle, () => {
      made = true
      return reckonBundle(bundle)
    })
    expect(kept).to.deep.equal(reckonBundle(bundle))
    return made
  }

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Reckons Once')
    await write(...firstEntries(firm.c2, 'c2'), ...firstEntries(firm.sr, 'sr'))
  })
  after(() => db.destroy())

  it('is kept while nothing is written, of each machine its own', async () => {
    expect([await isMade(firm.c2), await isMade(firm.c2)]).to.deep.equal([true, false])
    expect([await isMade(firm.sr), await isMade(firm.c2), await isMade(firm.sr)]).to.deep.equal([true, false, false])
  })

  it('is made anew after whatever its reckoning reads: of the machine, what it hangs on, the firm', async () => {
    const correction = entryAbout(
      'machine',
      firm.c2,
      'reading',
      { counter: 'shots', count: 7200 },
      { on: '2026-11-10' },
    )
    const about: [string, object][] = [
      ['a reading', correction],
      [
        'its correction',
        {
          ...entryAbout('machine', firm.c2, 'withdrawn', { reason: 'misread' }, { on: '2026-11-10' }),
          supersedes: correction.id,
        },
      ],
      [
        'the softener taken on',
        entryAbout('softener', firm.softenerId, 'commissioned', { kind: 'exchanger', kindVersion: 1, partsNew: true }),
      ],
      [
        'the water',
        entryAbout('supply', firm.supplyId, 'water-test', {
          point: 'raw',
          quantity: 'total',
          method: 'figure',
          unit: 'mgL',
          value: 300,
        }),
      ],
      ['a rule of the firm', entryAbout('firm', firm.firmId, 'setting', { setting: 'policy', policy: 'cautious' })],
    ]
    for (const [what, entry] of about) {
      await isMade(firm.c2)
      const { verdicts } = await write(entry)
      expect(verdicts, what).to.deep.equal([{ id: (entry as { id: string }).id, verdict: 'saved' }])
      expect(await isMade(firm.c2), what).to.equal(true)
      expect(await isMade(firm.c2), what).to.equal(false)
    }
  })
})
