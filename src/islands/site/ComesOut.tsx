import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { brewC, indexWords } from '../../core/water/saturation-words.ts'
import { figure } from '../../ui/format.ts'
import { Part } from '../../ui/Part.tsx'
import { quantityWords } from '../../ui/quantity.ts'
import type { SiteSoftener } from '../../views/site-page.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** What comes out, and what that does in a machine. */
export function ComesOut({ out, softener }: { out: NonNullable<SoftenerPage['out']>; softener: SiteSoftener }) {
  const rows: [string, string][] = [
    ['Total hardness', quantityWords(out.hardnessMgL, hardnessSymbol.mgL)],
    ['Carbonate hardness', quantityWords(out.alkalinityMgL, hardnessSymbol.mgL)],
    ['Conductivity', `${figure(Math.round(out.conductivityUsCm))} µS/cm`],
    ['pH', `${out.pH.toFixed(1)}, raw ${out.rawPh.toFixed(1)}`],
    [`Index at ${quantityWords(brewC, '°C')}`, indexWords(out.siBrew)],
    ...(out.sodiumMgL > 0 ? ([['Sodium added', `${figure(out.sodiumMgL)} mg/L`]] as [string, string][]) : []),
  ]
  const said = wordsOf(out, softener)
  return (
    <Part title="What comes out">
      <dl className="m-0">
        {rows.map(([what, value]) => (
          <div key={what} className="flex gap-3 border-t border-hair py-1 text-[14px]">
            <dt className="flex-1">{what}</dt>
            <dd className="mono m-0 font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className={`mt-1 mb-0 text-[13px] ${said.warns ? 'font-semibold text-brass-ink' : 'text-second'}`}>
        {said.words}
      </p>
    </Part>
  )
}

/** Less conducts too little for a level probe to be sure of; from memory. */
const leastUsCm = 80

function wordsOf(
  out: NonNullable<SoftenerPage['out']>,
  { treatment, bypass = 0, prefilter }: SiteSoftener,
): { words: string; warns?: boolean } {
  switch (treatment) {
    case 'cartridge':
      return bypass < 0.2
        ? {
            words: 'Below 20 % bypass the water is sour enough to attack brass: open the bypass, from memory.',
            warns: true,
          }
        : { words: 'Carbonic acid stays behind, so the pH falls. It takes more when fresh and fades slowly.' }
    case 'membrane':
      if (out.conductivityUsCm < leastUsCm)
        return {
          words:
            'So little conducts that a level probe may read dry and the boiler overfill: mix in more raw water, or dose minerals.',
          warns: true,
        }
      return prefilter
        ? { words: 'Carbonic acid passes the membrane, so what it makes is sour until raw water or minerals join it.' }
        : { words: 'Without carbon before it chlorine destroys a thin-film membrane.', warns: true }
    case 'carbon':
      return { words: 'Carbon takes chlorine and tastes out; hardness passes, so descaling goes by the raw water.' }
    default:
      return { words: 'Carbonate stays: in a steam boiler it turns the water alkaline, pH 10 to 11, and may foam.' }
  }
}
