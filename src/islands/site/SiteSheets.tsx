import { useState } from 'react'
import { busyMonths, monthNames } from '../../core/quantity/month-words.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SitePage } from '../../views/site-page.ts'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { ByMistake } from '../records/ByMistake.tsx'
import { typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { siteFields, siteRecord, typed } from '../records/record-fields.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface AboutSite {
  siteId: string
  today: string
  onClose: () => void
}

/** What a site is called, where it is, who goes there, which water comes in. */
export function EditSiteSheet({ page, onClose }: { page: SitePage; onClose: () => void }) {
  const { site } = page
  return (
    <Sheet open onOpenChange={onClose} title="Edit the site" about="What is changed is kept in the firm's log.">
      <SheetForm
        fields={[
          ...siteFields(page.choices),
          {
            id: 'retiredOn',
            label: 'Out of service since',
            hint: 'empty while it is served',
            kind: 'day',
            half: true,
          },
        ]}
        values={typed(site, { supplyId: '', altitudeM: '', latitude: '', longitude: '', retiredOn: '' })}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const told = await keep('site', site.id, site.version, siteRecord(values))
          if (told.ok) location.reload()
          return told
        }}
      />
      <ByMistake kind="site" id={site.id} name={site.name} after="/sites" />
    </Sheet>
  )
}

/** Days on which nothing is drawn. */
export function ClosureSheet({ siteId, today, onClose }: AboutSite) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Add a closure"
      about="While it is closed nothing is drawn: every counted date behind it moves."
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Why', hint: 'holidays, works; may be empty', paths: ['body.name'] },
          { id: 'from', label: 'First day closed', kind: 'day', half: true, paths: ['body.from'] },
          { id: 'to', label: 'Last day closed', kind: 'day', half: true, paths: ['body.to', 'body'] },
        ]}
        values={{ name: '', from: '', to: '' }}
        save="Add it"
        onCancel={onClose}
        onSave={async (values) => {
          const [from, to, name] = ['from', 'to', 'name'].map((id) => typedText(values, id)) as [string, string, string]
          if (!from) return wrongAt('from', 'is missing')
          if (!to) return wrongAt('to', 'is missing')
          if (to < from) return wrongAt('to', 'must not be before the first')
          const body = { setting: 'closure' as const, from, to, ...(name && { name }) }
          const told = await writeFrom([makeEntry('site', siteId, 'setting', body, today)])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}

/** Weekdays it is open on. */
export function OpeningSheet({ siteId, today, openWeekdays: now, onClose }: AboutSite & { openWeekdays: number[] }) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Open days"
      about="Days on which drinks are made. Every count a day is a count an open day."
    >
      <SheetForm
        fields={[{ id: 'days', label: 'Open on', kind: 'weekdays', paths: ['body.openWeekdays'] }]}
        values={{ days: now.map(String) }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const openWeekdays = (values.days as string[]).map(Number).sort()
          if (openWeekdays.length === 0) return wrongAt('days', 'must name at least one day')
          const told = await writeFrom([
            makeEntry('site', siteId, 'setting', { setting: 'opening', openWeekdays }, today),
          ])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}

interface MonthsProps extends AboutSite {
  months: number[]
  seen: SitePage['monthsSeen']
}

/** How busy each month is beside the others. */
export function MonthsSheet({ siteId, today, months, seen, onClose }: MonthsProps) {
  const [from, setFrom] = useState(months)
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Busy months"
      about="1 is as usual, 1.5 half as much again, 0.5 half. Every forecast follows; the use a day is then that of an ordinary month."
    >
      {seen && (
        <p className="mt-0 mb-3 text-[14px]">
          Its counters, over {Math.round(seen.days / 30.4)} months, say: <b>{busyMonths(seen.months)}</b>.{' '}
          {seen.days < 700 && 'Under two years a place that grows looks like a season. '}
          <button type="button" className="word" onClick={() => setFrom(seen.months)}>
            Take these
          </button>
        </p>
      )}
      <SheetForm
        key={from.join()}
        fields={monthNames.map((label, i) => ({
          id: `m${i}`,
          label,
          kind: 'number' as const,
          reads: { from: 0.1, to: 10 },
          half: true,
          paths: [`body.months[${i}]`],
        }))}
        values={Object.fromEntries(from.map((share, i) => [`m${i}`, String(share)]))}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const shares = monthNames.map((_, i) => typedNumber(values, `m${i}`) ?? Number.NaN)
          const wrong = shares.findIndex((share) => !(share >= 0.1 && share <= 10))
          if (wrong >= 0) return wrongAt(`m${wrong}`, 'is a number from 0.1 to 10')
          const body = { setting: 'busy-months' as const, months: shares }
          const told = await writeFrom([makeEntry('site', siteId, 'setting', body, today)])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
