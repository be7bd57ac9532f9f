import { useEffect, useMemo, useState } from 'react'
import { isKind } from '../../core/ledger/is-kind.ts'
import { decimalOf } from '../../core/money/minor.ts'
import { timeAt } from '../../core/quantity/site-time.ts'
import { advisedHere } from '../../core/quotes/advised.ts'
import { ownCall } from '../../core/quotes/own-call.ts'
import { quotesStanding } from '../../core/quotes/quotes-standing.ts'
import { twoVisits, waitingOf } from '../../core/quotes/waiting.ts'
import { effective } from '../../core/standing/histories.ts'
import { dayFull } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { moneyOf } from '../../ui/minor-words.ts'
import { type Fact, TitleBlock } from '../../ui/TitleBlock.tsx'
import { meansItself } from '../../ui/typing.ts'
import type { LeavingPage } from '../../views/leaving-page.ts'
import type { MachineBundle, Papers } from '../../views/machine-bundle.ts'
import { fromPage } from '../from-page.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { QuotesPart } from '../quotes/QuotesPart.tsx'
import { ClosedBand } from './ClosedBand.tsx'
import { Foot } from './Foot.tsx'
import { keptLeavings, nothingYet } from './kept-leaving.ts'
import { LeftMachine } from './LeftMachine.tsx'
import { closingEntries, keptFromClosed, leavingOf, type Signed, saidAtClosing } from './leaving.ts'
import { MinutesField } from './MinutesField.tsx'
import { MoneyPart } from './MoneyPart.tsx'
import { NextPart } from './NextPart.tsx'
import { OpenPart } from './OpenPart.tsx'
import { ReportByMail } from './ReportByMail.tsx'
import { useLeaving } from './use-leaving.ts'
import { wayHref } from './WayRow.tsx'
import { WhoMayAgree } from './WhoMayAgree.tsx'

const RatesSheet = later(() => import('./RatesSheet.tsx').then((module) => module.RatesSheet))
const CoverSheet = later(() => import('./CoverSheet.tsx').then((module) => module.CoverSheet))
const QuoteSheet = later(() => import('../quotes/QuoteSheet.tsx').then((module) => module.QuoteSheet))
const SignScreen = later(() => import('./SignScreen.tsx').then((module) => module.SignScreen))

interface Props {
  page: LeavingPage
  today: string
  me: string
}

/** Nothing is put right: what was closed is shown as it was. */
const asItWasClosed = nothingYet('')

/** One for each thing that is missing, but for those that mean something on every page: a call, going, signing. */
const letterOf = (i: number): string => 'abdefhiklmopqrtuvwxyz'[i] ?? '·'

