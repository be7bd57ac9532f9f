import { kindById } from '../../core/kinds/index.ts'
import { type Family, familyNames } from '../../core/procedures/procedure.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ProcedureRow } from '../../views/procedure-page.ts'

/** The library: every procedure, for what, in how many ways. */
export function ProcedureList({ procedures, firm }: { procedures: ProcedureRow[]; firm: string }) {
  const own = procedures.filter((one) => one.own).length
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Procedures"
        under={firm}
        facts={[
          { label: 'In the library', value: procedures.length - own },
          { label: 'Our own', value: own },
        ]}
        action={
          <a href="/procedures/bench" className="act inline-flex items-center whitespace-nowrap">
            Practise finding faults
          </a>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 pb-2 text-[14px] text-second">
          Led step by step from a machine’s own page, under Work. Here they stand to be read, compared, and made your
          own.
        </p>
        {(Object.keys(familyNames) as Family[]).map((family) => (
          <section key={family} aria-label={familyNames[family]} className="pb-3">
            <h2 className="head m-0">{familyNames[family]}</h2>
            <ul className="m-0 list-none p-0">
              {procedures
                .filter((one) => one.family === family)
                .map((procedure) => (
                  <li
                    key={procedure.id}
                    className="flex min-h-[52px] flex-wrap items-center gap-x-5 border-t border-hair py-1"
                  >
                    <span className="min-w-[260px] flex-1">
                      <a href={`/procedures/${procedure.id}`} className="font-semibold hover:underline">
                        {procedure.name}
                      </a>
                      {procedure.own && (
                        <span className="text-[14px] text-copper">
                          {' '}
                          our own, version {procedure.own.version}
                          {procedure.own.inUse ? '' : ', out of use'}
                        </span>
                      )}
                      <span className="block text-[14px] text-second">
                        {procedure.standsIn ? `“${procedure.standsIn.name}” stands in for it here.` : procedure.about}
                      </span>
                    </span>
                    <span className="text-[14px] text-second md:w-[320px]">{kindsWords(procedure.kinds)}</span>
                    <span className="mono text-[14px] md:w-[100px] md:text-right">
                      {procedure.ways} {procedure.ways === 1 ? 'way' : 'ways'}
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
    </div>
  )
}

/** One or two kinds by name; more are counted, and named on its own page. */
const kindsWords = (ids: string[]): string =>
  ids.length > 2 ? `for ${ids.length} kinds of machine` : ids.map((id) => kindById(id)?.name ?? id).join('; ')
