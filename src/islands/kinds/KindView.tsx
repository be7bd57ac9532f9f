import { useMemo, useState } from 'react'
import { type Task, withGroups, withOptions } from '../../core/kinds/kind.ts'
import { type Clock, clocks, type Policy, policies, policyName } from '../../core/wear/limits.ts'
import { figure } from '../../ui/format.ts'
import { limitWords } from '../../ui/interval-words.ts'
import { Part } from '../../ui/Part.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { KindPage } from '../../views/kind-page.ts'
import { fromPage } from '../from-page.tsx'
import { KindDrawing } from './KindDrawing.tsx'
import { WhichHolds } from './WhichHolds.tsx'

interface Props {
  page: KindPage
  today: string
}

/** One kind of machine: its water path, what it may have, its parts how early, what it shows, how it is cleaned. */
function KindView({ page, today }: Props) {
  const { kind, machines } = page
  const [said, setSaid] = useState(new Map<string, boolean>())
  const [groups, setGroups] = useState(kind.groups)
  const here = useMemo(() => withGroups(withOptions(kind, said), groups), [kind, said, groups])
  const [station, setStation] = useState<string | null>(null)
  const tasks = here.tasks.filter((task) => station === null || task.station === station)
  const hasGroups = kind.tasks.some(({ each }) => each === 'group')
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={`${kind.name[0]?.toUpperCase()}${kind.name.slice(1)}`}
        under={kind.about}
        facts={[
          { label: 'Machines here', value: figure(machines) },
          { label: 'Parts', value: here.parts.length },
          { label: 'Version', value: kind.version },
        ]}
        action={
          <>
            <a
              className="plain inline-flex items-center whitespace-nowrap"
              href={`/api/kinds/${kind.id}.json`}
              download
            >
              As a file
            </a>
            {!page.isOwn && (
              <a className="plain inline-flex items-center whitespace-nowrap" href={`/kinds/${kind.id}/causes`}>
                What it was
              </a>
            )}
            <a className="act inline-flex items-center whitespace-nowrap" href={`/kinds/${kind.id}/edit`}>
              {page.isOwn ? 'Change it' : 'Make it our own'}
            </a>
          </>
        }
      />
      <WhichHolds page={page} today={today} />
      <KindDrawing
        kind={here}
        today={today}
        chosen={station}
        onChoose={(at) => setStation((now) => (now === at ? null : at))}
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <div className="flex flex-wrap gap-x-6 gap-y-1 pb-2" data-noprint>
          {hasGroups && (
            <label className="flex min-h-[44px] items-center gap-2">
              <select className="field" value={groups} onChange={(event) => setGroups(Number(event.target.value))}>
                {[1, 2, 3, 4].map((n) => (
                  <option key={n} value={n}>
                    {n}
                  </option>
                ))}
              </select>
              {groups === 1 ? 'group' : 'groups'}
            </label>
          )}
          {kind.options.map((option) => (
            <label key={option.id} className="flex min-h-[44px] items-center gap-2">
              <input
                type="checkbox"
                checked={said.get(option.id) ?? option.standard}
                onChange={(event) => setSaid((now) => new Map(now).set(option.id, event.target.checked))}
              />
              {option.name}
            </label>
          ))}
        </div>
        <Part
          title={
            station === null
              ? 'Parts and tasks'
              : `Parts and tasks: ${here.stations.find(({ id }) => id === station)?.name ?? ''}`
          }
        >
          <Tasks tasks={tasks} drinks={kind.counter.unit} kindId={kind.id} />
        </Part>
        <div className="grid gap-x-8 xl:grid-cols-2">
          <Part title="What it shows">
            {here.prompts.length === 0 && <p className="m-0 text-second">It shows nothing that asks for work.</p>}
            <ul className="m-0 list-none p-0 text-[14px]">
              {here.prompts.map((prompt) => (
                <li key={prompt.id} className="border-t border-hair py-1">
                  <b>{prompt.where}</b>, {prompt.looks ?? prompt.shows}: {prompt.means}
                  {prompt.everyDrinks && `, said to come every ${figure(prompt.everyDrinks)} ${kind.counter.unit}`}
                  {prompt.distrust && <span className="block text-brass-ink">{prompt.distrust}</span>}
                </li>
              ))}
            </ul>
          </Part>
          <Part title="What cleaning it takes, and does not">
            <ul className="m-0 list-none p-0 text-[14px]">
              {here.cleaning.map((row) => (
                <li key={row.what} className="flex gap-3 border-t border-hair py-1">
                  <span className={`w-[44px] font-semibold ${row.takes ? 'text-copper' : 'text-seal-ink'}`}>
                    {row.takes ? 'yes' : 'no'}
                  </span>
                  <span>
                    <b>{row.what}.</b> {row.why}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="Good readings">
            <ul className="m-0 list-none p-0 text-[14px]">
              {here.measures.map(({ id, name, unit, good, mark }) => (
                <li key={id} className="flex gap-3 border-t border-hair py-1">
                  <span className="flex-1">{name}</span>
                  <span className="mono">
                    {figure(good.from)} to {figure(good.to)} {unit}
                  </span>
                  <span className="w-[120px] text-second">{mark === 'T' ? 'common practice' : 'from memory'}</span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="How to tell what it has">
            {kind.options.length === 0 && <p className="m-0 text-second">All of this kind have the same.</p>}
            {kind.options.map((option) => (
              <div key={option.id} className="border-t border-hair py-1 text-[14px]">
                <b>{option.name}</b>
                <ul className="m-0 list-none p-0">
                  {option.howToTell.map(({ look, means }) => (
                    <li key={look}>
                      {look}: <i>{means === 'fitted' ? 'it has it' : 'it has it not'}</i>
                    </li>
                  ))}
                </ul>
              </div>
            ))}
          </Part>
        </div>
      </div>
    </div>
  )
}

function Tasks({ tasks, drinks, kindId }: { tasks: Task[]; drinks: string; kindId: string }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 font-semibold">Part or task</th>
            {policies.map((policy) => (
              <th key={policy} className="font-semibold">
                {policyName[policy]}
              </th>
            ))}
            <th className="text-right font-semibold max-md:hidden">Shape</th>
            <th className="text-right font-semibold max-md:hidden">min</th>
            <th className="pl-4 font-semibold max-md:hidden">From</th>
          </tr>
        </thead>
        <tbody>
          {tasks.map((task) => (
            <tr key={`${task.id} ${task.variant ?? ''}`} className="border-t border-hair align-top">
              <td className="py-1 pr-4">
                {task.action === 'replace' ? (
                  <a
                    className="font-semibold hover:underline"
                    href={`/parts?${new URLSearchParams({ kind: kindId, part: task.id, ...(task.variant && { material: task.variant }) })}`}
                  >
                    {nameOf(task)}
                  </a>
                ) : (
                  <b className="font-semibold">{nameOf(task)}</b>
                )}
                <span className="block text-[13px] text-second">
                  {[
                    task.action === 'replace' ? '' : task.action,
                    task.by === 'customer' ? 'by the customer' : '',
                    task.safety ? 'guards: never past the last figure' : '',
                    task.rubber ? 'rubber: by hot hours where known' : '',
                    task.otherClock ?? '',
                  ]
                    .filter(Boolean)
                    .join('; ')}
                </span>
              </td>
              {policies.map((policy) => (
                <td key={policy} className="py-1 pr-3">
                  {clocks
                    .flatMap((clock) => lifeOf(task, clock, policy, drinks))
                    .map((words) => (
                      <span key={words} className="block whitespace-nowrap">
                        {words}
                      </span>
                    ))}
                </td>
              ))}
              <td className="mono py-1 text-right max-md:hidden">{task.beta ?? ''}</td>
              <td className="mono py-1 text-right max-md:hidden">{task.minutes}</td>
              <td className="py-1 pl-4 text-second max-md:hidden">
                {task.markNote ?? (task.mark === 'T' ? 'common practice' : 'from memory')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

const nameOf = (task: Task) => (task.variant ? `${task.name}, ${task.variant.replaceAll('-', ' ')}` : task.name)

const lifeOf = (task: Task, clock: Clock, policy: Policy, drinks: string): string[] => {
  const limit = task.limits[clock]
  return limit ? [limitWords(clock, limit[policy], drinks)] : []
}

export const KindIsland = fromPage(KindView)
