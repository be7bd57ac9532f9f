import type { Db } from '../src/records/database.ts'

/** Machines a site, sites a customer, machines a technician: a large firm's shape. */
const perSite = 4
const perTechnician = 100

/** Months of readings each machine has; with its fittings and tasks so many entries. */
const months = 14
const usualEntries = 26

/**
 * Fills a database with a firm of many machines, in plain SQL as the tables' owner: through the write path
 * fifty thousand machines would take hours, and the shape of the data is the same.
 *
 * Machine n is of kind c2, sr or pk by n modulo 3. Its pace is spread over a decade; its readings are a month
 * apart; a third of its parts were changed on the way.
 *
 * @param endDay - the last day of the history
 * @param entriesEach - where a machine has a livelier past: readings every few days, and work between them
 * @returns the firm's id
 */
export async function makeManyMachines(
  owner: Db,
  machines: number,
  endDay: string,
  entriesEach = usualEntries,
): Promise<string> {
  const firmId = '00000000-0000-7000-8000-000000000001'
  const sites = Math.ceil(machines / perSite)
  const people = Math.max(1, Math.ceil(machines / perTechnician))
  // An id from a word and a number: the same every time, and of the shape ids have.
  const id = (word: string, n: string) =>
    `overlay(overlay(md5('${word}' || ${n}) placing '7' from 13) placing 'a' from 17)::uuid`
  const run = (sql: string) =>
    owner.raw(sql.replaceAll(':firm', `'${firmId}'::uuid`).replaceAll(':end', `date '${endDay}'`))
  await run(`insert into firm (id, name, demo) values (:firm, 'Many & Co', false)`)
  // Somebody’s sites lie around where they begin, as far as a morning’s drive.
  const north = (n: string) => `44 + (${n}) % 12 * 0.4`
  const east = (n: string) => `-31 + (${n}) / 12 % 12 * 0.6`
  await run(`insert into technician (firm_id, id, name, initials, role, start_latitude, start_longitude)
    select :firm, ${id('person', 'n')}, 'Technician ' || n, 'T' || n, case n when 1 then 'owner' else 'technician' end,
      ${north('n')}, ${east('n')} from generate_series(1, ${people}) n`)
  await run(
    `insert into supply (firm_id, id, name) select :firm, ${id('supply', 'n')}, 'Zone ' || n from generate_series(1, 20) n`,
  )
  await run(
    `insert into customer (firm_id, id, name) select :firm, ${id('customer', 'n')}, 'Customer ' || n from generate_series(1, ${sites}) n`,
  )
  await run(`insert into subject (firm_id, id, kind) values (:firm, :firm, 'firm')`)
  for (const [kind, count] of [
    ['supply', 20],
    ['customer', sites],
    ['site', sites],
    ['machine', machines],
  ] as const)
    await run(`insert into subject (firm_id, id, kind, stale) select :firm, ${id(kind, 'n')}, '${kind}', ${kind === 'machine'}
      from generate_series(1, ${count}) n`)
  await run(`insert into site (firm_id, id, customer_id, supply_id, technician_id, name, area, time_zone,
      latitude, longitude)
    select :firm, ${id('site', 'n')}, ${id('customer', 'n')}, ${id('supply', '(1 + n % 20)')},
      ${id('person', `(1 + n % ${people})`)}, 'Site ' || n, 'Area ' || (n % 97), 'Europe/London',
      ${north(`1 + n % ${people}`)} + (n * 7919 % 1000 - 500) / 2500.0,
      ${east(`1 + n % ${people}`)} + (n * 104729 % 1000 - 500) / 1700.0
    from generate_series(1, ${sites}) n`)
  await run(`insert into machine (firm_id, id, site_id, name, maker, model, serial, kind)
    select :firm, ${id('machine', 'n')}, ${id('site', `(1 + n / ${perSite} % ${sites})`)}, 'Machine ' || n, 'Varnholt', 'Duo 2',
      'MM-' || n, (array['c2', 'sr', 'pk'])[1 + n % 3]
    from generate_series(1, ${machines}) n`)

  const entries = (from: string) => `insert into entry (firm_id, id, seq, subject_kind, subject_id, kind, happened_at,
      happened_on, recorded_at, recorded_by, body)
    select :firm, ${id('entry', 'subject_kind || n || kind || k')}, nextval('bench_seq'), subject_kind,
      case subject_kind when 'machine' then ${id('machine', 'n')} else ${id('site', 'n')} end,
      kind, on_day + time '09:00', on_day, on_day + time '10:00', ${id('person', '1')}, body
    from (${from}) made`
  const more = Math.max(0, entriesEach - usualEntries)
  await run('create temporary sequence bench_seq')
  await run(
    entries(`select 'site' as subject_kind, n, 'setting' as kind, 1 as k, :end - 430 as on_day,
      json_build_object('v', 1, 'setting', 'opening', 'openWeekdays', array[1, 2, 3, 4, 5]) as body
      from generate_series(1, ${sites}) n`),
  )
  await run(
    entries(`select 'machine' as subject_kind, n, 'commissioned' as kind, 1 as k, :end - 430 as on_day,
      json_build_object('v', 1, 'kind', (array['c2', 'sr', 'pk'])[1 + n % 3], 'kindVersion', 1, 'partsNew', n % 4 = 0) as body
      from generate_series(1, ${machines}) n`),
  )
  await run(
    entries(`select 'machine' as subject_kind, n, 'reading' as kind, k, :end - 425 + 30 * k - n % 9 as on_day,
      json_build_object('v', 1, 'counter', 'shots', 'count', (1000 + k * 21 * (8 + n * 7919 % 90) * ${more > 0 ? '1.0' : '(0.9 + 0.2 * ((n * k) % 11) / 11.0)'})::int) as body
      from generate_series(1, ${machines}) n, generate_series(1, ${months}) k`),
  )
  await run(
    entries(`select 'machine' as subject_kind, n, 'fitted' as kind, k, :end - 400 + (n * k * 31) % 390 as on_day,
      json_build_object('v', 1, 'part', (array[
        array['group-gasket', 'shower-screen', 'basket', 'steam-tip', 'three-way-valve', 'drain-hose'],
        array['nozzle-seals', 'piston-ring', 'upper-screen', 'tank-filter', 'burrs', 'tank-coupling'],
        array['needle', 'head-gasket', 'cage', 'pump', 'tank-valve', 'head-switch']])[1 + n % 3][k],
        'group', case n % 3 when 0 then 1 + k % 2 else 1 end) as body
      from generate_series(1, ${machines}) n, generate_series(1, 6) k`),
  )
  await run(
    entries(`select 'machine' as subject_kind, n, 'cleaned' as kind, k, :end - 300 + (n * k * 17) % 290 as on_day,
      json_build_object('v', 1, 'task', (array['drain-hose-clean', 'inlet-strainer-clean', 'level-probe-clean', 'hot-water-screen', 'cleaning-programme'])[k]) as body
      from generate_series(1, ${machines}) n, generate_series(1, 5) k`),
  )
  await run(
    entries(`select 'site' as subject_kind, n, 'water-test' as kind, k, :end - 380 + 60 * k as on_day,
      json_build_object('v', 1, 'point', 'raw', 'quantity', 'total', 'method', 'drops', 'unit', 'dH', 'drops', 4 + n % 18, 'perDrop', 1) as body
      from generate_series(1, ${sites}) n, generate_series(1, 2) k`),
  )
  const days = 410
  const [readings, work] = [Math.round(more * 0.6), more - Math.round(more * 0.6)]
  // Between the monthly readings, on the same pace: none falls behind the one before it.
  await run(
    entries(`select 'machine' as subject_kind, n, 'reading' as kind, 100 + k as k, :end - 420 + ${days} * k / ${Math.max(1, readings)} as on_day,
      json_build_object('v', 1, 'counter', 'shots',
        'count', (1000 + 21 / 30.0 * (5 + ${days} * k / ${Math.max(1, readings)} + n % 9) * (8 + n * 7919 % 90))::int) as body
      from generate_series(1, ${machines}) n, generate_series(1, ${readings}) k`),
  )
  await run(
    entries(`select 'machine' as subject_kind, n, case k % 5 when 0 then 'note' else 'cleaned' end as kind, 100 + k as k,
      :end - 415 + ${days} * k / ${Math.max(1, work)} as on_day,
      case k % 5 when 0 then json_build_object('v', 1, 'text', 'Dry under it after ten minutes, visit ' || k)
        else json_build_object('v', 1, 'task', (array['drain-hose-clean', 'inlet-strainer-clean', 'level-probe-clean', 'hot-water-screen'])[k % 5]) end as body
      from generate_series(1, ${machines}) n, generate_series(1, ${work}) k`),
  )
  await run(`update firm set seq = (select max(seq) from entry)`)
  await owner.raw('vacuum analyze')
  return firmId
}
