import { useState } from 'react'
import { dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import type { PartsPage } from '../../views/part-page.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { useWrite } from '../use-write.ts'
import { WhenToChange } from './WhenToChange.tsx'

const SurvivalChart = later(
  () => import('./SurvivalChart.tsx').then((module) => module.SurvivalChart),
  () => <div className="h-[240px]" />,
)

interface Props {
  page: PartsPage
  chosen: NonNullable<PartsPage['chosen']>
  kind: NonNullable<PartsPage['kind']>
  today: string
}

const shownLives = 12

/** One part: its curve, how many it rests on, how sure it is, and whether the firm goes by it. */
export function PartLearned({ page, chosen, kind, today }: Props) {
  const { row, learned, lives, unknownAge, fittedWrongly } = chosen
  const { usualLife, ownShare, failures, censored } = learned
  const round = (value: number) => Number(value.toPrecision(2))
  const [id] = useState(newId)
  const { busy, wrong, write } = useWrite()
  const adopt = () =>
    write(
      makeEntry(
        'firm',
        page.firmId,
        'setting',
        { setting: 'life', task: row.taskId, kind: kind.id, clock: row.clock, value: round(usualLife.value) },
        today,
        { id },
      ),
    )
  const goBack = (entryId: string) =>
    write(
      makeEntry('firm', page.firmId, 'withdrawn', { reason: 'back to the catalogue' }, today, {
        id,
        supersedes: entryId,
      }),
    )
  const left = [
    ...(unknownAge > 0 ? [`${unknownAge} fitted before anybody knew when`] : []),
    ...(fittedWrongly > 0 ? [`${fittedWrongly} fitted wrongly: out within 50 shots or 7 days`] : []),
  ]
  return (
    <>
      <h2 className="head m-0">{row.name}</h2>
      <SurvivalChart learned={learned} unit={row.unit} />
      <p className="m-0 pt-1 text-[14px]">
        <b>
          {failures} worn out or failed, {censored} changed while good or still in.
        </b>{' '}
        {failures === 0
          ? 'With none worn out there is nothing to learn yet: the catalogue speaks.'
          : `The catalogue counts as five failures, so ${Math.round(ownShare * 100)} % of the answer is yours.`}
      </p>
      <dl className="m-0 mt-2">
        <Line
          what="Catalogue, usual: a fifth has failed by"
          value={`${figure(learned.catalogue.usualLife)} ${row.unit}`}
          mark="from memory"
        />
        <Line
          what="Learned, the same"
          value={`${figure(Number(usualLife.value.toPrecision(3)))} ${row.unit}`}
          mark={`${figure(Number(usualLife.low.toPrecision(3)))} to ${figure(Number(usualLife.high.toPrecision(3)))}, eight in ten`}
        />
        <Line
          what="Shape"
          value={figure(Number(learned.together.shape.toPrecision(3)))}
          mark={learned.together.shape > 1 ? 'wears with age' : 'does not wear with age'}
        />
        <Line
          what="Of yours alone"
          value={learned.own ? `${figure(Number(learned.own.scale.toPrecision(3)))} ${row.unit}` : '–'}
          mark={
            learned.own ? `scale; shape ${figure(Number(learned.own.shape.toPrecision(3)))}` : (learned.ownReason ?? '')
          }
        />
      </dl>
      <p className="flex flex-wrap items-center gap-3 pt-2">
        {row.adopted ? (
          <>
            <span>
              Adopted: <b className="mono">{figure(row.adopted.value)}</b> {row.unit}
            </span>
            <button type="button" className="plain" disabled={busy} onClick={() => goBack(row.adopted!.entryId)}>
              Back to the catalogue
            </button>
          </>
        ) : (
          failures > 0 && (
            <button type="button" className="act" disabled={busy} onClick={adopt}>
              Adopt {figure(round(usualLife.value))} {row.unit}
            </button>
          )
        )}
        {wrong && (
          <span role="alert" className="font-semibold text-seal-ink">
            {wrong}
          </span>
        )}
      </p>
      <WhenToChange chosen={chosen} />
      <h3 className="head m-0 pt-4 text-[16px]">What it rests on</h3>
      <ul className="m-0 list-none p-0 text-[14px]">
        {[...lives]
          .sort((a, b) => ((a.until ?? '9999') < (b.until ?? '9999') ? 1 : -1))
          .sort((a, b) => Number(b.failed) - Number(a.failed))
          .slice(0, shownLives)
          .map((life) => (
            <li
              key={`${life.machine.id} ${life.since} ${life.index ?? ''}`}
              className="flex gap-3 border-t border-hair py-1"
            >
              <a className="min-w-0 flex-1 truncate hover:underline" href={`/machines/${life.machine.id}?lens=ledger`}>
                {life.machine.name}, {life.machine.site}
              </a>
              <span className="mono whitespace-nowrap">
                {dayNear(life.since, today)} – {life.until ? dayNear(life.until, today) : 'now'}
              </span>
              <span className={`w-[64px] ${life.failed ? 'font-semibold text-seal-ink' : 'text-second'}`}>
                {life.how}
              </span>
              <span className="mono w-[72px] text-right">{figure(Number(life.time.toPrecision(3)))}</span>
            </li>
          ))}
      </ul>
      {lives.length > shownLives && <p className="m-0 text-[13px] text-second">and {lives.length - shownLives} more</p>}
      <p className="mt-2 mb-0 text-[13px] text-second">
        {left.length > 0 && `Left out: ${left.join('; ')}. `}
        One found worn out is dated by the visit that found it, and one changed at condition 3 counts as worn out:
        neither is corrected for.
      </p>
    </>
  )
}

function Line({ what, value, mark }: { what: string; value: string; mark: string }) {
  return (
    <div className="flex flex-wrap gap-x-3 border-t border-hair py-1 text-[14px]">
      <dt className="flex-1">{what}</dt>
      <dd className="m-0 text-right">
        <b className="mono">{value}</b> <span className="text-[13px] text-second">{mark}</span>
      </dd>
    </div>
  )
}
