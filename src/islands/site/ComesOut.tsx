import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { brewC, indexWords } from '../../core/water/saturation-words.ts'
import { figure } from '../../ui/format.ts'
import { quantityWords } from '../../ui/quantity.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** What comes out, and what that does in a machine. */
export function ComesOut({
  out,
  isCartridge,
  bypass,
}: {
  out: NonNullable<SoftenerPage['out']>
  isCartridge: boolean
  bypass: number
}) {
  const rows: [string, string][] = [
    ['Total hardness', quantityWords(out.hardnessMgL, hardnessSymbol.mgL)],
    ['Carbonate hardness', quantityWords(out.alkalinityMgL, hardnessSymbol.mgL)],
    ['pH', `${out.pH.toFixed(1)}, raw ${out.rawPh.toFixed(1)}`],
    [`Index at ${quantityWords(brewC, '°C')}`, indexWords(out.siBrew)],
    ...(out.sodiumMgL > 0 ? ([['Sodium added', `${figure(out.sodiumMgL)} mg/L`]] as [string, string][]) : []),
  ]
  return (
    <section aria-label="What comes out" className="pb-5">
      <h2 className="head m-0 pb-1">What comes out</h2>
      <dl className="m-0">
        {rows.map(([what, value]) => (
          <div key={what} className="flex gap-3 border-t border-hair py-1 text-[14px]">
            <dt className="flex-1">{what}</dt>
            <dd className="mono m-0 font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p
        className={`mt-1 mb-0 text-[13px] ${isCartridge && bypass < 0.2 ? 'font-semibold text-brass-ink' : 'text-second'}`}
      >
        {isCartridge
          ? bypass < 0.2
            ? 'Below 20 % bypass the water is sour enough to attack brass: open the bypass, from memory.'
            : 'Carbonic acid stays behind, so the pH falls. It takes more when fresh and fades slowly.'
          : 'Carbonate stays: in a steam boiler it turns the water alkaline, pH 10 to 11, and may foam.'}
      </p>
    </section>
  )
}
