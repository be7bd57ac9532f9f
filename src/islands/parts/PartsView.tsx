import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { PartRow, PartsPage } from '../../views/part-page.ts'
import { island } from '../island.tsx'
import { PartLearned } from './PartLearned.tsx'

interface Props {
  page: PartsPage
  today: string
}

const hrefOf = (kind: string, row?: PartRow) =>
  `/parts?${new URLSearchParams({ kind, ...(row && { part: row.taskId, ...(row.variant && { material: row.variant }) }) })}`

/** What this firm's own parts of a kind lasted, beside what the catalogue says. */
function PartsView({ page, today }: Props) {
  const { kind, kinds, rows, chosen } = page
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="What parts last"
        under={kind ? kind.name : 'nothing yet'}
        facts={
          kind
            ? [
                { label: 'Machines', value: figure(kind.machines) },
                ...(kind.read < kind.machines ? [{ label: 'Read here', value: figure(kind.read) }] : []),
                {
                  label: 'Parts on record',
                  value: figure(rows.reduce((n, row) => n + row.failures + row.censored, 0)),
                },
                { label: 'Of them worn out', value: figure(rows.reduce((n, row) => n + row.failures, 0)) },
              ]
            : []
        }
        action={
          <label className="flex max-w-full min-w-0 items-center gap-2">
            <span className="sr-only">Kind of machine</span>
            <select
              className="field w-full min-w-0 max-w-[300px]"
              value={kind?.id ?? ''}
              onChange={(event) => location.assign(hrefOf(event.target.value))}
            >
              {kinds.map(({ id, name, machines }) => (
                <option key={id} value={id}>
                  {name}, {machines}
                </option>
              ))}
            </select>
          </label>
        }
      />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <section className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6" aria-label="Parts">
          <p className="mt-0 mb-2 max-w-[720px] text-[14px] text-second">
            A part changed while good, or still in, counts as good when last seen. Learned figures act only once you
            adopt them. Choose a part to see its curve.
          </p>
          <table className="w-full border-collapse text-[14px]">
            <thead>
              <tr className="slim text-left text-[13px] text-second">
                <th className="py-1 font-semibold">Part</th>
                <th className="text-right font-semibold">Worn out</th>
                <th className="text-right font-semibold max-sm:hidden">Good</th>
                <th className="text-right font-semibold">Catalogue</th>
                <th className="text-right font-semibold">Learned</th>
                <th className="pl-4 font-semibold max-md:hidden">Against it</th>
                <th className="text-right font-semibold max-sm:hidden">Yours</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row
                  key={`${row.taskId} ${row.variant ?? ''}`}
                  row={row}
                  href={hrefOf(kind!.id, row)}
                  on={chosen?.row.taskId === row.taskId && chosen.row.variant === row.variant}
                />
              ))}
            </tbody>
          </table>
          {rows.length === 0 && (
            <p className="text-second">No machine yet: add one at its site, and its parts are here.</p>
          )}
        </section>
        {chosen && kind && (
          <aside
            className="shrink-0 border-hair px-5 pt-3 pb-8 max-lg:order-first lg:w-[500px] lg:border-l"
            aria-label="What it lasted"
          >
            <PartLearned page={page} chosen={chosen} kind={kind} today={today} />
          </aside>
        )}
      </div>
    </div>
  )
}

function Row({ row, href, on }: { row: PartRow; href: string; on: boolean }) {
  const ratio = row.learnedLife / row.catalogueLife
  const known = row.failures > 0
  return (
    <tr className={`h-[36px] border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}>
      <td className="pl-2">
        <a
          href={href}
          aria-current={on ? 'true' : undefined}
          className="inline-flex min-h-[36px] items-center font-semibold hover:underline"
        >
          {row.name}
        </a>
      </td>
      <td className="mono text-right">{row.failures || '–'}</td>
      <td className="mono text-right max-sm:hidden">{row.censored || '–'}</td>
      <td className="mono pl-3 text-right whitespace-nowrap">
        {figure(row.catalogueLife)} <span className="text-[13px] text-second max-sm:hidden">{row.unit}</span>
      </td>
      <td className={`mono pl-3 text-right whitespace-nowrap ${known ? 'font-semibold' : 'text-second'}`}>
        {known ? figure(Number(row.learnedLife.toPrecision(3))) : '–'}
      </td>
      <td className="pl-4 max-md:hidden">
        {known && (
          <svg width={90} height={16} role="img" aria-label={`${Math.round(ratio * 100)} % of the catalogue`}>
            <path d="M45 1V15" stroke="var(--ink)" />
            <rect
              x={Math.min(45, 45 + barOf(ratio))}
              y={4}
              width={Math.max(1, Math.abs(barOf(ratio)))}
              height={8}
              fill={ratio < 1 ? 'var(--brass)' : 'var(--water)'}
            />
          </svg>
        )}
      </td>
      <td className="mono text-right max-sm:hidden">{row.adopted ? figure(row.adopted.value) : ''}</td>
    </tr>
  )
}

/** Twice as long fills the right half, half as long the left. */
const barOf = (ratio: number) => Math.max(-43, Math.min(43, Math.log2(ratio) * 43))

export const PartsViewIsland = island(PartsView)
