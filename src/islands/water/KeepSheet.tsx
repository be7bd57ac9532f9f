import { useState } from 'react'
import type { Sample } from '../../core/sample/sample.ts'
import type { SampleBody } from '../../core/sample/sample-entries.ts'
import { sampleBodies } from '../../core/sample/sample-entries.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { RecordPage } from '../../views/record-page.ts'
import type { WaterBenchPage } from '../../views/water-bench.ts'
import { writeFrom, writtenAbout } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { typedText, wrongAt } from '../records/form-values.ts'
import { RecordChoice } from '../records/RecordChoice.tsx'
import { SheetForm } from '../records/SheetForm.tsx'
import { useFetched } from '../use-fetched.ts'

interface Props {
  page: WaterBenchPage
  sample: Sample
  today: string
  onClose: () => void
}

/** Writes the sample down as a site's test, and what came out of its softener as the softener's. */
export function KeepSheet({ page, sample, today, onClose }: Props) {
  const [siteId, setSiteId] = useState(page.site?.id ?? '')
  const [softeners, setSofteners] = useState<WaterBenchPage['softeners']>(page.softeners)
  const [ids] = useState(() => Array.from({ length: 5 }, newId))
  useFetched<RecordPage<'softener'>>(
    siteId && siteId !== page.site?.id ? `/api/records/softener?siteId=${siteId}` : null,
    ({ rows }) => setSofteners(rows.map(({ id, name }) => ({ id, name }))),
  )
  const bodies = sampleBodies(sample)
  const softened = bodies.some(({ about }) => about === 'softened')
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Keep as a test"
      about="It speaks for every machine at the site from its day on, before what the works print."
    >
      {page.site ? (
        <p className="m-0 mb-2">
          <b>{page.site.name}</b>
        </p>
      ) : (
        <RecordChoice kind="site" label="Find the site" chosen={siteId} onChoose={setSiteId} />
      )}
      <SheetForm
        key={`${siteId} ${softeners.length}`}
        fields={[
          { id: 'on', label: 'Taken on', kind: 'day', half: true, paths: ['happenedOn'] },
          ...(softened && softeners.length > 0
            ? [
                {
                  id: 'softenerId',
                  label: 'After which treatment',
                  kind: 'choice' as const,
                  options: softeners.map(({ id, name }): [string, string] => [id, name]),
                },
                {
                  id: 'quantity',
                  label: 'What was counted after it',
                  hint: 'a cartridge is told by carbonate',
                  kind: 'choice' as const,
                  options: [
                    ['total', 'total hardness'],
                    ['carbonate', 'carbonate hardness'],
                  ] satisfies [string, string][],
                },
              ]
            : []),
        ]}
        values={{
          on: today,
          softenerId: softeners[0]?.id ?? '',
          quantity: softeners[0]?.treatment === 'cartridge' ? 'carbonate' : 'total',
        }}
        save="Keep it"
        onCancel={onClose}
        onSave={async (values) => {
          if (!siteId) return wrongAt('', 'Choose a site first.')
          if (softened && softeners.length === 0)
            return wrongAt('', 'This site has no treatment: empty the outlet’s drops, or add one first.')
          const on = typedText(values, 'on') || today
          const softenerId = typedText(values, 'softenerId')
          const told = await writeFrom(
            bodies.map(({ about, jotting }, i) =>
              about === 'raw'
                ? writtenAbout('site', siteId, jotting, on, { id: ids[i]! })
                : writtenAbout('softener', softenerId, asQuantity(jotting, typedText(values, 'quantity')), on, {
                    id: ids[i]!,
                  }),
            ),
          )
          if (told.ok) location.assign(`/sites/${siteId}`)
          return told
        }}
      />
    </Sheet>
  )
}

/** What was counted after the treatment, told apart from raw water's. */
const asQuantity = (jotting: SampleBody['jotting'], quantity: string): SampleBody['jotting'] =>
  jotting.kind === 'water-test'
    ? { ...jotting, body: { ...jotting.body, quantity: quantity === 'carbonate' ? 'carbonate' : 'total' } }
    : jotting
