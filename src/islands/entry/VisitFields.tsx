import { type VisitTerms, visitTerms, visitTermsWords } from '../../core/ledger/visit-terms.ts'
import { agreedUpTo } from '../../ui/money.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import type { Papers } from '../../views/machine-bundle.ts'
import type { Draft } from './draft.ts'

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  issues: Map<string, string>
  /** The call's times and terms are in the ledger already, from another machine. */
  headed: boolean
  /** Who pays: their order number, and who may say yes. */
  payer: Papers['payer']
}

/** What the customer said, what it was and what was done; when, how long and on whose account. */
export function VisitFields({ draft, onChange, issues, headed, payer }: Props) {
  const text = (slot: 'complaint' | 'cause' | 'repair' | 'remark' | 'note', label: string, hint: string) => (
    <label className="flex flex-col gap-0.5">
      <span className="slim text-[14px]">
        {label} <span className="font-normal text-second">{hint}</span>
      </span>
      <textarea
        className="field w-full"
        rows={1}
        maxLength={2000}
        aria-invalid={issues.has(slot)}
        value={draft[slot]}
        onChange={(event) => onChange({ [slot]: event.target.value })}
      />
      {issues.has(slot) && <b className="text-[13px] text-seal-ink">{issues.get(slot)}</b>}
    </label>
  )
  /** What is for the firm's own eyes: asked once something is written. */
  const ours = (slot: 'remark' | 'note', flag: 'remarkInternal' | 'noteInternal') =>
    draft[slot].trim() !== '' && (
      <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          className="h-5 w-5"
          checked={draft[flag]}
          onChange={(event) => onChange({ [flag]: event.target.checked })}
        />
        for us alone: on no customer’s paper, in no passport
      </label>
    )
  const time = (slot: 'arrived' | 'went', label: string) => (
    <label className="flex items-center gap-2">
      <span className="text-second">{label}</span>
      <input
        type="time"
        className="field mono"
        aria-invalid={issues.has(slot)}
        value={draft[slot]}
        onChange={(event) => onChange({ [slot]: event.target.value })}
      />
      {issues.has(slot) && <b className="text-[13px] text-seal-ink">{issues.get(slot)}</b>}
    </label>
  )
  return (
    <div className="flex flex-col gap-2 pt-1">
      <div className="grid gap-x-4 gap-y-2 md:grid-cols-2">
        {text('complaint', 'Complaint', 'in the customer’s own words')}
        {text('cause', 'Cause', 'what it was')}
        {text('repair', 'Repaired', 'what was done about it')}
        <div>
          {text('remark', 'Left open', 'to do or watch next time')}
          {ours('remark', 'remarkInternal')}
        </div>
      </div>
      <div>
        {text('note', 'Note', 'anything else')}
        {ours('note', 'noteInternal')}
      </div>
      {!headed && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[14px]">
          <label className="flex items-center gap-2">
            <span className="text-second">Terms</span>
            <select className="field" value={draft.terms} onChange={(event) => onChange({ terms: event.target.value })}>
              <option value="">not said</option>
              {visitTerms.map((terms) => (
                <option key={terms} value={terms}>
                  {visitTermsWords[terms as VisitTerms]}
                </option>
              ))}
            </select>
          </label>
          <label className="flex items-center gap-2">
            <span className="text-second">Order no.</span>
            <input
              className="field mono w-[120px]"
              maxLength={60}
              placeholder={payer.orderNumber}
              value={draft.orderNumber}
              onChange={(event) => onChange({ orderNumber: event.target.value })}
            />
          </label>
          {time('arrived', 'Arrived')}
          {time('went', 'Left')}
          <label className="flex items-center gap-2">
            <span className="text-second">Work</span>
            <NumberInput
              className="field mono w-[72px] text-right"
              aria-label="Minutes of work"
              aria-invalid={issues.has('minutes')}
              text={draft.minutes}
              onText={(text) => onChange({ minutes: text })}
              reads={{ whole: true }}
            />
            <span className="text-second">min</span>
            {issues.has('minutes') && <b className="text-[13px] text-seal-ink">{issues.get('minutes')}</b>}
          </label>
          {payer.mayAgree && (
            <span>
              <span className="text-second">Asked first:</span> {payer.mayAgree}
              {agreedUpTo(payer)}
            </span>
          )}
        </div>
      )}
    </div>
  )
}