/** The end of a visit, machine by machine: what was done and is missing, what it costs whom, what stays open, who signs. */
function LeavingView({ page, today, me }: Props) {
  const { opened, change, look } = useLeaving(page)
  const [unfolded, setUnfolded] = useState<string | null>(null)
  const [signing, setSigning] = useState(false)
  const [sheet, setSheet] = useState<'rates' | 'cover' | 'quote' | null>(null)
  /** Closed already, it is opened again to be put right. */
  const [again, setAgain] = useState(false)
  const leaving = useMemo(
    () =>
      opened && page.visitId
        ? leavingOf(page, opened.machines, today, again || !opened.isClosed ? opened.kept : asItWasClosed)
        : null,
    [again, opened, page, today],
  )
  const found = opened && leaving ? { machines: opened.machines, open: leaving.open } : null
  const touched = (leaving?.subjects ?? []).flatMap(({ kind, id }) => (kind === 'machine' ? [id] : [])).join(' ')
  const nextOn = leaving?.next?.on ?? null
  const openKeys = (found?.open ?? []).map(({ key }) => key).join('\n')
  // What is open is told by its keys: typing a reason reckons nothing anew.
  const advice = useMemo(
    () =>
      found && page.visitId
        ? advisedHere({
            ...found,
            visitId: page.visitId,
            today,
            nextOn,
            currency: page.currency,
            touched: touched.split(' ').filter(Boolean),
          })
        : { comes: [], advised: [] },
    [opened?.machines, openKeys, touched, nextOn, page, today],
  )
  const closed = leaving?.closed ?? null
  const isOpen = closed === null || again
  const canClose = leaving !== null && leaving.missing.length === 0
  useEffect(() => {
    if (!leaving || !isOpen) return
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event)) return
      const way = leaving.missing.find((_, i) => letterOf(i) === event.key)
      if (way) location.assign(wayHref(way))
      else if ((event.key === 's' || event.key === 'Enter') && canClose) setSigning(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [canClose, isOpen, leaving])

  if (!page.visitId)
    return (
      <div className="flex flex-1 flex-col bg-enamel">
        <TitleBlock name={`Leaving ${page.site.name}`} under={page.site.area} facts={[]} />
        <p className="m-0 max-w-[640px] px-4 py-4 lg:px-6">
          No visit of yours was begun here today. Begin it in{' '}
          <a className="word" href="/round/day">
            The day
          </a>
          , or save an entry at one of its machines: then it is closed here.
        </p>
      </div>
    )
  if (!opened || !leaving)
    return (
      <div className="flex flex-1 flex-col bg-enamel">
        <TitleBlock name={`Leaving ${page.site.name}`} under={page.site.area} facts={[]} />
        <p className="m-0 p-4 text-second lg:px-6">Reading what was done here …</p>
      </div>
    )
  const { header, subjects, totals, told } = leaving
  const missing = isOpen ? leaving.missing : []
  const { kept } = opened
  const letters = new Map(missing.map((way, i) => [way.key, letterOf(i)]))
  const clock = (instant: string) => timeAt(page.site.timeZone, Date.parse(instant))
  const atMachines = subjects.reduce((sum, { minutes }) => sum + minutes, 0)
  const facts: Fact[] = [
    ...(header?.body.arrivedAt
      ? [
          {
            label: 'Here',
            value: `${clock(header.body.arrivedAt)}–${header.body.leftAt ? clock(header.body.leftAt) : '…'}`,
          },
        ]
      : []),
    {
      label: 'At the machines',
      value: `${atMachines} min`,
      source: `${subjects.length} ${subjects.length === 1 ? 'stop' : 'stops'}`,
    },
    {
      label: 'Charged',
      value: moneyOf(totals.netMinor, page.currency),
      source: `of ${moneyOf(totals.worthMinor, page.currency)}`,
    },
    { label: 'Left open', value: told.length },
    ...(isOpen
      ? [
          {
            label: 'Missing',
            value: missing.length,
            source: 'before it closes',
            tone: missing.length > 0 ? 'text-copper' : '',
          },
        ]
      : []),
  ]
  const road = {
    minutes: kept.roadMinutes ?? closed?.body.roadMinutes ?? 0,
    km: kept.roadKm ?? closed?.body.roadKm ?? 0,
  }
  const callMinor = ownCall(leaving.rates, road)
  const days = twoVisits(today, nextOn)
  const histories = opened.machines.map(({ ledgers }) => effective(ledgers))
  const quotes = quotesStanding(
    histories[0]?.site?.entries ?? [],
    histories.flatMap(({ machine }) => (machine?.entries ?? []).filter(isKind('fitted'))),
    today,
  )
  const payers = payersOf(opened.bundles, touched.split(' '))
  const [payer] = payers
  const say = (record: 'reasons' | 'isolated', key: string, words: string) =>
    change({ [record]: { ...kept[record], [key]: words } })
  const onSigned = async (signed: Signed, struck: ReadonlySet<number>): Promise<string | null> => {
    const written = await writeFrom(
      closingEntries(page, leaving, kept, signed, struck, {
        me,
        today,
        ...(payers.length === 1 && payer!.orderNumber && { orderNumber: payer!.orderNumber }),
      }),
    )
    if (!written.ok) return written.issues[0]!.message
    await keptLeavings.drop(page.visitId!)
    setSigning(false)
    setAgain(false)
    await look()
    return null
  }
  return (
    <div className="flex flex-1 flex-col bg-enamel">
      <TitleBlock
        name={`Leaving ${page.site.name}`}
        under={[page.site.area, header ? dayFull(header.happenedOn) : dayFull(today)].filter(Boolean).join(', ')}
        facts={facts}
        action={
          <a className="plain inline-flex items-center whitespace-nowrap" href={`/visits/${page.visitId}`}>
            The visit
          </a>
        }
      />
      {closed && !again && (
        <ClosedBand
          closed={closed}
          firstId={leaving.closedFirstId ?? closed.id}
          timeZone={page.site.timeZone}
          currency={page.currency}
          sinceClosed={leaving.sinceClosed}
          onAgain={() => {
            change(keptFromClosed(leavingOf(page, opened.machines, today, opened.kept), opened.kept.id))
            setAgain(true)
          }}
        />
      )}
      {opened.away > 0 && (
        <p className="m-0 border-b border-hair px-4 py-2 font-semibold text-brass-ink lg:px-6">
          {opened.away === 1 ? 'One machine' : `${opened.away} machines`} of this place could not be read here: what was
          done there is not in this list.
        </p>
      )}
      <div className="grid flex-1 lg:grid-cols-[minmax(0,1fr)_minmax(0,440px)]">
        <div className="min-w-0">
          <h2 className="head m-0 px-4 pt-2 pb-1 lg:pl-[66px]">
            Done here{' '}
            <span className="text-[14px] font-normal text-second">
              {countLines(subjects)}, from the ledger;{' '}
              <span className="max-sm:hidden">◇ found, shaded accepted, ● left</span>
            </span>
          </h2>
          {subjects.length === 0 && (
            <p className="m-0 px-4 pb-3 text-second lg:pl-[66px]">
              Nothing is written of a machine on this visit yet. What was done is entered at the machine, then it stands
              here.
            </p>
          )}
          {subjects.map((subject, i) => (
            <LeftMachine
              key={subject.id}
              n={i + 1}
              subject={subject}
              letters={letters}
              missing={missing.filter(({ subjectId }) => subjectId === subject.id)}
              open={unfolded === subject.id || (unfolded === null && i === 0)}
              onOpen={() => setUnfolded(unfolded === subject.id ? '' : subject.id)}
              onMinutes={
                isOpen
                  ? (minutes) => {
                      const { [subject.id]: _, ...rest } = kept.minutes
                      change({ minutes: minutes === null ? rest : { ...rest, [subject.id]: minutes } })
                    }
                  : null
              }
              way={
                isOpen
                  ? {
                      said: (way) =>
                        (way.closesAs === 'isolated' ? kept.isolated[way.key] : kept.reasons[way.key]) ?? '',
                      onSay: (way, words) => say(way.closesAs === 'isolated' ? 'isolated' : 'reasons', way.key, words),
                    }
                  : { said: (way) => saidAtClosing(closed!.body, way), onSay: null }
              }
            />
          ))}
        </div>
        <div className="min-w-0 bg-page px-4 pt-2 lg:border-l lg:border-hair lg:px-5">
          {isOpen && (
            <p className="m-0 flex flex-wrap items-center gap-x-4 gap-y-1 pb-2 text-[14px] text-second">
              On the road
              <MinutesField
                name="Minutes on the road"
                minutes={kept.roadMinutes ?? 0}
                onChange={(minutes) => change({ roadMinutes: minutes ?? 0 })}
              />
              <MinutesField
                name="Kilometres"
                unit="km"
                minutes={kept.roadKm ?? 0}
                onChange={(km) => change({ roadKm: km ?? 0 })}
              />
            </p>
          )}
          <MoneyPart
            leaving={leaving}
            currency={page.currency}
            kept={kept}
            onChange={isOpen ? change : null}
            onOpen={setSheet}
            onPartPrice={async (line, priceMinor) => {
              const kind = subjects.find(({ id }) => id === line.subjectId)?.machineKind
              if (!kind || !line.part) return 'is of no part that is known here'
              const price = Number(decimalOf(priceMinor, page.currency))
              const body = { setting: 'part-price' as const, kind: kind.basedOn ?? kind.id, part: line.part, price }
              const told = await writeFrom([makeEntry('firm', page.firmId, 'setting', body, today)])
              if (told.ok) await look()
              return told.ok ? null : told.issues[0]!.message
            }}
          />
          {isOpen && <WhoMayAgree payers={payers} netMinor={totals.netMinor} currency={page.currency} />}
          {isOpen && opened.bundles[0] && (
            <ReportByMail
              customer={opened.bundles[0].site.customer}
              asked={kept.reportByMail ?? false}
              onChange={(reportByMail) => change({ reportByMail })}
            />
          )}
          <OpenPart
            leaving={leaving}
            currency={page.currency}
            today={today}
            callMinor={callMinor}
            waits={new Map(advice.advised.map((one) => [one.key, waitingOf(one, days, callMinor)]))}
            onUntil={isOpen ? (key, until) => change({ until: { ...kept.until, [key]: until } }) : null}
          />
          <NextPart leaving={leaving} rows={advice.comes} />
          <QuotesPart quotes={quotes} today={today} onWrite={() => setSheet('quote')} onSaved={look} />
        </div>
      </div>
      {isOpen && (
        <Foot
          missing={missing}
          letters={letters}
          nameOf={(id) => subjects.find((one) => one.id === id)?.name ?? ''}
          onSign={() => setSigning(true)}
        />
      )}
      {sheet === 'rates' && (
        <RatesSheet
          firmId={page.firmId}
          currency={page.currency}
          now={leaving.isRated ? leaving.rates : {}}
          today={today}
          onClose={() => setSheet(null)}
          onSaved={look}
        />
      )}
      {sheet === 'cover' && opened.bundles[0] && (
        <CoverSheet
          siteId={page.site.id}
          customerId={opened.bundles[0].site.customer.id}
          currency={page.currency}
          now={leaving.cover}
          taxTold={leaving.taxTold}
          kinds={opened.machines.flatMap(({ kind }) => kind ?? [])}
          today={today}
          onClose={() => setSheet(null)}
          onSaved={look}
        />
      )}
      {sheet === 'quote' && (
        <QuoteSheet
          siteId={page.site.id}
          visitId={page.visitId}
          advised={advice.advised}
          terms={leaving}
          callMinor={callMinor}
          road={road}
          currency={page.currency}
          today={today}
          onClose={() => setSheet(null)}
          onSaved={look}
        />
      )}
      {signing && (
        <SignScreen
          site={page.site.name}
          on={dayFull(header?.happenedOn ?? today)}
          sentences={leaving.sentences}
          name={kept.name}
          as={kept.as}
          onWho={change}
          onBack={() => setSigning(false)}
          onSigned={onSigned}
        />
      )}
    </div>
  )
}

/** Whoever pays for machines that were worked on, each once. */
function payersOf(bundles: readonly MachineBundle[], touched: readonly string[]): Papers['payer'][] {
  const at = bundles.filter(({ machine }) => touched.includes(machine.id))
  return [...new Map(at.map(({ papers: { payer } }) => [payer.id, payer])).values()]
}

function countLines(subjects: { lines: unknown[]; rest: unknown[] }[]): string {
  const lines = subjects.reduce((sum, one) => sum + one.lines.length + one.rest.length, 0)
  return `${lines} ${lines === 1 ? 'line' : 'lines'}`
}

export const LeavingIsland = fromPage(LeavingView)
