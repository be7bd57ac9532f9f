import { expect } from 'chai'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { treatmentKinds } from '../../src/core/softener/treatment-kind.ts'
import { treatmentFields, treatmentValues, typedSettings } from '../../src/islands/site/treatment-fields.ts'
import { treatmentOf } from '../../src/services/treatment-of.ts'

const id = (n: number) => `01939000-0000-7000-8000-${String(n).padStart(12, '0')}`
const asEntry = (kind: string, body: Record<string, unknown>, n: number) => ({
  id: id(n),
  subjectKind: 'softener' as const,
  subjectId: id(999),
  kind: kind as 'setting',
  happenedAt: '2026-11-26T10:00:00Z',
  happenedOn: '2026-11-26',
  body: { v: 1, ...body },
})

describe('fields of a treatment', () => {
  const typed: Record<string, Record<string, string | boolean>> = {
    exchanger: {
      resinL: '12.5',
      saltGPerL: '120',
      itself: true,
      saltTankKg: '25',
      prefilter: true,
      prefilterLitres: '9000',
    },
    cartridge: { capacityG: '875', bypassPercent: '30', prefilter: false },
    membrane: {
      rawPercent: '25',
      rejectLPerL: '1.5',
      calciumMgL: '60',
      bicarbonateMgL: '50',
      prefilter: true,
      catalytic: true,
    },
    carbon: { prefilterLitres: '', catalytic: false },
  }

  for (const kind of treatmentKinds)
    it(`of ${kind} become settings the ledger takes, and come back as they were typed`, () => {
      const made = typedSettings(kind, { ...treatmentValues({}), ...typed[kind] })
      if (!made.ok) throw new Error(made.issues[0]!.message)
      const entries = made.settings.map((setting, n) => asEntry('setting', setting, n))
      for (const entry of entries) expect(parseEntry(entry), JSON.stringify(entry)).to.have.property('ok', true)
      const taken = asEntry('commissioned', { kind, kindVersion: 1, partsNew: true }, 100)
      const softener = treatmentOf(
        [taken, ...entries].map((entry, seq) => ({ ...entry, seq, recordedAt: '', recordedBy: '' })) as never,
      )
      const back = typedSettings(kind, treatmentValues(softener), softener as never)
      expect(back).to.deep.equal(made)
      // Every field that can be typed has a value to begin with.
      const values = treatmentValues(softener)
      for (const field of treatmentFields(kind)) expect(values, field.id).to.have.property(field.id)
    })

  it('say at the first field what cannot be', () => {
    const wrong = (kind: (typeof treatmentKinds)[number], part: Record<string, string>) => {
      const made = typedSettings(kind, { ...treatmentValues(), capacityG: '500', ...part })
      return made.ok ? null : [made.issues[0]!.path, made.issues[0]!.message]
    }
    expect(wrong('exchanger', { resinL: '' })).to.deep.equal(['resinL', 'must be a number above 0'])
    expect(wrong('exchanger', { resinL: '0' })).to.deep.equal(['resinL', 'must be a number above 0'])
    expect(wrong('exchanger', { saltGPerL: 'much' })).to.deep.equal(['saltGPerL', 'must be a number, 0 or more'])
    expect(wrong('cartridge', { bypassPercent: '100' })).to.deep.equal(['bypassPercent', 'must be from 0 to 99'])
    expect(wrong('membrane', { calciumMgL: '-1' })).to.deep.equal(['calciumMgL', 'must be a number, 0 or more'])
    expect(wrong('carbon', { resinL: '' })).to.equal(null)
  })

  it('keep what is set and has no field', () => {
    const made = typedSettings('exchanger', treatmentValues(), { capacityGPerL: 30, reserve: 0.1 })
    expect(made.ok && made.settings[0]).to.include({ resinL: 8, capacityGPerL: 30, reserve: 0.1 })
  })
})
